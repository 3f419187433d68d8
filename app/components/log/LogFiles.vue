<script setup lang="ts">
import { readLogIn, WrongRows, type ReadIn } from '~/composables/log/readLogIn'

/** The whole log out as a file, and in again. */
const emit = defineEmits<{ added: [] }>()
const { t, problemText } = useI18nText()
const picker = useTemplateRef<HTMLInputElement>('picker')
const busy = ref(false)
const said = ref('')
const problems = ref<string[]>([])
const MOST_TOLD = 8

/** The whole of a log, also where it is longer than what is sent at once. */
function readJson(text: string): Promise<ReadIn> {
  const file = JSON.parse(text) as { runs?: unknown }
  if (!Array.isArray(file.runs)) return api<ReadIn>('/log', { method: 'POST', body: file as Record<string, unknown> })
  return readLogIn(
    file.runs,
    (body, check) => api<ReadIn>('/log', { method: 'POST', body, query: check ? { check: true } : undefined }),
    (done) => (said.value = done > 0 ? t('log.files.reading', { percent: Math.round(100 * done) }) : ''),
  )
}

async function read(event: Event) {
  const input = event.target as HTMLInputElement
  const file = input.files?.[0]
  input.value = ''
  if (!file) return
  busy.value = true
  said.value = ''
  problems.value = []
  try {
    const isTable = /\.csv$/i.test(file.name)
    const { added, changed, of } = isTable
      ? await api<ReadIn>('/log', { method: 'POST', body: await file.text(), headers: { 'content-type': 'text/csv' } })
      : await readJson(await file.text())
    said.value = [
      ...(added > 0 || changed === 0 ? [t('log.files.added', { n: added, of }, added)] : []),
      ...(changed > 0 ? [t('log.files.changed', { n: changed }, changed)] : []),
    ].join(' ')
    emit('added')
  } catch (error) {
    if (error instanceof WrongRows) problems.value = error.problems.map((one) => `${one.path}: ${problemText(one)}`)
    else if (error instanceof SyntaxError) problems.value = [t('log.files.notJson')]
    else {
      const failure = failureOf(error)
      problems.value =
        failure.kind === 'refused'
          ? failure.problems.map((one) => (one.path ? `${one.path}: ${problemText(one)}` : problemText(one)))
          : [t(`errors.${failure.kind}`)]
    }
    said.value = ''
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <section class="files no-print">
    <h2>{{ t('log.files.title') }}</h2>
    <p class="links">
      <a href="/api/log" download>{{ t('log.files.json') }}</a>
      <a href="/api/log?as=csv" download>{{ t('log.files.csv') }}</a>
      <LinkBtn :disabled="busy" @click="picker?.click()">
        {{ t('log.files.read') }}
      </LinkBtn>
      <input
        ref="picker"
        type="file"
        accept=".json,.csv,application/json,text/csv"
        class="hidden-text"
        tabindex="-1"
        :aria-label="t('log.files.read')"
        @change="read"
      />
    </p>
    <p v-if="said" role="status" class="tone-food">{{ said }}</p>
    <div v-if="problems.length > 0" role="alert" class="tone-danger">
      <p>{{ t('log.files.nothing') }}</p>
      <ul>
        <li v-for="(text, i) in problems.slice(0, MOST_TOLD)" :key="i">{{ text }}</li>
      </ul>
      <p v-if="problems.length > MOST_TOLD">{{ t('log.files.more', { n: problems.length - MOST_TOLD }) }}</p>
    </div>
  </section>
</template>

<style scoped>
.files {
  margin-top: 28px;
}
h2 {
  margin: 0 0 6px;
  font-size: 16px;
}
p {
  margin: 0 0 6px;
}
.links {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 20px;
}
a {
  color: inherit;
}
@media (max-width: 719px), (pointer: coarse) {
  a {
    display: inline-flex;
    align-items: center;
    min-height: 44px;
  }
}
</style>
