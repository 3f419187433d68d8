<script setup lang="ts">
/** The whole household out as a file and in again, and away. */
const { isOwner, isOpen } = defineProps<{ isOwner: boolean; isOpen: boolean }>()
const { t, problemText } = useI18nText()
const { household } = storeToRefs(useHouseholdStore())
const { attempt, busy, problem } = useAuth()
const picker = useTemplateRef<HTMLInputElement>('picker')
const said = ref('')
const problems = ref<string[]>([])
const asked = ref(false)
const MOST_TOLD = 8

async function restore(event: Event) {
  const input = event.target as HTMLInputElement
  const file = input.files?.[0]
  input.value = ''
  if (!file) return
  said.value = ''
  problems.value = []
  try {
    const headers = { 'content-type': 'application/zip' }
    const { added } = await api<{ added: number }>('/household/archive', { method: 'POST', body: file, headers })
    said.value = t('auth.end.restored', { n: added }, added)
  } catch (error) {
    const failure = failureOf(error)
    problems.value =
      failure.kind === 'refused'
        ? failure.problems.slice(0, MOST_TOLD).map((one) => `${one.path ? `${one.path}: ` : ''}${problemText(one)}`)
        : [t(`auth.failed.${failure.kind}`)]
  }
}
async function remove() {
  if (await attempt(() => api('/household', { method: 'DELETE' }))) window.location.assign('/')
}
</script>

<template>
  <p class="acts">
    <a href="/api/household/archive" download>{{ t('auth.end.archive') }}</a>
    <LinkBtn @click="picker?.click()">{{ t('auth.end.restore') }}</LinkBtn>
    <input
      ref="picker"
      type="file"
      accept=".zip,application/zip"
      class="hidden-text"
      tabindex="-1"
      :aria-label="t('auth.end.restore')"
      @change="restore"
    />
    <LinkBtn v-if="isOwner && !isOpen && !asked" class="tone-danger" @click="asked = true">
      {{ t('auth.end.remove') }}
    </LinkBtn>
  </p>
  <p v-if="said" role="status" class="tone-food">{{ said }}</p>
  <div v-if="problems.length > 0" role="alert" class="tone-danger">
    <p>{{ t('auth.end.nothing') }}</p>
    <ul>
      <li v-for="text in problems" :key="text">{{ text }}</li>
    </ul>
  </div>
  <p v-if="asked" role="alert" class="acts">
    {{ t('auth.end.sure', { name: household?.name ?? '' }) }}
    <v-btn :disabled="busy" @click="remove">{{ t('auth.people.yes') }}</v-btn>
    <v-btn @click="asked = false">{{ t('auth.people.no') }}</v-btn>
  </p>
  <p v-if="problem" role="alert" class="tone-danger">{{ problem }}</p>
</template>

<style scoped>
p {
  margin: 0 0 8px;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px 20px;
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
