<script setup lang="ts">
import { mdiRedo, mdiStar, mdiStarOutline, mdiUndo } from '@mdi/js'
import { useClipboard } from '@vueuse/core'
import { v4 as uuid } from 'uuid'
import type { Pot } from '~~/shared/pot'

/** Undo, redo, and all that can be done with a pot as a document: keep, copy, share, print, send as a file. */
defineProps<{ place: string }>()
const { t, problemText } = useI18nText()
const pot = usePotStore()
const pots = usePotsStore()

const naming = ref(false)
const name = ref('')
const busy = ref(false)
const failure = ref<ApiFailure | null>(null)
/** A short line of what was just done. */
const said = ref('')
const taken = computed(() => failure.value?.status === 409)

async function keep(as: { id: string; name: string; favourite: boolean; version: number }, content = pot.content) {
  busy.value = true
  failure.value = null
  try {
    const { version, name: called, favourite } = as
    pot.keepAs(await pots.save(as.id, { version, name: called, favourite, content }))
    naming.value = false
    said.value = t('pot.bar.kept', { name: as.name })
  } catch (error) {
    failure.value = failureOf(error)
  } finally {
    busy.value = false
  }
}
// One id for one naming, so that pressing twice keeps it once.
let newId = uuid()
function askName() {
  name.value = pot.name
  newId = uuid()
  naming.value = true
  failure.value = null
}
const keepNew = () => keep({ id: newId, name: name.value, favourite: false, version: 0 })
const keepChange = () => (pot.keptAs ? keep(pot.keptAs) : askName())
// The star changes nothing else: what was changed in the pot since is kept or not by the cook.
const star = () =>
  pot.keptAs && keep({ ...pot.keptAs, favourite: !pot.keptAs.favourite }, JSON.parse(pot.keptAs.content) as Pot)
function copy() {
  const copied = t('pot.bar.copyOf', { name: pot.name })
  pot.detach()
  askName()
  name.value = copied
}

const { copy: toClipboard } = useClipboard({ legacy: true })
async function share() {
  if (!pot.keptAs || pot.changed) return
  await toClipboard(`${location.origin}/pot/${pot.keptAs.id}`)
  said.value = t('pot.bar.linkCopied')
}
const print = () => window.print()

const FETCHED_MS = 60_000
async function exportFile() {
  const { potFile } = await import('~/composables/pot/potFile')
  const file = potFile(pot.name, pot.content, useKitchenStore().loaded)
  const link = document.createElement('a')
  link.href = URL.createObjectURL(new Blob([JSON.stringify(file, null, 2)], { type: 'application/json' }))
  link.download = `${pot.name.toLowerCase().replace(/[^\p{L}\p{N}]+/gu, '-')}.pot.json`
  link.click()
  // A browser that is busy fetches it a little later.
  setTimeout(() => URL.revokeObjectURL(link.href), FETCHED_MS)
}
const fileInput = useTemplateRef<HTMLInputElement>('file')
const importProblem = ref<string | null>(null)
async function importFile() {
  const chosen = fileInput.value?.files?.[0]
  if (!chosen) return
  const { readPotFile } = await import('~/composables/pot/potFile')
  const outcome = await readPotFile(chosen)
  fileInput.value!.value = ''
  importProblem.value = outcome.ok ? null : t(`pot.bar.import.${outcome.reason}`)
  if (outcome.ok) {
    pot.replace(outcome.pot)
    said.value = t('pot.bar.imported', { name: outcome.name })
  }
}

const looksBack = ref(false)
const { describe } = useKeptPots()
function takeEarlier(content: unknown) {
  pot.replace(content as Pot, pot.keptAs?.id)
  looksBack.value = false
}

const more = computed(() => {
  const unkept = !pot.keptAs || pot.changed
  const earlier = { text: t('edit.versions.title'), act: () => (looksBack.value = !looksBack.value) }
  return [
    ...(pot.keptAs ? [{ text: t('pot.bar.copy'), act: copy }, earlier] : []),
    { text: t('pot.bar.share'), note: unkept ? t('pot.bar.shareFirst') : undefined, disabled: unkept, act: share },
    { text: t('pot.bar.print'), act: print },
    { text: t('pot.bar.export'), act: exportFile },
    { text: t('pot.bar.importFile'), act: () => fileInput.value?.click() },
  ]
})

useUndoKeys({ undo: pot.undo, redo: pot.redo, save: keepChange })
</script>

<template>
  <div class="bar no-print">
    <p class="soft place">{{ place }}</p>
    <div class="row">
      <IconButton :icon="mdiUndo" :label="t('pot.bar.undo')" :disabled="!pot.canUndo" @click="pot.undo()" />
      <IconButton :icon="mdiRedo" :label="t('pot.bar.redo')" :disabled="!pot.canRedo" @click="pot.redo()" />
      <IconButton
        v-if="pot.keptAs"
        :icon="pot.keptAs.favourite ? mdiStar : mdiStarOutline"
        :label="t('pot.bar.favourite')"
        :aria-pressed="pot.keptAs.favourite"
        @click="star"
      />
      <span class="gap" />
      <v-btn :disabled="(pot.keptAs !== null && !pot.changed) || busy" :aria-busy="busy" @click="keepChange">
        {{ t(pot.keptAs ? (pot.changed ? 'pot.bar.keepChange' : 'pot.bar.isKept') : 'pot.bar.keep') }}
      </v-btn>
      <PressMenu :label="t('pot.bar.more')" :presses="more" />
      <input
        ref="file"
        type="file"
        accept="application/json,.json"
        class="hidden-text"
        tabindex="-1"
        :aria-label="t('pot.bar.importFile')"
        @change="importFile"
      />
    </div>
    <form v-if="naming" class="naming" @submit.prevent="keepNew">
      <TextField v-model="name" :label="t('pot.bar.name')" maxlength="80" autofocus />
      <v-btn variant="flat" color="primary" type="submit" :disabled="name.trim() === '' || busy" :aria-busy="busy">
        {{ t('pot.bar.keep') }}
      </v-btn>
      <LinkBtn @click="naming = false">{{ t('pot.bar.not') }}</LinkBtn>
    </form>
    <div v-if="failure" class="problem" role="alert">
      <p v-if="failure.kind !== 'refused'">{{ t(`errors.${failure.kind}`) }}</p>
      <p v-for="problem in failure.problems" v-else :key="problem.path">{{ problemText(problem) }}</p>
      <v-btn v-if="taken" @click="copy">{{ t('pot.bar.copy') }}</v-btn>
    </div>
    <LazyEarlierVersions
      v-if="looksBack && pot.keptAs"
      :id="pot.keptAs.id"
      kind="pot"
      :tell="(content) => describe({ name: '', content: content as Pot })"
      @take="takeEarlier"
    />
    <p v-if="importProblem" class="problem" role="alert">{{ importProblem }}</p>
    <p v-if="said" class="said soft" role="status">{{ said }}</p>
  </div>
</template>

<style scoped>
.place {
  margin: 2px 0 2px;
  font-size: 14px;
}
.row {
  display: flex;
  align-items: center;
  gap: 4px;
}
.row > :first-child {
  margin-inline-start: -8px;
}
.gap {
  flex: 1;
}
.naming {
  display: grid;
  grid-template-columns: 1fr auto auto;
  align-items: center;
  gap: 6px;
  margin-top: 10px;
}
.problem {
  margin: 8px 0 0;
  padding-inline-start: 10px;
  border-inline-start: 3px solid var(--danger);
  font-size: 14.5px;
}
.problem p,
.said {
  margin: 0 0 4px;
}
.said {
  font-size: 14px;
}
</style>
