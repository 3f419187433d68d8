<script setup lang="ts">
import type { ImportedDish } from '~~/core/formats/recipe-dish'
import { foodOf } from '~~/shared/kitchen'
import { usualPot } from '~~/shared/dish'
import { DISH_SHAPE } from '~~/shared/shapes'

/** Brings a recipe in: pasted or from a file, looked at, then made a dish of this household. */
const emit = defineEmits<{ close: [] }>()
const { t, number, problemText } = useI18nText()
const kitchen = useKitchenStore()
const dishes = useDishesStore()
const MOST_BYTES = 2_000_000

const text = ref('')
const busy = ref(false)
const problem = ref<string | null>(null)
const found = shallowRef<ImportedDish | null>(null)
watch(text, () => {
  found.value = null
  problem.value = null
})

async function read() {
  busy.value = true
  problem.value = null
  try {
    const { likes, measures, foods } = kitchen.kitchen!
    const measuring = JSON.parse(
      JSON.stringify({ decimal: likes.decimal, cupMl: kitchen.cup.volumeMl, measures, foods: foods.map(foodOf) }),
    )
    const settings = JSON.parse(JSON.stringify(usualPot(kitchen.kitchen!)))
    const outcome = await useWorker('beside').importRecipe(text.value, settings, measuring)
    if (outcome.ok) found.value = outcome.value
    else problem.value = problemText(outcome.problems[0]!)
  } catch {
    problem.value = t('errors.computing')
  } finally {
    busy.value = false
  }
}
async function choose(event: Event) {
  const input = event.target as HTMLInputElement
  const file = input.files?.[0]
  input.value = ''
  if (!file) return
  if (file.size > MOST_BYTES) {
    problem.value = t('dishes.import.tooLarge')
    return
  }
  text.value = await file.text()
  await nextTick()
  await read()
}
const open = computed(() => (found.value?.dish.lines ?? []).filter(({ what }) => what === null).length)
async function make() {
  if (!found.value) return
  busy.value = true
  try {
    const kept = await dishes.add({ shape: DISH_SHAPE, ...found.value.dish })
    await navigateTo(`/dishes/${kept.id}`)
  } catch (error) {
    const failure = failureOf(error)
    problem.value = failure.problems[0] ? problemText(failure.problems[0]) : t('errors.network')
  } finally {
    busy.value = false
  }
}
const file = useTemplateRef<HTMLInputElement>('file')
</script>

<template>
  <section class="import">
    <h2>{{ t('dishes.import.title') }}</h2>
    <p class="soft">{{ t('dishes.import.text') }}</p>
    <label for="recipe-text" class="soft">{{ t('dishes.import.paste') }}</label>
    <textarea id="recipe-text" v-model="text" rows="8" spellcheck="false" />
    <div class="row">
      <button type="button" class="quiet-button" :disabled="busy || text.trim() === ''" @click="read">
        {{ t('dishes.import.read') }}
      </button>
      <button type="button" class="quiet-button" @click="file?.click()">{{ t('dishes.import.file') }}</button>
      <input
        ref="file"
        type="file"
        accept=".json,.jsonld,.html,.htm,.txt,application/ld+json,application/json,text/html,text/plain"
        class="hidden-text"
        tabindex="-1"
        :aria-label="t('dishes.import.file')"
        @change="choose"
      />
      <button type="button" class="link-button" @click="emit('close')">{{ t('dishes.stage.done') }}</button>
    </div>
    <p v-if="problem" class="tone-danger" role="alert">{{ problem }}</p>
    <div v-if="found" class="found" role="status">
      <p>
        <strong>
          {{
            t('dishes.import.found', {
              name: found.dish.name,
              lines: number(found.dish.lines.length),
              stages: number(found.dish.stages.length),
            })
          }}
        </strong>
      </p>
      <p v-if="open > 0">{{ t('dishes.import.open', { n: number(open) }, open) }}</p>
      <button type="button" class="quiet-button solid large" :disabled="busy" @click="make">
        {{ t('dishes.import.asDish') }}
      </button>
    </div>
  </section>
</template>

<style scoped>
.import {
  display: grid;
  gap: 8px;
  max-width: 640px;
  margin: 12px 0 20px;
}
h2 {
  margin: 0;
  font-size: 17px;
}
p {
  margin: 0;
}
textarea {
  width: 100%;
  padding: 8px 10px;
  border: 1px solid color-mix(in srgb, var(--ink) 35%, transparent);
  border-radius: 4px;
  background: none;
  color: inherit;
  font: inherit;
  font-size: 14.5px;
}
.row {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px 14px;
}
.found {
  display: grid;
  justify-items: start;
  gap: 6px;
  padding-left: 12px;
  border-left: 3px solid var(--food);
}
</style>
