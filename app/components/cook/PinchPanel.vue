<script setup lang="ts">
import { openedState, type Following } from '~~/core/live/follow'
import type { RunEventData } from '~~/core/live/event.schema'
import type { Pinch } from '~~/core/names'
import type { SavedPlan } from '~~/shared/household'

/** “Not yet”: what it takes from the pot as it now is, and the way back onto the flame. */
const { plan, following } = defineProps<{ plan: SavedPlan; following: Following }>()
const emit = defineEmits<{ add: [data: RunEventData] }>()
const { t, duration, weight } = useI18nText()
const { foodName } = useKitchenStore()

const open = ref(false)
const pinches = ref<('done' | Pinch)[]>(plan.answer.foods.map(() => 'firm'))
const choices = (['done', 'firm', 'hard'] as const).map((value) => ({ value, text: t(`cook.pinch.${value}`) }))
const felt = computed(() => pinches.value.map((one) => (one === 'done' ? null : one)))
const allDone = computed(() => felt.value.every((one) => one === null))

const { more, problem, ask } = useNextClosing(() => plan)
watch(
  [open, felt, () => following.outlook],
  () => {
    const { course } = following
    const opened = openedState(following)
    if (!open.value || !opened || allDone.value) return void ask(null)
    // What is done needs nothing more; the others go by how they feel.
    const gets = opened.gets.map((got, i) =>
      felt.value[i] === null ? Math.max(got, course.had[i]! + course.closing.needs[i]!) : got,
    )
    void ask({ ...opened, gets, pinch: [...felt.value] })
  },
  { immediate: true },
)
function close() {
  if (!more.value) return
  const { figure, addWaterG } = more.value
  emit('add', { kind: 'goes-on', figure, addWaterG, pinch: [...felt.value] })
}
</script>

<template>
  <section class="pinch">
    <v-btn v-if="!open" size="large" @click="open = true">{{ t('cook.pinch.notYet') }}</v-btn>
    <template v-else>
      <h2>{{ t('cook.pinch.title') }}</h2>
      <div v-for="({ food }, i) in plan.answer.foods" :key="i" class="food">
        <span>{{ foodName(food) }}</span>
        <ChoiceBar v-model="pinches[i]!" :label="foodName(food)" :choices="choices" />
      </div>
      <p v-if="problem" class="tone-danger" role="alert">{{ problem }}</p>
      <p v-else-if="more && !allDone" class="remedy" role="status">
        <template v-if="more.addWaterG > 0">{{ t('pot.remedy.water', { grams: weight(more.addWaterG) }) }} </template>
        {{
          t('pot.remedy.more', {
            figure: t(`pot.elsewhere.${more.unit}`, { n: more.figure }, more.figure),
            time: duration(more.minutes),
          })
        }}
      </p>
      <div class="end">
        <v-btn variant="flat" color="primary" size="large" :disabled="!more || allDone" @click="close">{{
          t('cook.pinch.close')
        }}</v-btn>
        <v-btn variant="text" size="large" @click="open = false">{{ t('cook.pinch.leave') }}</v-btn>
      </div>
    </template>
  </section>
</template>

<style scoped>
.pinch {
  display: grid;
  gap: 10px;
  justify-items: start;
}
h2 {
  margin: 0;
  font-size: 20px;
}
.food {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 4px 14px;
}
.remedy {
  margin: 0;
  font-size: 20px;
}
.end {
  display: flex;
  gap: 8px;
}
</style>
