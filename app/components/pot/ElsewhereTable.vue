<script setup lang="ts">
import { MINUTE_MS } from '~~/core/measure/time'
import { asLearnt } from '~~/core/learn/apply'
import { lostCount } from '~~/core/program/count'
import type { PlanRequest } from '~~/core/program/request.schema'
import type { StyleKind } from '~~/core/names'
import { inUse, measuredCooker, type HouseholdCooker } from '~~/shared/kitchen'
import { cookedWith } from '~~/shared/pot-request'

/** The same food in every cooker and style of the kitchen, side by side; a tap switches to one. */
const { t, inSentence, number, duration, problemText, weight } = useI18nText()
const cautionText = useCautionText()
const { nowMs, beginText } = useReadyBy()
const soakMs = useSoakAhead(nowMs)
const pot = usePotStore()
const kitchen = useKitchen()

/** Each cooker with the burner as it was measured under it. */
const learnt = useLearntStore()
const asked = computed(() => {
  if (!pot.request) return null
  const { spread: _, ...asked } = pot.request
  const base: PlanRequest = { ...asked, given: undefined, learnt: undefined }
  return inUse(kitchen.value.cookers).map((of) => {
    const { cooker, burner } = measuredCooker(of, pot.burner)
    const plain: PlanRequest = { ...base, cooker, ...(burner ? { burner } : {}) }
    const { believed } = learnt
    return {
      // What was learnt of one cooker says nothing of another.
      request: believed ? asLearnt(plain, cookedWith(pot.planned, kitchen.value, of), believed) : plain,
      cooker: { id: of.id, cooker, prefer: { flame: pot.form.flame, level: pot.form.level } },
    }
  })
})
const { result, working } = useWorked(asked, async (work, all) =>
  (await Promise.all(all.map(({ request, cooker }) => work.equivalents(request, [cooker])))).flat(),
)

interface Row {
  cooker: HouseholdCooker
  style: StyleKind
  water: string
  figure: string
  total: string
  /** When to begin for the hour that is asked for. */
  begin: string
  ok: boolean
  here: boolean
  /** Why it cannot be; empty where it can. */
  reason: string
  /** Nobody could keep its count. */
  isLost: boolean
}
const all = computed<Row[]>(() =>
  (result.value ?? []).flatMap(({ id, style, outcome }): Row[] => {
    const cooker = kitchen.value.cookers.find((one) => one.id === id)
    if (!cooker) return []
    const here = cooker.id === pot.cooker?.id && style === pot.styleKind
    const without = {
      cooker,
      style,
      water: '',
      figure: '',
      total: '',
      begin: '',
      ok: false,
      here,
      reason: '',
      isLost: false,
    }
    if (!outcome.ok) return [{ ...without, reason: problemText(outcome.problems[0]!) }]
    const refusal = outcome.value.cautions.find(({ severity }) => severity === 'refuse')
    if (refusal) return [{ ...without, reason: cautionText(refusal).sentence }]
    const { closings, readyAtMinute } = outcome.value
    const { range, water } = closings[0]!
    const figures = closings.map((closing) => number(closing.range.figure)).join(' + ')
    return [
      {
        ...without,
        water: weight(water.pourG),
        figure: t(`pot.elsewhere.${range.unit}`, { n: figures }, range.figure),
        total: duration(readyAtMinute),
        begin: beginText(readyAtMinute + soakMs.value / MINUTE_MS),
        ok: true,
        isLost: likes.value.counts !== 'always' && lostCount(outcome.value) !== null,
      },
    ]
  }),
)
const likes = computed(() => kitchen.value.likes)
/** Whoever never counts is offered no count, but what is in use; what nobody could count comes last of its cooker. */
const offered = computed(() => {
  const wanted = all.value.filter(({ style, here }) => here || likes.value.counts !== 'never' || style !== 'whistles')
  const order = [...new Set(wanted.map(({ cooker }) => cooker.id))]
  return order.flatMap((id) => {
    const own = wanted.filter(({ cooker }) => cooker.id === id)
    return [...own.filter(({ isLost }) => !isLost), ...own.filter(({ isLost }) => isLost)]
  })
})
/** A cooker in which no style works is one line with the reason, not one for each of its styles. */
const rows = computed(() =>
  offered.value.filter(({ cooker, ok, here, reason }, i) => {
    const same = offered.value.filter((row) => row.cooker.id === cooker.id)
    const hopeless = !ok && same.every((row) => !row.ok && row.reason === reason)
    return !hopeless || here || (offered.value[i - 1]?.cooker.id !== cooker.id && !same.some((row) => row.here))
  }),
)
/** A cooker's name stands once, over its styles. */
const spanOf = (row: Row, i: number) =>
  rows.value[i - 1]?.cooker.id === row.cooker.id
    ? 0
    : rows.value.filter(({ cooker }) => cooker.id === row.cooker.id).length

function use({ cooker, style }: Row) {
  pot.form.cookerId = cooker.id
  pot.styleKind = style
}
</script>

<template>
  <section class="elsewhere">
    <h2>{{ t('pot.elsewhere.title') }}</h2>
    <p v-if="rows.length === 0 && working" class="soft">{{ t('app.working') }}</p>
    <v-table v-else>
      <thead>
        <tr>
          <th scope="col">{{ t('pot.elsewhere.cooker') }}</th>
          <th scope="col">{{ t('pot.elsewhere.how') }}</th>
          <th scope="col" class="number">{{ t('pot.elsewhere.water') }}</th>
          <th scope="col" class="number">{{ t('pot.elsewhere.program') }}</th>
          <th scope="col" class="number">{{ t('pot.elsewhere.opens') }}</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="(row, i) in rows" :key="row.cooker.id + row.style" :class="{ here: row.here, cannot: !row.ok }">
          <th v-if="spanOf(row, i) > 0" scope="rowgroup" :rowspan="spanOf(row, i)" class="cooker">
            {{ row.cooker.name }}
          </th>
          <td>
            <RowBtn
              class="use"
              :aria-pressed="row.here"
              :aria-label="
                t('pot.elsewhere.use', { name: row.cooker.name, style: inSentence(t(`pot.styles.${row.style}`)) })
              "
              @click="use(row)"
            >
              {{ t(`pot.styles.${row.style}`) }}
            </RowBtn>
          </td>
          <template v-if="row.ok">
            <td class="number figure tone-water">{{ row.water }}</td>
            <td class="number figure tone-heat">
              {{ row.figure }}
              <span v-if="row.isLost" class="soft lost">{{ t('pot.elsewhere.lost') }}</span>
            </td>
            <td class="number figure">
              {{ row.total }}
              <span v-if="row.begin" class="soft lost">{{ row.begin }}</span>
            </td>
          </template>
          <td v-else colspan="3" class="soft">{{ t('pot.elsewhere.cannot', { reason: row.reason }) }}</td>
        </tr>
      </tbody>
    </v-table>
  </section>
</template>

<style scoped>
h2 {
  margin: 0 0 6px;
  font-size: 16px;
}
.v-table {
  font-size: 14.5px;
}
th,
td {
  padding: 3px 10px 3px 0;
  border-top: 1px solid var(--line);
  text-align: start;
  font-weight: 400;
  vertical-align: baseline;
}
thead th {
  border-top: 0;
  color: var(--ink-soft);
  font-size: 13.5px;
}
.cooker {
  padding-top: 8px;
  font-weight: 700;
  vertical-align: top;
}
.number {
  text-align: end;
}
@media (min-width: 720px) {
  .cooker,
  .use {
    white-space: nowrap;
  }
}
.figure {
  white-space: nowrap;
}
.figure {
  font-size: 18px;
}
.use {
  min-height: 32px;
  text-decoration: underline;
  text-decoration-color: var(--line);
  text-underline-offset: 4px;
}
.lost {
  display: block;
  font-family: var(--text-family);
  font-size: 13px;
  white-space: normal;
}
.here td {
  background: var(--ground-raised);
}
.here .use {
  font-weight: 700;
  text-decoration: none;
}
@media (max-width: 719px) {
  th,
  td {
    padding-inline-end: 6px;
  }
  .use {
    min-height: 44px;
  }
}
</style>
