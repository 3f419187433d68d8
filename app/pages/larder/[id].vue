<script setup lang="ts">
import { idOf, type Figure } from '~~/core/learn/figure'
import { v4 as uuid } from 'uuid'
import { cooksCovered, setsAsGrain } from '~~/core/food/food'
import type { Food } from '~~/core/food/food.schema'
import { needOf } from '~~/core/food/need'
import { texturesOf, uptakeFor } from '~~/core/food/texture'
import { boilingC } from '~~/core/steam/steam'
import { boilMinutesPerMinute } from '~~/core/pot/kinetics'
import { foodById, isOldBag } from '~~/shared/kitchen'

/** One food: what its figures mean at the stove, where they come from, its bags, and how to make it one's own. */
const route = useRoute()
const { list, t, number, length, duration, dayOf, weight, temp, inSentence } = useI18nText()
const cautionText = useCautionText()
const pot = usePotStore()
const kitchen = useKitchenStore()
const { draft, state, save, errorAt, undo, redo, canUndo, canRedo } = useKitchenDraft()
useUndoKeys({ undo, redo })

const id = computed(() => String(route.params.id))
const ownIndex = computed(() => draft.value.foods.findIndex((food) => food.id === id.value))
const own = computed(() => draft.value.foods[ownIndex.value] ?? null)
const food = computed<Food | null>(() => foodById(draft.value, id.value) ?? null)
const named = useNamedFoods()
const name = computed(() => kitchen.foodName(id.value))
const aliases = computed(() => named.value.find(({ food: one }) => one.id === id.value)?.aliases ?? '')
const lectin = computed(() => cautionText({ id: 'lectin-soak', params: { food: id.value } }))
const basedOn = computed(() => (own.value ? (foodById({ foods: [] }, own.value.basedOn) ?? null) : null))

const boilC = computed(() => boilingC(draft.value.altitudeM))
const rateAt = ({ zC, zAbove110C }: Food, tempC: number) => boilMinutesPerMinute(tempC, zC, zAbove110C)
/** Minutes at an open simmer here, and at the usual 70 kPa of an electric pot at sea level. */
const minutesAt = (of: Food, boilMinutes: number, tempC: number) => boilMinutes / rateAt(of, tempC)
const PRESSURE_C = 115
const rows = computed(() => {
  if (!food.value) return []
  const of = food.value
  return (['firm', 'tender', 'soft', 'max'] as const).map((key) => ({
    key,
    name: key === 'max' ? t('window.lost') : textureName(t, windowFamily(of), key),
    boilMinutes: of.boilMinutes[key],
    simmer: minutesAt(of, of.boilMinutes[key], boilC.value),
    pressure: minutesAt(of, of.boilMinutes[key], PRESSURE_C),
  }))
})
const drySoak = computed(() => {
  if (!food.value?.soak) return 1
  return needOf(food.value, texturesOf(food.value)[0]!, {
    soakedShare: 0,
    batch: 'fresh',
    additions: [],
  }).factors.reduce((product, { times }) => product * times, 1)
})
const facts = computed(() => {
  const of = food.value
  if (!of) return []
  const lines: string[] = []
  if (of.cupG !== null) lines.push(t('larder.facts.cup', { g: weight(of.cupG) }))
  if (of.soak) {
    lines.push(t('larder.facts.soakHalf', { hours: number(of.soak.halfHours, 1) }))
    if (drySoak.value > 1.01) lines.push(t('larder.facts.dry', { percent: number((drySoak.value - 1) * 100) }))
  }
  if (of.uptakeTender > 0) lines.push(t('larder.facts.drinks', { g: number(of.uptakeTender, 2) }))
  if (setsAsGrain(of))
    lines.push(
      t('larder.facts.textures', {
        list: texturesOf(of)
          .map((one) => `${textureName(t, 'grain', one)} ${number(uptakeFor(of, one), 1)}`)
          .join(', '),
      }),
    )
  lines.push(t(`larder.facts.froth.${of.froth}`))
  lines.push(
    of.release.kind === 'quick' ? t('larder.facts.quick') : t('larder.facts.natural', { n: of.release.minutes }),
  )
  lines.push(t('larder.facts.z', { times: number(rateAt(of, PRESSURE_C), 1), temp: temp(PRESSURE_C) }))
  if (of.sizeMm > 12) lines.push(t('larder.facts.thick', { size: length(of.sizeMm) }))
  return lines
})

/** What the log has taught of it, as factors of what is assumed: need and thirst of the food, need of its bags. */
const learnt = useLearntStore()
const AS_ASSUMED = 0.03
const taught = computed(() => {
  const { believed } = learnt
  if (!believed) return []
  const factor = (figure: Figure) => {
    const known = believed.has(idOf(figure))
    return known ? Math.exp(believed.of(new Map([[idOf(figure), 1]])).mean) : null
  }
  const said = [
    { kind: 'need' as const, times: factor({ kind: 'need', foodId: id.value }), bag: '' },
    { kind: 'uptake' as const, times: factor({ kind: 'uptake', foodId: id.value }), bag: '' },
    ...bags.value.map((bag) => ({
      kind: 'bag' as const,
      times: factor({ kind: 'batch', bagId: bag.id }),
      bag: inSentence(bag.name),
    })),
  ]
  return said.flatMap(({ kind, times, bag }) => (times === null ? [] : [{ kind, times, bag }]))
})
const learntText = computed(() => {
  if (taught.value.length === 0) return t('larder.learntNone')
  const off = taught.value.filter(({ times }) => Math.abs(Math.log(times)) > AS_ASSUMED)
  if (off.length === 0) return t('larder.learntSame')
  const parts = off.map(({ kind, times, bag }) => t(`larder.learnt.${kind}`, { times: number(times, 2), bag }))
  return t('larder.learntBy', { parts: list(parts) })
})

/** What was looked for and is in no list: this food is what it is most like. */
const called = computed(() => (typeof route.query.called === 'string' ? route.query.called.trim() : ''))
async function makeOwn() {
  if (!food.value) return
  const { id: from, name: _, ...figures } = food.value
  const name = kitchen.foodName(from)
  const ownId = uuid()
  draft.value.foods.push({
    id: ownId,
    name: (called.value || t('larder.ownName', { name })).slice(0, 60),
    basedOn: own.value?.basedOn ?? from,
    figures: structuredClone(toRaw(figures)),
  })
  await save()
  if (state.value === 'kept') await navigateTo(`/larder/${ownId}`)
}
async function removeOwn() {
  const back = own.value?.basedOn
  draft.value.foods.splice(ownIndex.value, 1)
  await save()
  if (state.value === 'kept') await navigateTo(back ? `/larder/${back}` : '/larder')
}
const bags = computed(() => draft.value.bags.filter(({ foodId }) => foodId === id.value))
const { today } = useToday()
const addBag = () =>
  draft.value.bags.push({ id: uuid(), name: t('larder.newBag'), foodId: id.value, boughtOn: today() })
const removeBag = (bagId: string) => (draft.value.bags = draft.value.bags.filter((bag) => bag.id !== bagId))
const bagPath = (bagId: string) => `bags.${draft.value.bags.findIndex((bag) => bag.id === bagId)}`

function plan() {
  if (!food.value) return
  pot.startWith(food.value)
  void navigateTo('/pot')
}
useHead({ title: () => `${food.value ? kitchen.foodName(food.value.id) : t('app.nav.larder')} · Bivvet` })
</script>

<template>
  <EmptyNotice v-if="!food" :title="t('larder.gone')" :text="t('larder.goneText')" />
  <div v-else class="food">
    <header>
      <div>
        <NuxtLink to="/larder" class="soft link-button">{{ t('larder.back') }}</NuxtLink>
        <h1>{{ name }}</h1>
        <p class="soft">{{ aliases }}</p>
      </div>
      <span class="gap" />
      <v-btn variant="flat" color="primary" size="large" @click="plan">{{ t('app.planFood') }}</v-btn>
    </header>
    <SavingNotice :hidden="/^content\.(foods|bags)\./" />
    <p v-if="food.lectin" class="lectin">{{ lectin.sentence }} {{ lectin.why }}</p>

    <div class="columns">
      <section>
        <h2>{{ t('larder.howLong') }}</h2>
        <v-table>
          <thead>
            <tr>
              <th scope="col">{{ t('larder.texture') }}</th>
              <th scope="col">{{ t('larder.boilMinutes') }}</th>
              <th scope="col">{{ t('larder.simmer', { temp: temp(boilC) }) }}</th>
              <th scope="col">{{ t('larder.pressure', { temp: temp(PRESSURE_C) }) }}</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="row in rows" :key="row.key" :class="{ lost: row.key === 'max' }">
              <th scope="row">{{ row.name }}</th>
              <td class="figure tone-food">{{ number(row.boilMinutes) }}</td>
              <td class="figure">{{ duration(row.simmer) }}</td>
              <td class="figure">{{ duration(row.pressure) }}</td>
            </tr>
          </tbody>
        </v-table>
        <p class="soft small">
          {{ t(food.soak ? 'larder.whatSoaked' : 'larder.what') }}
          <strong>{{ own ? t('larder.yours', { name: kitchen.foodName(own.basedOn) }) : t('larder.estimate') }}</strong>
          {{ learntText }}
          <NuxtLink v-if="taught.length > 0" to="/log/learnt">{{ t('larder.learntWhy') }}</NuxtLink>
        </p>
        <h2>{{ t('larder.means') }}</h2>
        <ul class="facts">
          <li v-for="line in facts" :key="line">{{ line }}</li>
        </ul>
      </section>
      <section>
        <template v-if="food.soak">
          <h2>{{ t('larder.soaking') }}</h2>
          <LazySoakChart :food="food" :room-c="draft.roomC" :tap-c="draft.tapC" />
        </template>
        <template v-if="cooksCovered(food) || food.soak">
          <h2>{{ t('larder.bags') }}</h2>
          <p v-if="bags.length === 0" class="soft">{{ t('larder.noBags') }}</p>
          <div v-for="bag in bags" :key="bag.id" class="bag">
            <TextField
              v-model="bag.name"
              :label="t('larder.bagName')"
              maxlength="60"
              :error="errorAt(`${bagPath(bag.id)}.name`)"
            />
            <TextField
              v-model="bag.boughtOn"
              :label="t('larder.boughtOn')"
              type="date"
              :error="errorAt(`${bagPath(bag.id)}.boughtOn`)"
            />
            <v-btn
              variant="text"
              size="small"
              :aria-label="t('edit.removeNamed', { name: bag.name })"
              @click="removeBag(bag.id)"
            >
              {{ t('edit.remove') }}
            </v-btn>
            <p v-if="isOldBag(bag, serverNow())" class="soft small">
              {{ t('larder.oldBag', { day: dayOf(bag.boughtOn) }) }}
            </p>
          </div>
          <v-btn @click="addBag">{{ t('larder.addBag') }}</v-btn>
        </template>
      </section>
    </div>

    <section class="own">
      <h2>{{ own ? t('larder.ownTitle') : t('larder.makeOwnTitle') }}</h2>
      <OwnFoodEdit
        v-if="own"
        v-model="draft.foods[ownIndex]!"
        :path="`foods.${ownIndex}`"
        :error-at="errorAt"
        :based-on="basedOn"
      />
      <p v-else class="soft">{{ t('larder.makeOwnText') }}</p>
      <div class="buttons">
        <v-btn @click="makeOwn">{{
          called && !own ? t('larder.makeCalled', { name: called }) : t('larder.makeOwn')
        }}</v-btn>
        <v-btn v-if="own" variant="text" @click="removeOwn">{{ t('larder.removeOwn') }}</v-btn>
        <span class="gap" />
        <span class="soft" role="status">{{ t(`saving.state.${state}`) }}</span>
        <v-btn size="small" :disabled="!canUndo" @click="undo()">{{ t('edit.undo') }}</v-btn>
        <v-btn size="small" :disabled="!canRedo" @click="redo()">{{ t('edit.redo') }}</v-btn>
      </div>
    </section>
  </div>
</template>

<style scoped>
.food {
  max-width: 1120px;
  padding: 16px 24px 56px;
}
header {
  display: flex;
  flex-wrap: wrap;
  align-items: end;
  gap: 12px;
}
h1 {
  margin: 4px 0 0;
  font-family: var(--figure-family);
  font-size: 40px;
  line-height: 1;
}
header p {
  margin: 4px 0 0;
}
.gap {
  flex: 1;
}
.lectin {
  margin: 14px 0 0;
  padding-inline-start: 12px;
  border-inline-start: 3px solid var(--danger);
  max-width: 80ch;
}
.columns {
  display: grid;
  grid-template-columns: minmax(0, 1.1fr) minmax(0, 1fr);
  gap: 0 40px;
}
h2 {
  margin: 26px 0 10px;
  padding-bottom: 6px;
  border-bottom: 2px solid var(--ink);
  font-size: 17px;
}
th,
td {
  padding: 6px 8px 6px 0;
  border-bottom: 1px solid var(--line);
  text-align: start;
  font-weight: 400;
}
thead th {
  color: var(--ink-soft);
  font-size: 13.5px;
  vertical-align: bottom;
}
td {
  font-size: 21px;
}
.lost th,
.lost td {
  color: var(--danger);
}
.small {
  font-size: 14px;
}
.facts {
  margin: 0;
  padding: 0;
  list-style: none;
}
.facts li {
  padding: 6px 0;
  border-bottom: 1px solid var(--line);
}
.bag {
  display: grid;
  grid-template-columns: minmax(0, 1.2fr) minmax(0, 1fr) auto;
  align-items: center;
  gap: 4px 10px;
  margin-bottom: 12px;
}
.bag p {
  grid-column: 1 / -1;
  margin: 0;
}
.buttons {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 10px;
  margin-top: 14px;
}
@media (max-width: 819px) {
  .food {
    padding: 14px 16px 40px;
  }
  .columns {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
