<script setup lang="ts">
import type { ImportedDish } from '~~/core/formats/recipe-dish'
import { LENGTH } from '~~/core/bounds'
import { foodOf } from '~~/shared/kitchen'
import { potsToTake } from '~~/shared/dish'
import { DISH_SHAPE } from '~~/shared/shapes'

/** Brings a recipe in: pasted or from a file, looked over beside what became of it, then kept as a dish. */
const { t, problemText } = useI18nText()
const kitchen = useKitchenStore()
const dishes = useDishesStore()
const MOST_BYTES = 2_000_000

const text = ref('')
const busy = ref(false)
const problem = ref<string | null>(null)
const found = shallowRef<ImportedDish | null>(null)
watch(text, () => (problem.value = null))

const { language } = useLanguage()
type More = { name: string; volumeMl: number }
const measuring = (more?: More) => {
  const { likes, measures, foods } = kitchen.loaded
  return toPlain({
    decimal: likes.decimal,
    cupMl: kitchen.cup.volumeMl,
    measures: more ? [...measures, { id: 'asked', ...more }] : measures,
    foods: foods.map(foodOf),
  })
}
async function read() {
  busy.value = true
  problem.value = null
  try {
    const pots = toPlain(potsToTake(kitchen.loaded))
    const outcome = await useWorker('beside').importRecipe(text.value, pots, measuring(), language.value)
    if (outcome.ok) found.value = outcome.value
    else problem.value = problemText(outcome.problems[0]!)
  } catch {
    problem.value = t('errors.computing')
  } finally {
    busy.value = false
  }
}
const reread = async (typed: string, more?: More) =>
  (await useWorker('beside').readLines([typed], measuring(more), language.value))[0]!
async function choose(chosen: File | File[] | null | undefined) {
  const file = Array.isArray(chosen) ? chosen[0] : chosen
  if (!file) return
  if (file.size > MOST_BYTES) {
    problem.value = t('dishes.import.tooLarge')
    return
  }
  text.value = await file.text()
  await nextTick()
  await read()
}
async function keep(dish: ImportedDish['dish']) {
  busy.value = true
  problem.value = null
  try {
    const isOurs = found.value?.steps.length === 0
    const note = isOurs ? dish.note : text.value.slice(0, LENGTH.note)
    const kept = await dishes.add({
      content: { shape: DISH_SHAPE, ...toPlain(dish), ...(note ? { note } : {}) },
    })
    await navigateTo(`/dishes/${kept.id}`)
  } catch (error) {
    const failure = failureOf(error)
    problem.value = failure.problems[0] ? problemText(failure.problems[0]) : t('errors.network')
  } finally {
    busy.value = false
  }
}
useHead({ title: () => `${t('dishes.import.title')} · Bivvet` })
</script>

<template>
  <div>
    <form v-if="!found" class="import" @submit.prevent="read">
      <h1>{{ t('dishes.import.title') }}</h1>
      <p class="soft">{{ t('dishes.import.text') }}</p>
      <v-textarea v-model="text" :label="t('dishes.import.paste')" rows="12" auto-grow spellcheck="false" />
      <v-file-input
        :label="t('dishes.import.file')"
        accept=".json,.jsonld,.html,.htm,.txt,application/ld+json,application/json,text/html,text/plain"
        density="compact"
        variant="outlined"
        hide-details
        @update:model-value="choose"
      />
      <div class="row">
        <v-btn variant="flat" type="submit" color="primary" size="large" :disabled="busy || text.trim() === ''">
          {{ t('dishes.import.read') }}
        </v-btn>
        <v-btn variant="text" to="/dishes">{{ t('dishes.backToDishes') }}</v-btn>
      </div>
    </form>
    <RecipeLook v-else :text="text" :found="found" :busy="busy" :reread="reread" @keep="keep" @again="found = null" />
    <p v-if="problem" class="tone-danger problem" role="alert">{{ problem }}</p>
  </div>
</template>

<style scoped>
.import {
  display: grid;
  gap: 10px;
  max-width: 720px;
  padding: 16px 24px 40px;
}
h1 {
  margin: 0;
  font-size: 21px;
}
p {
  margin: 0;
}
.row {
  display: flex;
  gap: 12px;
}
.problem {
  padding: 0 24px 24px;
}
</style>
