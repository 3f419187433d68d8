<script setup lang="ts">
import { useSessionStorage, watchDebounced } from '@vueuse/core'
import type { RunWithPlan } from '~~/shared/household'

/** How one food of a run came out: texture and water on five steps, and a note. */
const { run, content, foodId } = defineProps<{
  run: RunWithPlan
  /** Which of the plan's foods: the same may be in a pot twice. */
  content: number
  foodId: string
}>()
const runs = useRunsStore()
const { t } = useI18nText()
const { foodName } = useKitchenStore()

const KEEP_NOTE_MS = 1500
const STEPS = ['-2', '-1', '0', '1', '2'] as const
const earlier = computed(() => run.verdicts.find((verdict) => verdict.content === content) ?? null)
const texture = ref('')
const water = ref('')
/** What is typed is kept on this device until it is kept in the log. */
const note = useSessionStorage(`bivvet-note-${run.id}-${content}`, '')
const saving = ref(false)
const saved = ref(false)
const failure = ref<ApiFailure | null>(null)
watch(
  earlier,
  (known, before) => {
    if (!known || before) return
    texture.value = String(known.texture)
    water.value = String(known.water)
    // What was typed meanwhile is the cook's.
    if (note.value === '') note.value = known.note
  },
  { immediate: true },
)
watch([texture, water, note], () => (saved.value = false))
// With a verdict the note keeps itself.
watchDebounced(note, () => complete.value && note.value !== (earlier.value?.note ?? '') && void save(), {
  debounce: KEEP_NOTE_MS,
})
// Two taps are the verdict: it is kept with the second.
watch([texture, water], () => complete.value && !same() && void save())
const same = () =>
  earlier.value !== null &&
  String(earlier.value.texture) === texture.value &&
  String(earlier.value.water) === water.value

const choices = (scale: 'textures' | 'waters') =>
  STEPS.map((value) => ({ value: value as string, text: t(`verdict.${scale}.${value}`) }))
const complete = computed(() => texture.value !== '' && water.value !== '')

async function save() {
  saving.value = true
  failure.value = null
  try {
    const body = { content, foodId, texture: Number(texture.value), water: Number(water.value), note: note.value }
    await runs.judge(run.id, body)
    saved.value = true
  } catch (error) {
    failure.value = failureOf(error)
  } finally {
    saving.value = false
  }
}
</script>

<template>
  <form class="verdict" @submit.prevent="save">
    <div>
      <span class="soft label">{{ t('verdict.texture', { food: foodName(foodId) }) }}</span>
      <ChoiceBar
        v-model="texture"
        :label="t('verdict.texture', { food: foodName(foodId) })"
        :choices="choices('textures')"
      />
    </div>
    <div>
      <span class="soft label">{{ t('verdict.water') }}</span>
      <ChoiceBar v-model="water" :label="t('verdict.water')" :choices="choices('waters')" />
    </div>
    <v-textarea v-model="note" :label="t('verdict.note')" rows="2" auto-grow maxlength="2000" />
    <div class="end">
      <v-btn
        v-if="note !== (earlier?.note ?? '')"
        variant="flat"
        type="submit"
        color="primary"
        :disabled="!complete"
        :loading="saving"
      >
        {{ t('verdict.keepNote') }}
      </v-btn>
      <span v-if="saved" class="tone-food" role="status">{{ t('verdict.saved') }}</span>
      <span v-else-if="!complete" class="soft">{{ t('verdict.choose') }}</span>
    </div>
    <StateNotice v-if="failure" :failure="failure" @retry="save" />
  </form>
</template>

<style scoped>
.verdict {
  display: grid;
  gap: 14px;
  width: 100%;
  max-width: 560px;
}
.label {
  display: block;
  margin-bottom: 4px;
}
.verdict :deep(.choices) {
  display: flex;
}
.end {
  display: flex;
  align-items: center;
  gap: 14px;
}
</style>
