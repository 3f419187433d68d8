<script setup lang="ts">
import type { WayToFit } from '~~/core/dish/scale'
import type { DishDocument } from '~~/shared/dish'

/** A dish that is looked at for another number: what grows how, whether it fits, and to keep it so. */
const { dish, servings, ways } = defineProps<{ dish: DishDocument; servings: number; ways: readonly WayToFit[] }>()
const straight = defineModel<{ spices: boolean; fat: boolean }>({ required: true })
const emit = defineEmits<{ keep: []; back: [] }>()
const { t, number } = useI18nText()
const kitchen = useKitchenStore()
const wayText = (way: WayToFit) => {
  if (way.kind === 'batches') return t('dishes.fit.batches', { n: number(way.batches) })
  const stage = dish.stages.find(({ id }) => id === way.stage)
  const cooker = kitchen.loaded.cookers.find(({ id }) => id === way.cookerId)?.name ?? ''
  return t('dishes.fit.cooker', { stage: stage ? t(`dishes.kinds.${stage.kind}`) : '', cooker })
}
</script>

<template>
  <section class="scale" role="status">
    <p>
      <strong>{{ t('dishes.scale.title', { n: number(servings), was: number(dish.servings) }) }}</strong>
      <br />
      <span class="soft">{{ t('dishes.scale.note') }}</span>
    </p>
    <p v-if="ways.length > 0" class="fit">
      {{ t('dishes.fit.title') }}
      <template v-for="(way, i) in ways" :key="i">{{ i > 0 ? '; ' : '' }}{{ wayText(way) }}</template>
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
  border-left: 3px solid var(--food);
}
p {
  margin: 0 0 6px;
}
.fit {
  padding-left: 8px;
  border-left: 3px solid var(--danger);
}
.row {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 6px 18px;
}
</style>
