<script setup lang="ts">
import { leftoversOfPot, type Leftover } from '~~/core/dish/keep'
import { isWatched } from '~~/core/food/watched'
import { wasCookedAsPlanned } from '~~/core/live/facts'
import { runState } from '~~/core/live/run'
import type { CameOut } from '~~/core/learn/log-file.schema'
import type { RunWithPlan } from '~~/shared/household'

/** What a pot made goes into the fridge or the freezer, and the log says so. A pot of a dish is put away with its dish. */
const { run } = defineProps<{ run: RunWithPlan }>()
const { t, list } = useI18nText()
const kitchen = useKitchenStore()
const runs = useRunsStore()
const dishId = computed(() => useBegunStore().dishOfRun(run.id))

/**
 * Whether it is shown that a food was cooked through: the pot got what was planned, and nobody found it too hard. For what
 * makes people ill half-cooked a plan is no proof.
 */
function isShown(content: number): boolean {
  const food = kitchen.food(run.plan.answer.foods[content]!.food)
  if (!food || !isWatched(food)) return true
  const verdict = run.verdicts.find((one) => one.content === content)
  return wasCookedAsPlanned(run.plan.answer, runState(run.events)) && (verdict?.texture ?? 0) >= 0
}
const isOpened = computed(() => runState(run.events).phase === 'opened')
const doubtful = computed(() =>
  run.plan.answer.foods.flatMap(({ food }, content) => (isShown(content) ? [] : [kitchen.foodName(food)])),
)
const from = computed(() => {
  const { foods } = run.plan.answer
  const safe = leftoversOfPot(foods, kitchen.food).filter(({ contents }) => contents.every(isShown))
  return safe.map(({ contents, leftover }) => ({
    name: list(contents.map((content) => kitchen.foodName(foods[content]!.food))),
    leftover,
  }))
})
const untold = ref<{ cameOut: CameOut; failure: ApiFailure } | null>(null)
async function tell(cameOut: CameOut) {
  untold.value = null
  try {
    await runs.say(run.id, { cameOut })
  } catch (error) {
    untold.value = { cameOut, failure: failureOf(error) }
  }
}
const kept = ({ portions, place, leftover }: { portions: number; place: CameOut['place']; leftover: Leftover }) =>
  tell({ massG: Math.round(leftover.massG), servings: leftover.portions, keptPortions: portions, place })
</script>

<template>
  <div v-if="!dishId && isOpened">
    <p v-if="doubtful.length > 0" class="doubt" role="note">
      {{ t('keep.doubtful', { foods: list(doubtful) }) }}
    </p>
    <KeepPortions v-if="from.length > 0" :from="from" @kept="kept" />
    <StateNotice v-if="untold" :failure="untold.failure" @retry="tell(untold.cameOut)" />
  </div>
</template>

<style scoped>
.doubt {
  margin: 0 0 10px;
  padding-inline-start: 10px;
  border-inline-start: 3px solid var(--danger);
}
</style>
