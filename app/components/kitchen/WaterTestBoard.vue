<script setup lang="ts">
import { MINUTE_MS } from '~~/core/measure/time'
import { useTimestamp } from '@vueuse/core'
import { heatsItself } from '~~/core/appliance/appliance'
import { inUse, type HouseholdCooker } from '~~/shared/kitchen'

/** The water test, one thing to do at a time: a sentence, a great button, and what was pressed so far. */
const { cooker } = defineProps<{ cooker: HouseholdCooker }>()
const { t, temp, unitFor, unitName } = useI18nText()
const unitText = (quantity: 'weight' | 'temperature') => unitName(unitFor(quantity))
const kitchen = useKitchen()
const { notes, step, press, takeBack, restart, test, leaveOut } = useWaterTest(cooker, kitchen.value)
const kind = computed(() => cooker.cooker.appliance.kind)
const hasFlame = computed(() => !heatsItself({ kind: kind.value }))
const nowMs = useTimestamp({ interval: 1000 })

const begun = computed(() => notes.value.litAt !== null)
const elapsed = computed(() => (notes.value.litAt === null ? 0 : Math.max(0, nowMs.value - notes.value.litAt)))
const clockText = (ms: number) => `${Math.floor(ms / MINUTE_MS)}:${String(Math.floor(ms / 1000) % 60).padStart(2, '0')}`
const holdLeft = computed(() => {
  const minutes = step.value?.step.holdMinutes
  if (minutes === undefined) return null
  const from = notes.value.marks.findLast(({ kind: of }) => of === 'boils' || of === 'pressure')
  return from ? Math.max(0, (from.minute + minutes) * MINUTE_MS - elapsed.value) : null
})
const markText = (index: number) => {
  const mark = notes.value.marks[index]!
  if (mark.kind === 'flame') return t('kitchen.test.marks.flame', { flame: t(`pot.flames.${mark.flame}`) })
  if (mark.kind === 'temperature') return temp(mark.tempC, 1)
  return t(`kitchen.test.marks.${mark.kind}`)
}
const burners = computed(() => inUse(kitchen.value.burners))
</script>

<template>
  <div class="test">
    <section class="do">
      <NuxtLink :to="`/kitchen?at=${cooker.id}`" class="soft link-button">{{ t('kitchen.test.back') }}</NuxtLink>
      <p class="soft">{{ t('kitchen.test.of', { name: cooker.name }) }}</p>
      <template v-if="step">
        <h1>{{ t(`kitchen.test.steps.${step.step.id}.do`) }}</h1>
        <p class="how">
          {{
            t(`kitchen.test.steps.${step.step.id}.how`, {
              water: `${notes.waterG} ${unitText('weight')}`,
              minutes: step.step.holdMinutes ?? 0,
            })
          }}
        </p>
        <div v-if="!begun" class="before">
          <PickField
            v-if="hasFlame"
            v-model="notes.burnerId"
            :choices="byName(burners)"
            :label="t('pot.rows.burner')"
          />
          <TextField
            v-model="notes.waterG"
            inputmode="decimal"
            :label="t('kitchen.test.waterIn')"
            :suffix="unitText('weight')"
          />
          <TextField
            v-model="notes.startC"
            inputmode="decimal"
            :label="t('kitchen.test.startC')"
            :suffix="unitText('temperature')"
          />
        </div>
        <p v-if="begun" class="clock figure" role="timer">
          {{ holdLeft !== null ? clockText(holdLeft) : clockText(elapsed) }}
          <span v-if="step.step.times > 1" class="soft">{{
            t('kitchen.test.count', { n: step.pressed, of: step.step.times })
          }}</span>
        </p>
        <TextField
          v-if="step.step.mark.kind === 'temperature'"
          v-model="notes.thermometer"
          inputmode="decimal"
          :label="t('kitchen.test.thermometer')"
          :suffix="unitText('temperature')"
          class="thermometer"
        />
        <v-btn variant="flat" color="primary" size="x-large" class="press" @click="press">
          {{ t(`kitchen.test.steps.${step.step.id}.press`) }}
        </v-btn>
      </template>
      <template v-else>
        <h1>{{ t('kitchen.test.weigh') }}</h1>
        <p class="how">{{ t('kitchen.test.weighHow') }}</p>
        <TextField
          v-model="notes.leftG"
          inputmode="decimal"
          :label="t('kitchen.test.left')"
          :suffix="unitText('weight')"
          class="thermometer"
        />
      </template>
      <p class="soft caution">{{ t('kitchen.test.caution') }}</p>
    </section>

    <section class="so-far">
      <h2>{{ t('kitchen.test.soFar') }}</h2>
      <p v-if="notes.marks.length === 0" class="soft">{{ t('kitchen.test.nothing') }}</p>
      <ol v-else>
        <li v-for="(mark, i) in notes.marks" :key="i">
          <span>{{ markText(i) }}</span>
          <span v-if="step" class="figure">{{ clockText(mark.minute * MINUTE_MS) }}</span>
          <NumberField
            v-else
            :model-value="mark.minute"
            :label="t('kitchen.test.minute')"
            clock
            :suffix="t('units.min')"
            @update:model-value="(minute) => (mark.minute = minute)"
          />
        </li>
      </ol>
      <div class="buttons">
        <v-btn v-if="notes.marks.length > 0" @click="takeBack">{{ t('kitchen.test.takeBack') }}</v-btn>
        <v-btn v-if="begun" variant="text" @click="restart">{{ t('kitchen.test.restart') }}</v-btn>
      </div>
    </section>

    <LazyWaterTestResult
      v-if="test"
      :cooker="cooker"
      :test="test"
      :burner-id="hasFlame ? notes.burnerId : null"
      @leave-out="leaveOut"
      @done="restart"
    />
  </div>
</template>

<style scoped>
.test {
  display: grid;
  grid-template-columns: minmax(0, 1.5fr) minmax(280px, 1fr);
  min-height: calc(100vh - 53px);
  grid-template-rows: 1fr auto;
}
section {
  padding: 18px 24px;
}
.so-far {
  border-inline-start: 1px solid var(--line);
}
h1 {
  margin: 14px 0 8px;
  font-family: var(--figure-family);
  font-size: clamp(38px, 5vw, 62px);
  line-height: 1;
}
h2 {
  margin: 0 0 8px;
  font-size: 17px;
}
.how {
  max-width: 56ch;
  margin: 0 0 16px;
  font-size: 18px;
}
.before {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(150px, 1fr));
  gap: 10px;
  max-width: 560px;
  margin-bottom: 18px;
}
.clock {
  margin: 0 0 16px;
  font-size: 84px;
}
.clock .soft {
  font-size: 34px;
}
.press {
  width: min(100%, 460px);
  height: 96px !important;
  font-size: 24px;
}
.thermometer {
  max-width: 220px;
  margin-bottom: 16px;
}
.caution {
  max-width: 60ch;
  margin: 18px 0 0;
  font-size: 14px;
}
ol {
  margin: 0 0 14px;
  padding: 0;
  list-style: none;
}
li {
  display: grid;
  grid-template-columns: 1fr 132px;
  align-items: center;
  gap: 10px;
  padding: 6px 0;
  border-bottom: 1px solid var(--line);
}
li .figure {
  font-size: 20px;
  text-align: end;
}
.buttons {
  display: flex;
  gap: 8px;
}
@media (max-width: 819px) {
  .test {
    grid-template-columns: minmax(0, 1fr);
  }
  section {
    padding: 14px 16px;
  }
  .so-far {
    border-inline-start: 0;
    border-top: 1px solid var(--line);
  }
}
</style>
