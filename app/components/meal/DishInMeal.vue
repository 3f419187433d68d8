<script setup lang="ts">
import { changeDish, type Meal, type MealDish } from '~~/shared/meal'

/** How one dish of a dinner is had otherwise than the rest: at its own hour, in another's pot, made before, left to wait. */
const { meal, dish } = defineProps<{ meal: Meal; dish: MealDish }>()
const emit = defineEmits<{ change: [by: (meal: Meal) => Meal] }>()
const { t } = useI18nText()

const set = (part: Partial<MealDish>) => emit('change', (of) => changeDish(of, dish.key, part))
const servedBefore = computed({
  get: () => dish.servedBefore ?? 0,
  set: (minutes: number) => set({ servedBefore: minutes > 0 ? Math.round(minutes) : undefined }),
})
/** Only a dish with one pot stands in another's, which has no tin of its own yet and is not in one itself. */
const potsOf = ({ dish: { stages } }: MealDish) => stages.filter(({ kind }) => kind === 'pot').length
const hosts = computed(() =>
  meal.dishes.filter((one) => one.key !== dish.key && !one.inPotOf && potsOf(one) === 1 && !one.ahead),
)
const pots = computed(() => [
  { value: '', title: t('meals.dish.ownPot') },
  ...hosts.value.map((one) => ({ value: one.key, title: t('meals.dish.tinIn', { host: one.dish.name }) })),
])
const canBeGuest = computed(
  () => potsOf(dish) === 1 && hosts.value.length > 0 && !meal.dishes.some(({ inPotOf }) => inPotOf === dish.key),
)
</script>

<template>
  <div role="group" class="fields" :aria-label="t('meals.dish.of', { dish: dish.dish.name })">
    <NumberField
      v-model="servedBefore"
      :label="t('meals.dish.before')"
      bound="servedBefore"
      :digits="1"
      :suffix="t('units.min')"
    />
    <PickField
      v-if="canBeGuest"
      :model-value="dish.inPotOf ?? ''"
      :label="t('meals.dish.pot')"
      :choices="pots"
      @update:model-value="(host) => set({ inPotOf: host ? String(host) : undefined })"
    />
    <v-checkbox
      v-if="!dish.inPotOf"
      :model-value="dish.ahead"
      :label="t('meals.dish.ahead')"
      @update:model-value="(is) => set({ ahead: is === true })"
    />
    <v-checkbox
      v-if="!dish.ahead"
      :model-value="dish.waits ?? false"
      :label="t('meals.dish.waits')"
      @update:model-value="(is) => set({ waits: is === true || undefined })"
    />
  </div>
</template>

<style scoped>
.fields {
  grid-column: 1 / -1;
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(220px, 1fr));
  align-items: center;
  gap: 8px 16px;
  padding: 8px 0 12px;
}
</style>
