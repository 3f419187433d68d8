<script setup lang="ts">
import { joinedState, type Following } from '~~/core/live/follow'
import type { RunEventData } from '~~/core/live/event.schema'
import type { SavedPlan } from '~~/shared/household'

/** The pot stands open and the rest goes in: what, with how much water, and for how long, from the pot as it now is. */
const { plan, following } = defineProps<{ plan: SavedPlan; following: Following }>()
const emit = defineEmits<{ add: [data: RunEventData] }>()
const { t, duration, weight } = useI18nText()
const { foodName } = useKitchenStore()

const later = computed(() => plan.answer.closings[following.course.closing.number + 1]!)
const foods = computed(() =>
  later.value.adds.map((index) => {
    const { food, dryG, tinWaterG } = plan.answer.foods[index]!
    const what = t('units.amountOf', { grams: weight(dryG), food: foodName(food) })
    return tinWaterG === null ? what : t('cook.inTin', { food: what, water: weight(tinWaterG) })
  }),
)
const { more, problem, ask } = useNextClosing(() => plan)
watch(
  () => following,
  (now) => void ask(joinedState(plan, now)),
  { immediate: true },
)
function close() {
  if (!more.value) return
  const { figure, addWaterG } = more.value
  emit('add', { kind: 'goes-on', figure, addWaterG, pinch: [], joins: true })
}
</script>

<template>
  <section class="put-in" @click.stop>
    <ul>
      <li v-if="more && more.addWaterG > 0" class="tone-water">
        {{ t('pot.remedy.water', { grams: weight(more.addWaterG) }) }}
      </li>
      <li v-for="(food, i) in foods" :key="i">{{ food }}</li>
    </ul>
    <p v-if="problem" class="tone-danger" role="alert">{{ problem }}</p>
    <p v-else-if="more" class="then" role="status">
      {{
        t('pot.remedy.more', {
          figure: t(`pot.elsewhere.${more.unit}`, { n: more.figure }, more.figure),
          time: duration(more.minutes),
        })
      }}
    </p>
    <v-btn variant="flat" color="primary" size="x-large" :disabled="!more" @click="close">{{
      t('cook.putIn.done')
    }}</v-btn>
    <LinkBtn @click="emit('add', { kind: 'abandoned' })">
      {{ t('cook.putIn.leave') }}
    </LinkBtn>
  </section>
</template>

<style scoped>
.put-in {
  display: grid;
  align-content: start;
  justify-items: start;
  gap: 12px;
  margin-top: 14px;
}
ul {
  margin: 0;
  padding: 0;
  list-style: none;
  font-size: clamp(22px, 2.6vw, 34px);
  font-weight: 650;
}
.then {
  margin: 0;
  font-size: 20px;
}
</style>
