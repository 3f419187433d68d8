<script setup lang="ts">
import type { WayToFit } from '~~/core/dish/scale'
import type { DishDocument } from '~~/shared/dish'

/** A dish that is looked at for another number: what grows how, whether it fits, and to keep it so. */
const { dish, servings, ways, floors } = defineProps<{
  dish: DishDocument
  servings: number
  ways: readonly WayToFit[]
  /** Where a pot needs so much water whatever is in it. */
  floors: readonly { leastG: number }[]
}>()
const straight = defineModel<{ spices: boolean; fat: boolean }>({ required: true })
const emit = defineEmits<{ keep: []; back: [] }>()
const { t, number, duration, weight } = useI18nText()
const kitchen = useKitchenStore()
const count = (servings: number) => number(servings, Number.isInteger(servings) ? 0 : 1)
const wayText = (way: WayToFit) => {
  const time = duration(way.minutes)
  if (way.kind === 'batches')
    return t('dishes.fit.batches', { n: number(way.batches), each: count(way.servingsEach), time })
  if (way.kind === 'two') {
    const [first, second] = way.cookerIds.map((id) => (id === null ? ownCooker.value : cookerName(id)))
    const [n, rest] = way.servings.map(count)
    return t('dishes.fit.two', { first: first!, n: n!, second: second!, rest: rest!, time })
  }
  const stage = dish.stages.find(({ id }) => id === way.stage)
  const name = stage ? t(`dishes.kinds.${stage.kind}`) : ''
  return t('dishes.fit.cooker', { stage: name, cooker: cookerName(way.cookerId), time })
}
const cookerName = (id: string) => kitchen.loaded.cookers.find((one) => one.id === id)?.name ?? ''
/** The one that the dish is cooked in. */
const ownCooker = computed(() => {
  const id = dish.stages.find(({ pot }) => pot)?.pot?.cookerId
  return (id && cookerName(id)) || (kitchen.loaded.cookers[0]?.name ?? '')
})
</script>

<template>
  <section class="scale" role="status">
    <p>
      <strong>{{ t('dishes.scale.title', { n: number(servings), was: number(dish.servings) }) }}</strong>
      <br />
      <span class="soft">{{ t('dishes.scale.note') }}</span>
    </p>
    <div v-if="ways.length > 0" class="fit">
      <p>{{ t('dishes.fit.title') }}</p>
      <ul>
        <li v-for="(way, i) in ways" :key="i">{{ wayText(way) }}</li>
      </ul>
    </div>
    <p v-for="(floor, i) in floors" :key="i">
      {{ t('dishes.scale.floor', { g: weight(floor.leastG), was: number(dish.servings) }) }}
    </p>
    <div class="row">
      <v-checkbox v-model="straight.spices" :label="t('dishes.scale.spices')" />
      <v-checkbox v-model="straight.fat" :label="t('dishes.scale.fat')" />
      <v-btn @click="emit('keep')">
        {{ t('dishes.scale.keep', { n: number(servings) }) }}
      </v-btn>
      <LinkBtn @click="emit('back')">
        {{ t('dishes.scale.back', { was: number(dish.servings) }) }}
      </LinkBtn>
    </div>
  </section>
</template>

<style scoped>
.scale {
  margin: 0 0 12px;
  padding: 4px 0 4px 12px;
  border-inline-start: 3px solid var(--food);
}
p {
  margin: 0 0 6px;
}
.fit {
  padding-inline-start: 8px;
  border-inline-start: 3px solid var(--danger);
}
ul {
  margin: 0;
  padding-inline-start: 18px;
}
.row {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 6px 18px;
}
</style>
