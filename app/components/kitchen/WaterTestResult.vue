<script setup lang="ts">
import { v4 as uuid } from 'uuid'
import type { WaterTest } from '~~/core/appliance/water-test.schema'
import type { WaterTestFit } from '~~/core/learn/water-test'
import { inUnit } from '~~/core/quantity/unit'
import { BURNERS } from '~~/core/appliance/burner'
import { ambientPa, saturationPa } from '~~/core/steam/steam'
import { measuredCooker, type HouseholdCooker, type Kitchen } from '~~/shared/kitchen'
import { MOST } from '~~/core/bounds'
import type { Pot } from '~~/shared/pot'
import { requestOf } from '~~/shared/pot-request'
import type { KeptTest } from '~~/shared/kitchen.schema'
import { changedFigures, stylesFor } from '~~/core/appliance/appliance'

/** What a water test says of a cooker: fitted beside measured, and what changes in the plans. Kept only when asked. */
const { cooker, test, burnerId } = defineProps<{ cooker: HouseholdCooker; test: WaterTest; burnerId: string | null }>()
const emit = defineEmits<{ done: []; leaveOut: [place: number] }>()
const { t, number, problemText, weight, temp, pressure, unitFor, unitName } = useI18nText()
const kitchenStore = useKitchenStore()
const kitchen = computed(() => kitchenStore.loaded)
const pot = usePotStore()
const pots = usePotsStore()
if (!pots.pots) void pots.load()
const { draft, state, save } = useKitchenDraft()

const burner = computed(() => kitchen.value.burners.find(({ id }) => id === burnerId) ?? null)
/** The fit starts from the figures as they stand, not from an earlier test: each is its own evidence. */
const asked = computed(() => ({
  test,
  before: { appliance: cooker.cooker.appliance, burner: burner.value?.burner ?? BURNERS.strong },
}))
const { result } = useWorked(asked, (work, { test: boil, before }) => work.fitWaterTest(boil, before))
const fit = computed(() => (result.value?.ok ? result.value.value : null))
const problems = computed(() => (result.value && !result.value.ok ? result.value.problems : []))

const kept = computed<KeptTest | null>(() => (fit.value ? keptTest(fit.value) : null))
function keptTest({ appliance, burner: flames, heatSpread }: WaterTestFit): KeptTest {
  const changed = changedFigures(cooker.cooker.appliance, appliance)
  return {
    id: uuid(),
    at: serverNow(),
    burnerId,
    test: JSON.parse(JSON.stringify(test)) as WaterTest,
    fitted: { appliance: changed, burner: burnerId ? flames : null, heatSpread },
  }
}

// The boil: pressure for pots that hold it, temperature for the others; the cook's marks as dots on it.
const underPressure = computed(() => (fit.value?.curve.minutesToPressure ?? null) !== null)
const quantity = computed(() => (underPressure.value ? 'pressure' : 'temperature'))
/** In the unit in which the household reads it. */
const drawn = (value: number) => inUnit(value, quantity.value, unitFor(quantity.value))
const valueAt = ({ tempC }: { tempC: number }) =>
  drawn(underPressure.value ? Math.max(0, saturationPa(tempC) - ambientPa(test.place.altitudeM)) : tempC)
/** At which an indicator is down. */
const GONE_PA = 2000
const series = computed(() => {
  if (!fit.value) return []
  const { curve } = fit.value
  const { appliance } = fit.value
  const line = curve.trace.map((point): [number, number] => [point.minute, valueAt(point)])
  const levelOf: Record<string, number> = underPressure.value
    ? {
        whistle: 'liftPa' in appliance ? appliance.liftPa : 0,
        pressure: 'highPa' in appliance ? appliance.highPa : 'liftPa' in appliance ? appliance.liftPa : 0,
        'pressure-gone': GONE_PA,
      }
    : {}
  const dots = test.marks.flatMap((mark): [number, number][] => {
    if (mark.kind === 'temperature') return underPressure.value ? [] : [[mark.minute, drawn(mark.tempC)]]
    const level = levelOf[mark.kind]
    return level === undefined ? [] : [[mark.minute, drawn(level)]]
  })
  return [
    { name: t('kitchen.test.fitted'), points: line, tone: 'steam' as const },
    { name: t('kitchen.test.measured'), points: dots, tone: 'heat-high' as const, kind: 'dots' as const },
  ]
})
/** What it loses is told as it is at the boil. */
const BOIL_OVER_ROOM_K = 80
const FIGURE_UNITS: Record<string, { unit: string; times: number; digits: number }> = {
  loss: { unit: 'W', times: BOIL_OVER_ROOM_K, digits: 0 },
  vent: { unit: 'g/s', times: 1000, digits: 1 },
  leak: { unit: 'g/min', times: 60_000, digits: 1 },
  reflux: { unit: '%', times: 100, digits: 0 },
}
const figures = computed(() =>
  (fit.value?.figures ?? []).map(({ id, before, after, sdShare }) => {
    const { unit, times, digits } = FIGURE_UNITS[id] ?? { unit: 'W', times: 1, digits: 0 }
    return {
      id,
      before: id === 'swing' ? pressure(before) : `${number(before * times, digits)} ${unit}`,
      after: id === 'swing' ? pressure(after) : `${number(after * times, digits)} ${unit}`,
      band: `± ${number(sdShare * 100)} %`,
    }
  }),
)
type Reading = WaterTestFit['observations'][number]['id']
function readingText(id: Reading, value: number): string {
  if (!Number.isFinite(value)) return t('kitchen.test.never')
  if (id === 'steam') return weight(value)
  if (id === 'temperature') return temp(value, 1)
  return id === 'interval'
    ? t('pot.answer.seconds', { n: number(value * 60) })
    : `${number(value, 1)} ${t('units.min')}`
}
const observations = computed(() =>
  (fit.value?.observations ?? []).map(({ id, measured, fitted }, i) => ({
    key: i,
    id,
    measured: readingText(id, measured),
    fitted: readingText(id, fitted),
  })),
)
/** The reading that does not agree with the others. */
const contradicts = computed(() => {
  const found = problems.value.find(({ code }) => code === 'test-contradicts')
  if (!found) return null
  const { reading, place, measured, fitted } = found.params as Record<string, number> & { reading: Reading }
  const params = {
    reading: t(`kitchen.test.observed.${reading}`),
    measured: readingText(reading, Number(measured)),
    fitted: readingText(reading, Number(fitted)),
  }
  return { place: Number(place), text: t('kitchen.test.contradicts', params) }
})

/** This pot and the kept ones as they would be cooked here, before and after. */
const planned = computed(() => {
  if (!kept.value) return null
  const after: HouseholdCooker = { ...cooker, tests: [...cooker.tests, kept.value] }
  const named: { name: string; content: Pot }[] = [
    { name: pot.name, content: pot.form },
    ...(pots.pots ?? []).filter(({ id }) => id !== pot.keptAs?.id).slice(0, 4),
  ]
  return named.flatMap(({ name, content: form }) => {
    const here: Pot = {
      ...form,
      cookerId: cooker.id,
      burnerId: burnerId ?? form.burnerId,
      given: [],
    }
    const style = stylesFor(cooker.cooker)[0]
    const [was, is] = [cooker, after].map(
      (of) => style && requestOf(here, kitchen.value as Kitchen, of, style, serverNow()),
    )
    return was && is ? [{ name, was, is }] : []
  })
})
const { result: changes } = useWorked(planned, (work, all) =>
  Promise.all(
    all.map(async ({ name, was, is }) => ({
      name,
      was: (await work.plan(was)).outcome,
      is: (await work.plan(is)).outcome,
    })),
  ),
)
type Planned = NonNullable<typeof changes.value>[number]['was']
const firstOf = (outcome: Planned) => (outcome.ok ? outcome.value.closings[0]! : null)
function figureOf(outcome: Planned) {
  const range = firstOf(outcome)?.range
  return range ? t(`pot.elsewhere.${range.unit}`, { n: range.figure }, range.figure) : t('pot.elsewhere.cannot')
}
function waterOf(outcome: Planned) {
  const water = firstOf(outcome)?.water
  return water ? weight(water.pourG) : ''
}
function rangeOf(outcome: Planned) {
  const range = firstOf(outcome)?.range
  return range ? t('kitchen.test.between', { low: number(range.low), high: number(range.high) }) : ''
}

const keeping = ref(false)
async function keep() {
  const of = draft.value.cookers.find(({ id }) => id === cooker.id)
  if (!of || !kept.value) return
  keeping.value = true
  of.tests = [...of.tests, kept.value].slice(-MOST.tests)
  await save()
  keeping.value = false
  if (state.value !== 'kept') return
  emit('done')
  await navigateTo(`/kitchen?at=${cooker.id}`)
}
const measuredBefore = computed(() => measuredCooker(cooker, burner.value).heatSpread !== null)
</script>

<template>
  <section class="result" :aria-label="t('kitchen.test.result')">
    <div v-if="problems.length > 0" role="alert" class="nonsense">
      <h2>{{ t('kitchen.test.nonsense') }}</h2>
      <p v-for="problem in problems" :key="problem.code">{{ problemText(problem) }}</p>
      <p v-if="contradicts">
        {{ contradicts.text }}
        <LinkBtn @click="emit('leaveOut', contradicts.place)">
          {{ t('kitchen.test.leaveOut') }}
        </LinkBtn>
      </p>
    </div>
    <p v-else-if="!fit" class="soft" role="status">{{ t('app.working') }}</p>
    <template v-else>
      <h2>{{ t('kitchen.test.result') }}</h2>
      <LineChart
        :series="series"
        :label="t('kitchen.test.chart', { n: observations.length })"
        :x-name="t('units.min')"
        :y-name="unitName(unitFor(quantity))"
        :height="260"
      />
      <div class="tables">
        <v-table>
          <caption>
            {{
              t('kitchen.test.fittedMeasured')
            }}
          </caption>
          <thead>
            <tr>
              <th scope="col">{{ t('kitchen.test.what') }}</th>
              <th scope="col">{{ t('kitchen.test.measured') }}</th>
              <th scope="col">{{ t('kitchen.test.fitted') }}</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="row in observations" :key="row.key">
              <th scope="row">{{ t(`kitchen.test.observed.${row.id}`) }}</th>
              <td class="figure">{{ row.measured }}</td>
              <td class="figure">{{ row.fitted }}</td>
            </tr>
          </tbody>
        </v-table>
        <div>
          <v-table>
            <caption>
              {{
                t('kitchen.test.figures')
              }}
            </caption>
            <tbody>
              <tr v-for="row in figures" :key="row.id">
                <th scope="row">{{ t(`kitchen.test.parameters.${row.id}`) }}</th>
                <td class="figure soft">{{ row.before }}</td>
                <td class="figure">{{ row.after }}</td>
                <td class="figure soft">{{ row.band }}</td>
              </tr>
            </tbody>
          </v-table>
          <v-table v-if="changes && changes.length > 0">
            <caption>
              {{
                t('kitchen.test.changes', { cooker: cooker.name })
              }}
            </caption>
            <tbody>
              <tr v-for="row in changes" :key="row.name">
                <th scope="row">{{ row.name }}</th>
                <td>
                  <span class="figure soft">{{ figureOf(row.was) }}</span>
                  <span class="soft">{{ rangeOf(row.was) }}</span>
                  <span class="soft">{{ waterOf(row.was) }}</span>
                </td>
                <td>
                  <span class="figure tone-heat">{{ figureOf(row.is) }}</span>
                  <span>{{ rangeOf(row.is) }}</span>
                  <span class="tone-water">{{ waterOf(row.is) }}</span>
                </td>
              </tr>
            </tbody>
          </v-table>
        </div>
      </div>
      <p v-if="measuredBefore" class="soft">{{ t('kitchen.test.again') }}</p>
      <SavingNotice />
      <div class="buttons">
        <v-btn variant="flat" color="primary" size="large" :loading="keeping" @click="keep">{{
          t('kitchen.test.keep')
        }}</v-btn>
        <v-btn size="large" @click="$emit('done')">{{ t('kitchen.test.throw') }}</v-btn>
      </div>
    </template>
  </section>
</template>

<style scoped>
.result {
  grid-column: 1 / -1;
  padding: 18px 24px 48px;
  border-top: 1px solid var(--line);
}
h2 {
  margin: 0 0 10px;
  font-size: 19px;
}
.nonsense {
  padding-inline-start: 12px;
  border-inline-start: 3px solid var(--danger);
}
.tables {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1.25fr);
  gap: 12px 36px;
  margin: 14px 0;
}
.v-table {
  margin-bottom: 16px;
}
caption {
  padding-bottom: 4px;
  text-align: start;
  font-weight: 700;
}
th,
td {
  padding: 4px 8px 4px 0;
  border-top: 1px solid var(--line);
  text-align: start;
  font-weight: 400;
}
thead th {
  color: var(--ink-soft);
  font-size: 13.5px;
}
td.figure,
td .figure {
  font-size: 18px;
}
td > span {
  display: block;
  font-size: 14px;
}
.buttons {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
}
@media (max-width: 819px) {
  .result {
    padding: 14px 16px 32px;
  }
  .tables {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
