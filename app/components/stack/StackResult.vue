<script setup lang="ts">
import { v4 as uuid } from 'uuid'
import { heatsItself } from '~~/core/appliance/appliance'
import { readAmount, typedAmount } from '~~/core/quantity/number'
import { simulate } from '~~/core/pot/simulate'
import type { Problem } from '~~/core/problem'
import type { Mend } from '~~/core/stack/mend'
import type { HouseholdCooker } from '~~/shared/kitchen'
import type { StackAnswer, StackResult } from '~~/core/stack/search'

/** What the search found: the best ways with what each costs, or what comes closest and what would mend it. */
const {
  result,
  elsewhere,
  problems: searchProblems,
} = defineProps<{
  result: (StackResult & { mend: Mend | null }) | null
  /** Another cooker in which it all goes. */
  elsewhere: HouseholdCooker | null
  problems: readonly Problem[]
}>()
const emit = defineEmits<{ take: [answer: StackAnswer]; again: [] }>()
const { t, list, likes, number, duration, problemText } = useI18nText()
const { beginText } = useReadyBy()
const pot = usePotStore()
const kitchen = useKitchenStore()
const { form } = storeToRefs(pot)
const { stack, set } = useStackLayout()

/** What each answer costs, and how it stands, from below. */
const options = computed(() =>
  (result?.answers ?? []).map((one) => {
    const { base, tiers: levels } = one.arrangement
    const order = [...(base === null ? [] : [base]), ...levels.flat().map(({ food }) => food)]
    const soaks = one.request.contents.flatMap(({ soak }, i) =>
      soak ? [t('stack.soakOf', { food: foodName(i), time: duration(soak.hours * 60) })] : [],
    )
    return {
      one,
      begin: beginText(one.minutes + longestSoakMinutes(one)),
      cost: t('stack.option', { time: duration(one.minutes), tins: t('stack.tinCount', { n: one.lifts }, one.lifts) }),
      order: t('stack.fromBelow', { foods: list(order.map(foodName)) }),
      soaks: soaks.length > 0 ? list(soaks) : t('stack.noSoaks'),
    }
  }),
)
/** What soaks longest begins first. */
const longestSoakMinutes = ({ request }: StackAnswer) =>
  Math.max(0, ...request.contents.map(({ soak }) => (soak?.hours ?? 0) * 60))
const chosen = ref(0)
watch(
  () => result,
  () => (chosen.value = 0),
)
function choose(index: number) {
  chosen.value = index
  emit('take', options.value[index]!.one)
}
const foodName = (index: number) => pot.names[index] ?? ''
const mendText = computed(() => {
  const mend = result?.mend
  if (!mend) return null
  switch (mend.id) {
    case 'soak':
      return t('stack.mend.soak', { food: foodName(mend.food), hours: number(mend.hours, mend.hours % 1 ? 1 : 0) })
    case 'tin':
      return t('stack.mend.tin', { width: number(mend.diameterMm), height: number(mend.heightMm) })
    case 'phases':
      return mend.closings
        .map(({ adds, range: { unit, figure } }, i) =>
          t(i === 0 ? 'pot.together.first' : 'pot.together.then', {
            foods: list(adds.map(foodName)),
            figure: t(`pot.elsewhere.${unit}`, { n: figure }, figure),
          }),
        )
        .join(' ')
    default:
      return t(`stack.mend.${mend.id}`, { food: foodName(mend.food) })
  }
})
/** The phases that would do it, each as a strip of its own. */
const phases = computed(() => {
  const mend = result?.mend
  return mend?.id === 'phases'
    ? mend.closings.map((closing) => ({
        release: closing.case.release,
        curve: simulate(closing.case, { trace: true }),
      }))
    : []
})
function takeElsewhere({ id }: HouseholdCooker) {
  form.value.cookerId = id
  emit('again')
}
/** Does what would mend it, and tries again. */
function applyMend() {
  const mend = result?.mend
  if (!mend) return
  const at = <T,>(list: readonly T[], index: number, value: T) => list.map((one, i) => (i === index ? value : one))
  switch (mend.id) {
    case 'soak':
      form.value.items[mend.food]!.soakHours = typedAmount(mend.hours, likes.value.decimal)
      form.value.items[mend.food]!.soakIn = 'room'
      break
    case 'unlock':
      set({ locks: at(stack.value.locks, mend.food, 'any') })
      break
    case 'halve-pieces':
      form.value.items[mend.food]!.cut = 'halves'
      break
    case 'less': {
      const item = form.value.items[mend.food]!
      item.amount = typedAmount(readAmount(item.amount, likes.value.decimal) / 2, likes.value.decimal)
      break
    }
    case 'apart':
      pot.removeFood(mend.food)
      break
    case 'tin': {
      const { diameterMm, heightMm, volumeMl } = mend
      const name = t('stack.mendTin', { width: number(diameterMm) })
      kitchen.kitchen!.tins.push({ id: uuid(), name, diameterMm, heightMm, volumeMl, lid: true, material: 'steel' })
      break
    }
    case 'phases':
      pot.joinAt(mend.joins)
      return
  }
  emit('again')
}
</script>

<template>
  <div>
    <div v-if="searchProblems.length > 0" class="problems" role="alert">
      <p v-for="problem in searchProblems" :key="problem.path + problem.code">{{ problemText(problem) }}</p>
    </div>
    <div v-if="result && options.length > 0" class="options">
      <p class="soft">{{ t('stack.best', { n: number(result.fitting) }) }}</p>
      <button
        v-for="(option, i) in options"
        :key="i"
        type="button"
        class="option"
        :class="{ chosen: chosen === i }"
        :aria-pressed="chosen === i"
        @click="choose(i)"
      >
        <span class="figure">{{ option.cost }}</span>
        <span v-if="option.begin" class="soft">{{ option.begin }}</span>
        <span>{{ option.order }}</span>
        <span class="soft">{{ option.soaks }}</span>
      </button>
    </div>
    <div v-else-if="result && result.answers.length === 0 && !pot.inPhases" class="problems closest" role="alert">
      <p>{{ t(result.nearest ? 'stack.nearest' : 'stack.none') }}</p>
      <p v-if="mendText">
        <strong>{{ mendText }}</strong>
        <LinkBtn @click="applyMend">
          {{
            t(
              result.mend?.id === 'tin'
                ? 'stack.haveTin'
                : result.mend?.id === 'phases'
                  ? 'pot.later.doThat'
                  : 'stack.doThat',
            )
          }}
        </LinkBtn>
      </p>
      <p v-else-if="!elsewhere">{{ t('stack.noMend') }}</p>
      <p v-if="elsewhere">
        <strong>{{ t('stack.elsewhere', { cooker: elsewhere.name, n: form.items.length }, form.items.length) }}</strong>
        <LinkBtn @click="takeElsewhere(elsewhere)">
          {{ t('stack.takeElsewhere', { cooker: elsewhere.name }) }}
        </LinkBtn>
      </p>
      <RunStrip
        v-for="(phase, i) in phases"
        :key="i"
        :curve="phase.curve"
        :release="phase.release"
        :electric="pot.cooker !== null && heatsItself(pot.cooker.cooker.appliance)"
        :height="110"
      />
    </div>
  </div>
</template>

<style scoped>
.option {
  display: grid;
  gap: 1px;
  width: 100%;
  padding: 6px 8px;
  border: 0;
  border-top: 1px solid var(--line);
  background: none;
  color: inherit;
  font: inherit;
  font-size: 14px;
  text-align: left;
  cursor: pointer;
}
.option .figure {
  font-size: 20px;
}
.option.chosen {
  background: var(--ground-raised);
  box-shadow: inset 3px 0 var(--food);
}
.problems,
.options {
  margin: 12px 0;
  padding-left: 12px;
  border-left: 3px solid var(--danger);
}
.options {
  padding-left: 0;
  border-left: 0;
}
.closest {
  border-left-color: var(--heat);
}
.problems p,
.options p {
  margin: 0 0 6px;
}
</style>
