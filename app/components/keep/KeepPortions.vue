<script setup lang="ts">
import { v4 as uuid } from 'uuid'
import type { Leftover } from '~~/core/dish/keep'
import { KEEPING_PLACES } from '~~/core/names'
import { portionOf, type Portion } from '~~/shared/portion'

/** What is left of a dish or a pot goes into the fridge or the freezer, in portions, with its day. */
const { from, dishId = null } = defineProps<{
  /** One or several things that can be put away. */
  from: readonly { name: string; leftover: Leftover }[]
  dishId?: string | null
}>()
const emit = defineEmits<{
  kept: [put: { portions: number; place: Portion['place']; leftover: Leftover }]
}>()
const { t, weight } = useI18nText()
const { today } = useToday()
const store = usePortionsStore()
const index = ref(0)
const chosen = computed(() => from[index.value] ?? from[0]!)
const portions = ref(1)
const place = ref<Portion['place']>('fridge')
const busy = ref(false)
const failed = ref(false)
/** What was put away last. */
const kept = ref('')
// One id for one keeping, so that pressing twice keeps it once.
const ids = new Map<string, string>()
const idOf = (name: string) => ids.get(name) ?? ids.set(name, uuid()).get(name)!
async function keep() {
  busy.value = true
  failed.value = false
  try {
    const { name, leftover } = chosen.value
    const put = { portions: Math.round(portions.value), place: place.value, today: today() }
    await store.add({ content: portionOf(leftover, { name, dishId }, put) }, idOf(name))
    kept.value = name
    emit('kept', { ...put, leftover })
  } catch {
    failed.value = true
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <section class="keep">
    <h2>{{ t('keep.title') }}</h2>
    <p v-if="kept" role="status">
      {{ t('keep.kept', { name: kept }) }} <NuxtLink to="/larder">{{ t('app.nav.larder') }}</NuxtLink>
    </p>
    <template v-if="chosen.name !== kept">
      <p class="soft">{{ t('keep.text', { g: weight(chosen.leftover.massG / chosen.leftover.portions) }) }}</p>
      <div class="row">
        <PickField
          v-if="from.length > 1"
          v-model="index"
          :label="t('keep.what')"
          :choices="from.map(({ name }, value) => ({ value, title: name }))"
        />
        <NumberField v-model="portions" :label="t('keep.portions')" bound="servings" :digits="0" />
        <ChoiceBar
          v-model="place"
          :label="t('keep.place')"
          :choices="KEEPING_PLACES.map((value) => ({ value, text: t(`keep.places.${value}`) }))"
        />
        <v-btn size="large" :disabled="busy || !(portions >= 1)" @click="keep">
          {{ t('keep.put') }}
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
h2,
p {
  margin: 0;
}
h2 {
  font-size: 17px;
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
