<script setup lang="ts">
import { leftoversOfPot, type Leftover } from '~~/core/dish/keep'
import type { CameOut } from '~~/core/learn/log-file.schema'
import type { RunWithPlan } from '~~/shared/household'

/** What a pot made goes into the fridge or the freezer, and the log says so. A pot of a dish is put away with its dish. */
const { run } = defineProps<{ run: RunWithPlan }>()
const { list } = useI18nText()
const kitchen = useKitchenStore()
const runs = useRunsStore()
const dishId = computed(() => useBegunStore().dishOfRun(run.id))

const from = computed(() => {
  const { foods } = run.plan.answer
  return leftoversOfPot(foods, kitchen.food).map(({ contents, leftover }) => ({
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
  <div v-if="!dishId && from.length > 0">
    <KeepPortions :from="from" @kept="kept" />
    <StateNotice v-if="untold" :failure="untold.failure" @retry="tell(untold.cameOut)" />
  </div>
</template>
