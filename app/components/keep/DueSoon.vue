<script setup lang="ts">
import type { KeptPortion } from '~~/shared/household'
import { daysLeft, dueSoon, type Portion } from '~~/shared/portion'

/** Leftovers that should be eaten today or tomorrow, and those that are past; one press takes a portion out. */
const { t, dayOf, number } = useI18nText()
const nowMs = useNow()
const { today } = useToday()
const store = usePortionsStore()
void store.load()
const due = computed(() => dueSoon(store.portions ?? [], today(nowMs.value)))
const failed = ref(false)
/** What it was before one was taken, to undo it. */
const before = ref<KeptPortion | null>(null)
async function takeOne(kept: KeptPortion) {
  failed.value = false
  try {
    await store.changeLeft(kept, -1)
    before.value = kept
  } catch {
    failed.value = true
  }
}
async function undo() {
  const was = before.value!
  before.value = null
  failed.value = false
  try {
    const now = store.portions?.find(({ id }) => id === was.id)
    if (now) await store.changeLeft(now, 1)
    else await store.save(was.id, { version: was.version, content: was.content })
  } catch {
    failed.value = true
  }
}
const when = (portion: Portion) => {
  const days = daysLeft(portion, today(nowMs.value))
  if (days < 0) return t('keep.past', { day: dayOf(portion.until) })
  return t(days === 0 ? 'keep.today' : 'keep.tomorrow')
}
</script>

<template>
  <section v-if="due.length > 0 || before">
    <h2>{{ t('keep.due') }}</h2>
    <ul>
      <li v-for="kept in due" :key="kept.id">
        <span>
          <strong>{{ kept.content.name }}</strong>
          <span :class="daysLeft(kept.content, today(nowMs)) < 0 ? 'tone-danger' : 'soft'">
            {{
              t('keep.dueLine', {
                place: t(`keep.where.${kept.content.place}`),
                left: number(kept.content.left),
                when: when(kept.content),
              })
            }}
          </span>
        </span>
        <v-btn :aria-label="t('keep.takeOneOf', { name: kept.content.name })" @click="takeOne(kept)">
          {{ t('keep.takeOne') }}
        </v-btn>
      </li>
    </ul>
    <p v-if="before" role="status">
      {{ t('keep.taken', { name: before.content.name }) }}
      <LinkBtn @click="undo">{{ t('keep.undo') }}</LinkBtn>
    </p>
    <p v-if="failed" class="tone-danger" role="alert">{{ t('errors.network') }}</p>
  </section>
</template>

<style scoped>
section {
  padding: 0;
}
h2 {
  margin: 30px 0 4px;
  padding-bottom: 6px;
  border-bottom: 2px solid var(--ink);
  font-size: 17px;
}
ul {
  margin: 0;
  padding: 0;
  list-style: none;
}
li {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  align-items: center;
  gap: 10px;
  min-height: 54px;
  border-bottom: 1px solid var(--line);
}
li > span {
  display: grid;
}
strong {
  font-size: 17px;
}
p {
  margin: 8px 0;
  font-size: 14.5px;
}
</style>
