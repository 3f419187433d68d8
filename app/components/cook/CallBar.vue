<script setup lang="ts">
import type { Lane } from '~/stores/cooking'

/** Calls the cook, wherever in the app, when a pot wants something, and says which. */
const { t } = useI18nText()
const route = useRoute()
const cooking = useCookingStore()
const { headline } = useCookWords()
const { call } = useAlarm()

const CALL_AGAIN_MS = 30_000
const canSay = useStoveMessages()
const calling = computed(() => (canSay.value ? cooking.lanes : []).filter(({ action }) => isCall(action)))
const said = (lane: Lane) => t('cook.calls', { name: lane.name, what: headline(lane.action) })
const calledAt = new Map<string, number>()
watch(
  () => [cooking.nowMs, ...calling.value.map(({ run, action }) => `${run.id} ${action.id}`)] as const,
  ([now, ...keys]) => {
    for (const key of calledAt.keys()) if (!keys.includes(key)) calledAt.delete(key)
    for (const [i, key] of keys.entries()) {
      if (now - (calledAt.get(key) ?? -Infinity) < CALL_AGAIN_MS) continue
      calledAt.set(key, now)
      call(said(calling.value[i]!))
    }
  },
)
/** The tab calls too, for whoever looks at another one. */
useHead({ titleTemplate: (title) => (calling.value[0] ? said(calling.value[0]) : (title ?? '')) })
/** The page of the run itself says it already; so does the page of all lanes. */
const elsewhere = computed(() =>
  route.path === '/cook' ? [] : calling.value.filter(({ run }) => route.path !== `/cook/${run.id}`),
)
</script>

<template>
  <div v-if="elsewhere.length > 0" class="calls no-print" role="alert">
    <NuxtLink v-for="lane in elsewhere" :key="lane.run.id" :to="`/cook/${lane.run.id}`">{{ said(lane) }}</NuxtLink>
  </div>
</template>

<style scoped>
.calls {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 24px;
  padding: 8px 24px;
  background: var(--heat);
  font-size: 18px;
  font-weight: 700;
}
.calls a {
  color: var(--ground);
}
</style>
