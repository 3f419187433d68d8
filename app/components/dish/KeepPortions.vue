<script setup lang="ts">
import { v4 as uuid } from 'uuid'
import type { DishAnswer } from '~~/core/dish/dish'
import type { DishDocument } from '~~/shared/dish'
import { KEEPING_PLACES } from '~~/core/names'
import { portionOf, type Portion } from '~~/shared/portion'

/** What is left of a dish goes into the fridge or the freezer, in portions, with its day. */
const { dish, answer, dishId } = defineProps<{ dish: DishDocument; answer: DishAnswer; dishId: string }>()
const emit = defineEmits<{ kept: [put: { portions: number; place: Portion['place'] }] }>()
const { t, weight } = useI18nText()
const { today } = useToday()
const store = usePortionsStore()
const portions = ref(1)
const place = ref<Portion['place']>('fridge')
const busy = ref(false)
const failed = ref(false)
const kept = ref(false)
// One id for one keeping, so that pressing twice keeps it once.
const id = uuid()
async function keep() {
  busy.value = true
  failed.value = false
  try {
    const of = { name: dish.name, servings: dish.servings, dishId }
    const put = { portions: Math.round(portions.value), place: place.value, today: today() }
    await store.add({ content: portionOf(answer, of, put) }, id)
    kept.value = true
    emit('kept', put)
  } catch {
    failed.value = true
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <section class="keep">
    <h3>{{ t('dishes.keep.title') }}</h3>
    <p v-if="kept" role="status">
      {{ t('dishes.keep.kept') }} <NuxtLink to="/larder">{{ t('app.nav.larder') }}</NuxtLink>
    </p>
    <template v-else>
      <p class="soft">{{ t('dishes.keep.text', { g: weight(answer.massG / dish.servings) }) }}</p>
      <div class="row">
        <NumberField v-model="portions" :label="t('dishes.keep.portions')" bound="servings" :digits="0" />
        <ChoiceBar
          v-model="place"
          :label="t('dishes.keep.place')"
          :choices="KEEPING_PLACES.map((value) => ({ value, text: t(`dishes.keep.places.${value}`) }))"
        />
        <v-btn size="large" :disabled="busy || !(portions >= 1)" @click="keep">
          {{ t('dishes.keep.put') }}
        </v-btn>
      </div>
      <CautionList :cautions="[{ id: 'cool-in-time', severity: 'warn', params: {} }]" />
    </template>
    <p v-if="failed" class="tone-danger" role="alert">{{ t('errors.network') }}</p>
  </section>
</template>

<style scoped>
.keep {
  display: grid;
  gap: 10px;
}
h3,
p {
  margin: 0;
}
.row {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 10px;
}
.row > :first-child {
  width: 150px;
}
</style>
