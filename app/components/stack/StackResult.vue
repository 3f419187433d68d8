<script setup lang="ts">
import { v4 as uuid } from 'uuid'
import { heatsItself } from '~~/core/appliance/appliance'
import { readAmount, typedAmount } from '~~/core/quantity/number'
import { simulate } from '~~/core/pot/simulate'
import type { Problem } from '~~/core/problem'
import type { Repair } from '~~/core/stack/repair'
import type { HouseholdCooker } from '~~/shared/kitchen'
import type { StackAnswer, StackResult } from '~~/core/stack/search'

/** What the search found: the best ways with what each costs, or what comes closest and what would repair it. */
const {
  result,
  elsewhere,
  problems: searchProblems,
} = defineProps<{
  result: (StackResult & { repair: Repair | null }) | null
  /** Another cooker in which it all goes. */
  elsewhere: HouseholdCooker | null
  problems: readonly Problem[]
}>()
const emit = defineEmits<{ take: [answer: StackAnswer]; again: [] }>()
const { t, list, likes, number, length, duration, problemText } = useI18nText()
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
const repairText = computed(() => {
  const repair = result?.repair
  if (!repair) return null
  switch (repair.id) {
    case 'soak':
      return t('stack.repair.soak', {
        food: foodName(repair.food),
        hours: number(repair.hours, repair.hours % 1 ? 1 : 0),
      })
    case 'tin':
      return t('stack.repair.tin', { width: length(repair.diameterMm), height: length(repair.heightMm) })
    case 'phases':
      return repair.closings
        .map(({ adds, range: { unit, figure } }, i) =>
          t(i === 0 ? 'pot.together.first' : 'pot.together.then', {
            foods: list(adds.map(foodName)),
            figure: t(`pot.elsewhere.${unit}`, { n: figure }, figure),
          }),
        )
        .join(' ')
    default:
      return t(`stack.repair.${repair.id}`, { food: foodName(repair.food) })
  }
})
/** The phases that would do it, each as a strip of its own. */
const phases = computed(() => {
  const repair = result?.repair
  return repair?.id === 'phases'
    ? repair.closings.map((closing) => ({
        release: closing.case.release,
        curve: simulate(closing.case, { trace: true }),
      }))
    : []
})
function takeElsewhere({ id }: HouseholdCooker) {
  form.value.cookerId = id
  emit('again')
}
/** Does what would repair it, and tries again. */
function applyRepair() {
  const repair = result?.repair
  if (!repair) return
  const at = <T,>(list: readonly T[], index: number, value: T) => list.map((one, i) => (i === index ? value : one))
  switch (repair.id) {
    case 'soak':
      form.value.items[repair.food]!.soakHours = typedAmount(repair.hours, likes.value.decimal)
      form.value.items[repair.food]!.soakIn = 'room'
      break
    case 'unlock':
      set({ locks: at(stack.value.locks, repair.food, 'any') })
      break
    case 'halve-pieces':
      form.value.items[repair.food]!.cut = 'halves'
      break
    case 'less': {
      const item = form.value.items[repair.food]!
      item.amount = typedAmount(readAmount(item.amount, likes.value.decimal) / 2, likes.value.decimal)
      break
    }
    case 'apart':
      pot.removeFood(repair.food)
      break
    case 'tin': {
      const { diameterMm, heightMm, volumeMl } = repair
      const name = t('stack.repairTin', { width: length(diameterMm) })
      kitchen.loaded.tins.push({ id: uuid(), name, diameterMm, heightMm, volumeMl, lid: true, material: 'steel' })
      break
    }
    case 'phases':
      pot.joinAt(repair.joins)
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
      <RowBtn
        v-for="(option, i) in options"
        :key="i"
        class="option"
        :class="{ chosen: chosen === i }"
        :aria-pressed="chosen === i"
        @click="choose(i)"
      >
        <span class="figure">{{ option.cost }}</span>
        <span v-if="option.begin" class="soft">{{ option.begin }}</span>
        <span>{{ option.order }}</span>
        <span class="soft">{{ option.soaks }}</span>
      </RowBtn>
    </div>
    <div v-else-if="result && result.answers.length === 0 && !pot.inPhases" class="problems closest" role="alert">
      <p>{{ t(result.nearest ? 'stack.nearest' : 'stack.none') }}</p>
      <p v-if="repairText">
        <strong>{{ repairText }}</strong>
        <LinkBtn @click="applyRepair">
          {{
            t(
              result.repair?.id === 'tin'
                ? 'stack.haveTin'
                : result.repair?.id === 'phases'
                  ? 'pot.later.doThat'
                  : 'stack.doThat',
            )
          }}
        </LinkBtn>
      </p>
      <p v-else-if="!elsewhere">{{ t('stack.noRepair') }}</p>
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
  padding: 6px 8px;
  border-top: 1px solid var(--line);
  font-size: 14px;
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
  padding-inline-start: 12px;
  border-inline-start: 3px solid var(--danger);
}
.options {
  padding-inline-start: 0;
  border-inline-start: 0;
}
.closest {
  border-inline-start-color: var(--heat);
}
.problems p,
.options p {
  margin: 0 0 6px;
}
</style>
