<script setup lang="ts">
import { useLocalStorage, useTimestamp } from '@vueuse/core'
import { v4 as uuid } from 'uuid'
import { inUnit, readInUnit, type Quantity } from '~~/core/quantity/unit'
import { typedAmount } from '~~/core/quantity/number'
import { canBeTold } from '~~/core/appliance/program-by-hand'
import { checkCooker } from '~~/core/pot/check'
import type { FixedProgram } from '~~/core/appliance/kind'
import { MINUTE_MS } from '~~/core/measure/time'
import { ambientPa, boilingC, saturationC } from '~~/core/steam/steam'

/** Measures a program of a device once: its temperature by the clock, from taps or a thermometer, and the steam it costs. */
const route = useRoute()
const { t, number, problemText, unitFor, unitName, likes } = useI18nText()
type Told = Extract<Quantity, 'weight' | 'temperature'>
const unitText = (quantity: Told) => unitName(unitFor(quantity))
const read = (text: string, quantity: Told) => readInUnit(text, quantity, unitFor(quantity), likes.value.decimal)
const { draft, state, save } = useKitchenDraft()
const cooker = computed(() => draft.value.cookers.find(({ id }) => id === route.params.id) ?? null)
// A stopwatch: this device’s own clock, which nobody sets in the middle.
const nowMs = useTimestamp({ interval: 1000 })

const USUAL_WATER_G = 1000
type PointKind = 'thermometer' | 'boils' | 'pressure' | 'gone' | 'ended'
const fresh = () => ({
  name: '',
  waterG: typedAmount(inUnit(USUAL_WATER_G, 'weight', unitFor('weight')), likes.value.decimal, 1),
  leftG: '',
  thermometer: '',
  startedAt: null as number | null,
  ended: false,
  points: [] as { minute: number; tempC: number; what: PointKind }[],
})
// In other units the same digits would be another amount: each has notes of its own.
const units = [unitFor('weight'), unitFor('temperature')].join('-')
const inUnits = units === 'g-C' ? '' : `-${units}`
const notes = useLocalStorage(`bivvet-program-${String(route.params.id)}${inUnits}`, fresh())
const elapsed = computed(() => (notes.value.startedAt === null ? 0 : Math.max(0, nowMs.value - notes.value.startedAt)))
const clockText = computed(
  () => `${Math.floor(elapsed.value / MINUTE_MS)}:${String(Math.floor(elapsed.value / 1000) % 60).padStart(2, '0')}`,
)
const boilC = computed(() => boilingC(draft.value.altitudeM))
const highC = computed(() => {
  const appliance = cooker.value?.cooker.appliance
  return appliance && 'highPa' in appliance ? saturationC(ambientPa(draft.value.altitudeM) + appliance.highPa) : null
})

/** The appliance, where a program can be told of it without measuring. */
const toldOf = computed(() => {
  const appliance = cooker.value?.cooker.appliance
  return appliance && canBeTold(appliance) ? appliance : null
})

const begin = () => (notes.value.startedAt = Date.now())
function note(what: PointKind, tempC: number) {
  if (!Number.isFinite(tempC) || notes.value.startedAt === null) return
  notes.value.points.push({ minute: (Date.now() - notes.value.startedAt) / MINUTE_MS, tempC, what })
}
function noteThermometer() {
  note('thermometer', read(notes.value.thermometer, 'temperature'))
  notes.value.thermometer = ''
}
function end() {
  note('ended', notes.value.points.at(-1)?.tempC ?? draft.value.tapC)
  notes.value.ended = true
}
function takeBack() {
  notes.value.points.pop()
  notes.value.ended = false
  if (notes.value.points.length === 0) notes.value.startedAt = null
}
const restart = () => (notes.value = fresh())

const program = computed<FixedProgram>(() => ({
  id: uuid(),
  name: notes.value.name.trim(),
  profile: notes.value.points.map(({ minute, tempC }) => ({ minute, tempC })),
  steamG: read(notes.value.waterG, 'weight') - read(notes.value.leftG, 'weight'),
}))
const problems = computed(() => {
  if (!cooker.value || notes.value.leftG === '') return []
  const found = checkCooker({ appliance: cooker.value.cooker.appliance, fixedPrograms: [program.value] })
  const texts = found.map(problemText)
  if (!(program.value.steamG >= 0)) texts.push(t('kitchen.program.gained'))
  if (program.value.profile.length < 3) texts.push(t('kitchen.program.tooFew'))
  return [...new Set(texts)]
})
const ready = computed(
  () => notes.value.ended && notes.value.leftG !== '' && program.value.name !== '' && problems.value.length === 0,
)
const shownC = (tempC: number) => inUnit(tempC, 'temperature', unitFor('temperature'))
const series = computed(() => [
  {
    name: t('kitchen.program.curve'),
    tone: 'steam' as const,
    points: [
      [0, shownC(draft.value.tapC)] as [number, number],
      ...notes.value.points.map(({ minute, tempC }): [number, number] => [minute, shownC(tempC)]),
    ],
  },
])
const keeping = ref(false)
async function keep(kept: FixedProgram) {
  if (!cooker.value) return
  keeping.value = true
  cooker.value.cooker.fixedPrograms = [...(cooker.value.cooker.fixedPrograms ?? []), kept]
  await save()
  keeping.value = false
  if (state.value !== 'kept') return
  restart()
  await navigateTo(`/kitchen?at=${String(route.params.id)}`)
}
useHead({ title: () => `${t('kitchen.program.title')} · Bivvet` })
</script>

<template>
  <EmptyNotice v-if="!cooker" :title="t('kitchen.test.noCooker')" :text="t('kitchen.test.noCookerText')" />
  <div v-else class="program">
    <NuxtLink :to="`/kitchen?at=${String(route.params.id)}`" class="soft link-button">{{
      t('kitchen.test.back')
    }}</NuxtLink>
    <h1>{{ t('kitchen.program.title') }}</h1>
    <p class="how">{{ t('kitchen.program.how', { name: cooker.name }) }}</p>
    <div class="fields">
      <TextField v-model="notes.name" :label="t('kitchen.program.name')" maxlength="60" />
      <TextField
        v-model="notes.waterG"
        inputmode="decimal"
        :label="t('kitchen.test.waterIn')"
        :suffix="unitText('weight')"
      />
    </div>
    <template v-if="notes.startedAt === null">
      <v-btn variant="flat" color="primary" size="x-large" @click="begin">{{ t('kitchen.program.begin') }}</v-btn>
      <ProgramByHand v-if="toldOf" :appliance="toldOf" :altitude-m="draft.altitudeM" @keep="keep" />
    </template>
    <template v-else>
      <p v-if="!notes.ended" class="clock figure" role="timer">{{ clockText }}</p>
      <div v-if="!notes.ended" class="taps">
        <v-btn size="large" @click="note('boils', boilC)">{{ t('kitchen.program.boils') }}</v-btn>
        <v-btn v-if="highC !== null" size="large" @click="note('pressure', highC)">
          {{ t('kitchen.program.pressure') }}
        </v-btn>
        <v-btn v-if="highC !== null" size="large" @click="note('gone', boilC)">
          {{ t('kitchen.program.gone') }}
        </v-btn>
        <TextField
          v-model="notes.thermometer"
          inputmode="decimal"
          :label="t('kitchen.test.thermometer')"
          :suffix="unitText('temperature')"
        />
        <v-btn size="large" @click="noteThermometer">{{ t('kitchen.program.note') }}</v-btn>
        <v-btn variant="flat" color="primary" size="large" @click="end">{{ t('kitchen.program.end') }}</v-btn>
      </div>
      <ol>
        <li v-for="(point, i) in notes.points" :key="i">
          <span>{{ t(`kitchen.program.points.${point.what}`) }}</span>
          <NumberField v-model="point.minute" clock :label="t('kitchen.test.minute')" :suffix="t('units.min')" />
          <NumberField v-model="point.tempC" :label="t('kitchen.program.temp')" quantity="temperature" :digits="1" />
        </li>
      </ol>
      <LazyLineChart
        v-if="notes.points.length > 0"
        :series="series"
        :label="t('kitchen.program.chart', { n: number(notes.points.length) })"
        :x-name="t('units.min')"
        :y-name="unitText('temperature')"
        :height="220"
      />
      <TextField
        v-if="notes.ended"
        v-model="notes.leftG"
        inputmode="decimal"
        :label="t('kitchen.test.left')"
        :suffix="unitText('weight')"
        class="left"
      />
      <div v-if="notes.ended && problems.length > 0" role="alert" class="problems">
        <p v-for="text in problems" :key="text">{{ text }}</p>
      </div>
      <SavingNotice />
      <div class="taps">
        <v-btn
          v-if="notes.ended"
          variant="flat"
          color="primary"
          size="large"
          :disabled="!ready"
          :loading="keeping"
          @click="keep(program)"
        >
          {{ t('kitchen.program.keep') }}
        </v-btn>
        <v-btn @click="takeBack">{{ t('kitchen.test.takeBack') }}</v-btn>
        <v-btn variant="text" @click="restart">{{ t('kitchen.test.restart') }}</v-btn>
      </div>
    </template>
  </div>
</template>

<style scoped>
.program {
  max-width: 820px;
  padding: 18px 24px 56px;
}
h1 {
  margin: 12px 0 6px;
  font-family: var(--figure-family);
  font-size: 46px;
  line-height: 1;
}
.how {
  max-width: 66ch;
}
.fields {
  display: grid;
  grid-template-columns: minmax(0, 1.4fr) minmax(0, 1fr);
  gap: 10px;
  max-width: 520px;
  margin-bottom: 16px;
}
.clock {
  margin: 0 0 12px;
  font-size: 84px;
}
.taps {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px;
  margin: 10px 0;
}
.taps :deep(.v-text-field) {
  flex: 0 0 130px;
}
ol {
  margin: 12px 0;
  padding: 0;
  list-style: none;
}
li {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 130px 130px;
  align-items: center;
  gap: 10px;
  padding: 6px 0;
  border-bottom: 1px solid var(--line);
}
.left {
  max-width: 220px;
  margin: 12px 0;
}
.problems {
  padding-inline-start: 12px;
  border-inline-start: 3px solid var(--danger);
}
@media (max-width: 719px) {
  .program {
    padding: 14px 16px 40px;
  }
  li {
    grid-template-columns: minmax(0, 1fr) 96px 96px;
  }
}
</style>
