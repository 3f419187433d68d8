<script setup lang="ts">
import { instructionsOfPlan } from '~~/core/guide/plan'
import type { Instruction } from '~~/core/guide/instruction'
import type { PlanAnswer } from '~~/core/program/answer'
import type { PlanRequest } from '~~/core/program/request.schema'
import { isPoured } from '~~/core/water/liquids'
import type { HouseholdMeasure } from '~~/shared/kitchen'

/** The plan in the order in which it is done: each step a sentence with its figure large, its reason one press away. */
const { answer, request, cup, lead } = defineProps<{
  answer: PlanAnswer
  request: PlanRequest
  cup: HouseholdMeasure
  /** Figures of the first closing that are known a moment before the answer. */
  lead: { pourG: number; figure: number } | null
}>()
const { t, inSentence, list, number, duration, measured, weight } = useI18nText()
const pot = usePotStore()
const kitchen = useKitchenStore()
const words = useStepWords()

const told = computed(() =>
  instructionsOfPlan(request, answer, { cookerId: pot.cooker?.id ?? null, burnerId: pot.form.burnerId || null }),
)
/** What stands beside, or is part of the sentence before it, is not a step of its own. */
function isStep(one: Instruction, i: number, all: readonly Instruction[]): boolean {
  if (one.do === 'close') return false
  if (one.do === 'off') return all[i - 1]?.until?.whistles === undefined && one.hands > 0
  return !(one.do === 'add' && one.closing === 0 && one.in !== null && 'cooker' in one.in)
}
const isCounted = ({ do: deed, until }: Instruction, i: number, all: readonly Instruction[]) =>
  (deed === 'turn' || deed === 'light') &&
  (until?.whistles ?? until?.minutes ?? until?.minutesAtPressure) !== undefined &&
  all[i + 1]?.do !== 'turn'

const steps = computed(() =>
  told.value
    .map((one, i, all) => {
      const closing = answer.closings[one.closing ?? 0]!
      const counted = isCounted(one, i, all)
      return {
        one: led(one, counted),
        closing,
        counted,
        isStep: isStep(one, i, all),
        turnsNext: all[i + 1]?.do === 'turn',
      }
    })
    .filter((step) => step.isStep)
    .map((step) => ({ ...step, large: words.large(step.one), beside: besides(step) })),
)
/** While a hand moves, the figures that are known already. */
function led(one: Instruction, counted: boolean): Instruction {
  if (!lead || one.closing !== 0) return one
  if (one.do === 'pour') return { ...one, things: one.things.map((thing) => ({ ...thing, g: lead.pourG })) }
  if (!counted || !one.until) return one
  const { whistles, minutesAtPressure } = one.until
  const figure = whistles !== undefined ? 'whistles' : minutesAtPressure !== undefined ? 'minutesAtPressure' : 'minutes'
  return { ...one, until: { ...one.until, [figure]: lead.figure } }
}
interface Step {
  one: Instruction
  closing: PlanAnswer['closings'][number]
  counted: boolean
  turnsNext: boolean
}
function besides({ one, closing, counted, turnsNext }: Step): string[] {
  const { clock, planned, range, program } = closing
  if (one.do === 'pour') {
    const { ratioByVolume } = closing.water
    const cups = measured(one.things[0]?.g ?? 0, cup)
    const amount =
      ratioByVolume === null || one.closing !== 0
        ? cups
        : t('steps.beside.perCup', { cups, ratio: number(ratioByVolume, 1) })
    return [amount, jug(one), insteadOf(closing.water.pourG, planned.pourG, weight)].filter((text) => text !== '')
  }
  if (one.do === 'light' && turnsNext)
    return clock.pressureAtMinute === null
      ? []
      : [t('steps.beside.after', { minutes: duration(clock.pressureAtMinute) })]
  if (counted) {
    const every = one.until?.everyS ? [t('steps.beside.every', { time: everyWords(t, number, one.until.everyS) })] : []
    const pressure =
      one.until?.minutesAtPressure !== undefined && clock.pressureAtMinute !== null
        ? [t('pot.answer.pressureAt', { minutes: number(clock.pressureAtMinute) })]
        : []
    const all = program.whistles > 0 ? [t('steps.beside.inAll', { minutes: duration(clock.heatOffAtMinute) })] : []
    return [...every, ...pressure, ...all, insteadOf(range.figure, planned.figure, number)].filter(
      (text) => text !== '',
    )
  }
  if (one.do === 'wait' && one.until?.pressureGone && one.until.minutes !== undefined) return [t('pot.answer.natural')]
  return []
}
const insteadOf = (is: number, planned: number, tell: (value: number) => string) =>
  is === planned ? '' : t('pot.try.insteadOf', { figure: tell(planned) })
/** What goes into one jug with the water: first all else that pours, then water up to a mark. */
function jug(one: Instruction): string {
  const pouring = request.liquids.filter(({ kind, g }) => g > 0 && isPoured(kind))
  const waterG = one.things[0]?.g ?? 0
  if (one.closing !== 0 || pouring.length === 0 || waterG === 0) return ''
  return t('pot.answer.jug', {
    list: list(pouring.map(({ kind, g }) => `${measured(g, cup)} ${inSentence(t(`liquids.${kind}`))}`)),
    mark: measured(pouring.reduce((sum, { g }) => sum + g, 0) + waterG, cup),
  })
}
const keptSoak = computed(() => request.contents.some(({ soak }) => soak?.keepWater && soak.waterG === undefined))
const wantedTexture = (foodId: string, texture: PlanAnswer['foods'][number]['texture']) => {
  const food = kitchen.food(foodId)
  return textureName(t, food ? textureFamily(food) : 'other', texture)
}
const opened = ref<string | null>(null)
</script>

<template>
  <ol class="steps">
    <li v-for="{ one, closing, counted, large, beside } in steps" :key="one.id" :data-deed="one.do">
      <p class="say">
        {{ large.before
        }}<b v-if="large.figure" :class="['figure', 'great', `tone-${large.tone}`]">{{ large.figure }}</b
        >{{ large.after }}
      </p>
      <p v-if="beside.length > 0 || one.do === 'pour' || counted" class="beside soft">
        <span>{{ beside.join('; ') }}</span>
        <v-btn
          v-if="one.do === 'pour' || counted"
          variant="text"
          size="small"
          class="why no-print"
          :aria-expanded="opened === one.id"
          @click="opened = opened === one.id ? null : one.id"
        >
          {{ t('app.why') }}<span class="hidden-text"> {{ words.sentence(one) }}</span>
        </v-btn>
      </p>
      <div v-if="opened === one.id" class="unfolded">
        <template v-if="one.do === 'pour'">
          <p class="soft rule">{{ t(`pot.answer.rules.${closing.water.rule}`) }}</p>
          <LazyWaterSum :water="closing.water" :cup="cup" :kept-soak="keptSoak && one.closing === 0" />
          <LazyRatioTable v-if="one.closing === 0" />
        </template>
        <template v-else>
          <LazyNeedLines
            v-for="(food, i) in answer.foods"
            :key="i"
            :food="food"
            :name="answer.foods.length > 1 ? kitchen.foodName(food.food) : null"
            :texture="wantedTexture(food.food, food.texture)"
            :hottest-c="answer.hottestC"
          />
        </template>
      </div>
    </li>
  </ol>
</template>

<style scoped>
.steps {
  margin: 0;
  padding: 0;
  list-style: none;
  counter-reset: step;
}
li {
  display: grid;
  grid-template-columns: 26px minmax(0, 1fr);
  /* The number stands on the first line of its step, whether that has a great figure or not. */
  align-items: baseline;
  padding: 7px 0;
  border-bottom: 1px solid var(--line);
  counter-increment: step;
}
li > * {
  grid-column: 2;
}
li::before {
  content: counter(step);
  grid-column: 1;
  font-family: var(--figure-family);
  font-size: 19px;
  color: var(--ink-soft);
}
p {
  margin: 0;
}
.say {
  font-size: 18px;
  line-height: 1.3;
}
.great {
  font-size: 33px;
  line-height: 1.05;
  white-space: nowrap;
}
.beside {
  display: flex;
  gap: 10px;
  justify-content: space-between;
  align-items: baseline;
  font-size: 14px;
}
.why {
  flex: none;
  min-width: 0;
  padding: 0 4px;
  text-decoration: underline;
  text-transform: none;
  letter-spacing: normal;
}
.unfolded {
  margin-top: 6px;
}
.rule {
  margin: 0 0 6px;
}
@media (max-width: 719px), (pointer: coarse) {
  .why {
    min-width: 44px;
    min-height: 44px;
  }
}
</style>
