<script setup lang="ts">
import { heatsItself } from '~~/core/appliance/appliance'
import type { Stage } from '~~/core/dish/dish.schema'
import type { StageAnswer } from '~~/core/dish/dish'

/** A pot stage unfolded: how its water adds up, how far its foods come, what the recipe said for its own pot. */
const { pot, stage } = defineProps<{ pot: NonNullable<StageAnswer['pot']>; stage: Stage }>()
const { t, number } = useI18nText()
const { writtenFigure } = useDishWords()
const kitchen = useKitchenStore()
const first = computed(() => pot.answer.closings[0]!)
const isTooMuch = computed(() => pot.answer.cautions.some(({ id }) => id === 'too-full'))
const keptSoak = computed(() => pot.request.contents.some(({ soak }) => soak?.keepWater && soak.waterG === undefined))

/** The whole plan with its range and its curve, which the dish itself does not wait for. */
const { result: whole } = useWorked(
  () => pot.request,
  (work, request) => work.plan(request),
)
const curve = computed(() => whole.value?.curves?.[0] ?? null)
const rangeText = computed(() => {
  if (!whole.value?.outcome.ok) return ''
  return Object.values(surenessWords(t, number, whole.value.outcome.value.closings[0]!)).join(' ')
})
const foods = computed(() => pot.answer.foods.map(({ food }) => kitchen.foodName(food)))

const asked = computed(() =>
  stage.pot?.written ? { request: pot.request, answer: pot.answer, written: stage.pot.written } : null,
)
const { result: there } = useWorked(asked, (work, { request, answer, written }) =>
  work.elsewhere(request, answer, written),
)
const writtenText = computed(() => {
  const written = stage.pot?.written
  return written ? t('dishes.written.line', { figure: writtenFigure(written) }) : ''
})
</script>

<template>
  <div class="pot">
    <BatchesNote v-if="isTooMuch" :request="pot.request" in-dish class="all" />
    <WaterSum :water="first.water" :cup="kitchen.cup" :kept-soak="keptSoak" />
    <div class="windows">
      <FoodWindow
        v-for="(food, i) in pot.answer.foods"
        :key="i"
        :food="food"
        :name="kitchen.foodName(food.food)"
        named
        :textures="windowNames(t, kitchen.food(food.food))"
      />
      <div v-if="writtenText" class="written">
        <p>{{ writtenText }}</p>
        <template v-if="there?.ok">
          <p v-for="food in there.value.foods" :key="food.food">
            {{
              t('dishes.written.there', {
                food: kitchen.foodName(food.food),
                there: number(food.getsThere),
                needs: number(food.needs),
                here: number(food.gets),
              })
            }}
          </p>
        </template>
      </div>
    </div>
    <div v-if="curve" class="all">
      <p>{{ rangeText }}</p>
      <RunStrip
        :curve="curve"
        :release="pot.answer.release"
        :electric="heatsItself(first.case.appliance)"
        :foods="foods"
        :height="150"
      />
    </div>
    <CautionList :cautions="pot.answer.cautions" class="all" />
  </div>
</template>

<style scoped>
.pot {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  gap: 18px 32px;
}
.windows {
  display: grid;
  align-content: start;
  gap: 12px;
}
.written {
  padding-inline-start: 10px;
  border-inline-start: 3px solid var(--steam);
  font-size: 14.5px;
}
p {
  margin: 0 0 3px;
}
.all {
  grid-column: 1 / -1;
}
@media (max-width: 719px) {
  .pot {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
