<script setup lang="ts">
import type { KeptKind } from '~~/shared/names'
import type { EarlierVersion } from '~~/shared/household'

/** What a kept document was before its changes; one of them can be taken again, as a change like any other. */
const {
  kind,
  id,
  tell = () => '',
} = defineProps<{
  kind: KeptKind
  id: string
  /** What tells one from the next, in a few words. */
  tell?: (content: unknown) => string
}>()
const emit = defineEmits<{ take: [content: unknown] }>()
const { t, day, clock } = useI18nText()
const versions = ref<EarlierVersion[] | null>(null)
const failure = ref<ApiFailure | null>(null)
async function load() {
  failure.value = null
  try {
    versions.value = await api<EarlierVersion[]>(`/documents/${kind}/${id}/versions`)
  } catch (error) {
    failure.value = failureOf(error)
  }
}
void load()
</script>

<template>
  <section class="versions" :aria-label="t('edit.versions.title')">
    <h2>{{ t('edit.versions.title') }}</h2>
    <StateNotice v-if="failure" :failure="failure" @retry="load" />
    <p v-else-if="!versions" class="soft" role="status">{{ t('app.loading') }}</p>
    <p v-else-if="versions.length === 0" class="soft">{{ t('edit.versions.none') }}</p>
    <ul v-else>
      <li v-for="one in versions" :key="one.version">
        <span class="what">
          <span>{{ [one.name, tell(one.content)].filter(Boolean).join(' · ') }}</span>
          <span class="soft">{{
            t('edit.versions.until', { time: `${day(one.savedAt)}, ${clock(one.savedAt)}` })
          }}</span>
        </span>
        <LinkBtn @click="emit('take', one.content)">
          {{ t('edit.versions.take') }}
        </LinkBtn>
      </li>
    </ul>
  </section>
</template>

<style scoped>
h2 {
  margin: 14px 0 6px;
  font-size: 16px;
}
ul {
  max-height: 300px;
  margin: 0;
  padding: 0;
  overflow-y: auto;
  list-style: none;
}
li {
  display: flex;
  align-items: center;
  justify-content: space-between;
  gap: 4px 16px;
  padding: 7px 0;
  border-top: 1px solid var(--line);
}
.what {
  display: grid;
  min-width: 0;
  overflow-wrap: anywhere;
}
.what .soft {
  font-size: 14px;
}
button {
  flex-shrink: 0;
}
</style>
