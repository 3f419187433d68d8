<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { mdiClose, mdiHistory, mdiMinus, mdiPlus, mdiSnowflakeMelt } from '@mdi/js'
import type { KeptPortion } from '~~/shared/household'
import { daysLeft, isPast, thawed, type Portion } from '~~/shared/portion'

/** What was cooked and is kept: where, how much, since when, until when; taken out one by one, and labelled. */
const { t, dayOf, number, weight } = useI18nText()
const store = usePortionsStore()
void store.load()
const { removed, failed, attempt, remove, putBack } = useKeptActions<KeptPortion>({
  remove: store.remove,
  save: ({ id, version, content: portion }) => store.save(id, { version, content: portion }),
})
/** What must be eaten first stands first. */
const all = computed(() => [...(store.portions ?? [])].sort((a, b) => a.content.until.localeCompare(b.content.until)))
const nowMs = useNow()
const { today } = useToday()
const untilText = ({ content: portion }: KeptPortion) => {
  const days = daysLeft(portion, today(nowMs.value))
  if (days < 0) return t('larder.kept.past', { day: dayOf(portion.until) })
  return days === 0 ? t('larder.kept.today') : t('larder.kept.until', { day: dayOf(portion.until) })
}
async function take(kept: KeptPortion, by: number) {
  if (kept.content.left + by <= 0) await remove(kept)
  else await attempt(() => store.changeLeft(kept, by))
}
const tell = ({ left, portionG }: Portion) => t('larder.kept.leftOf', { n: number(left), g: weight(portionG) })
/** The one whose earlier versions are looked at. */
const looksBackOn = ref<string | null>(null)
async function takeEarlier({ id, version }: KeptPortion, content: unknown) {
  await attempt(() => store.save(id, { version, content: content as Portion }))
  looksBackOn.value = null
}
const printing = ref(false)
async function printLabels() {
  printing.value = true
  document.body.classList.add('labels-only')
  await nextTick()
  window.print()
}
/** Some browsers print only after they have come back from being asked. */
function printed() {
  document.body.classList.remove('labels-only')
  printing.value = false
}
useEventListener(window, 'afterprint', printed)
onBeforeUnmount(printed)
</script>

<template>
  <section v-if="all.length > 0 || removed" class="kept">
    <h2>{{ t('larder.kept.title') }}</h2>
    <ul>
      <li v-for="kept in all" :key="kept.id">
        <span class="name">
          <NuxtLink v-if="kept.content.dishId" :to="`/dishes/${kept.content.dishId}`">{{ kept.content.name }}</NuxtLink>
          <strong v-else>{{ kept.content.name }}</strong>
          <span class="soft">
            {{
              t('larder.kept.where', {
                place: t(`larder.kept.places.${kept.content.place}`),
                day: dayOf(kept.content.keptOn),
                g: weight(kept.content.portionG),
              })
            }}
          </span>
        </span>
        <span v-if="kept.content.thawedOn" class="soft thawed">{{ t('larder.kept.thawed') }}</span>
        <span :class="isPast(kept.content, today(nowMs)) ? 'tone-danger' : 'soft'">{{ untilText(kept) }}</span>
        <span class="count">
          <IconButton
            :icon="mdiMinus"
            :label="t('larder.kept.take', { name: kept.content.name })"
            @click="take(kept, -1)"
          />
          <span class="figure">{{ number(kept.content.left) }}</span>
          <IconButton
            :icon="mdiPlus"
            :label="t('larder.kept.more', { name: kept.content.name })"
            @click="take(kept, 1)"
          />
          <IconButton
            :icon="mdiHistory"
            :label="t('larder.kept.earlier', { name: kept.content.name })"
            :aria-expanded="looksBackOn === kept.id"
            @click="looksBackOn = looksBackOn === kept.id ? null : kept.id"
          />
          <IconButton
            v-if="kept.content.place === 'freezer'"
            :icon="mdiSnowflakeMelt"
            :label="t('larder.kept.thaw', { name: kept.content.name })"
            @click="
              attempt(() => store.save(kept.id, { version: kept.version, content: thawed(kept.content, today()) }))
            "
          />
          <IconButton
            :icon="mdiClose"
            :label="t('larder.kept.remove', { name: kept.content.name })"
            @click="remove(kept)"
          />
        </span>
        <LazyEarlierVersions
          v-if="looksBackOn === kept.id"
          :id="kept.id"
          kind="portion"
          class="earlier"
          :tell="(content) => tell(content as Portion)"
          @take="takeEarlier(kept, $event)"
        />
      </li>
    </ul>
    <p v-if="all.some(({ content: portion }) => isPast(portion, today(nowMs)))" class="past" role="status">
      {{ t('larder.kept.pastWhy') }}
    </p>
    <p v-if="removed" role="status">
      {{ t('larder.kept.removed', { name: removed.content.name }) }}
      <LinkBtn @click="putBack">{{ t('larder.kept.putBack') }}</LinkBtn>
    </p>
    <v-btn v-if="all.length > 0" class="no-print" @click="printLabels">
      {{ t('larder.kept.labels') }}
    </v-btn>
    <p v-if="failed" class="tone-danger" role="alert">{{ t('errors.network') }}</p>
    <Teleport to="body">
      <div v-if="printing" class="labels">
        <template v-for="{ id, content: portion } in all" :key="id">
          <div v-for="box in portion.left" :key="box" class="label">
            <strong>{{ portion.name }}</strong>
            <span>{{ weight(portion.portionG) }}</span>
            <span>{{ t('larder.kept.cooked', { day: dayOf(portion.keptOn) }) }}</span>
            <span>{{ t('larder.kept.until', { day: dayOf(portion.until) }) }}</span>
          </div>
        </template>
      </div>
    </Teleport>
  </section>
</template>

<style scoped>
h2 {
  margin: 18px 0 4px;
  color: var(--ink-soft);
  font-size: 14.5px;
  font-weight: 400;
}
ul {
  margin: 0 0 10px;
  padding: 0;
  list-style: none;
}
li {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto auto;
  align-items: center;
  gap: 4px 16px;
  padding: 6px 0;
  border-bottom: 1px solid var(--line);
}
.name {
  display: grid;
}
.name a {
  color: inherit;
  font-weight: 700;
}
.count {
  display: inline-flex;
  align-items: center;
}
.count .figure {
  min-width: 26px;
  font-size: 22px;
  text-align: center;
}
.thawed,
.earlier {
  grid-column: 1 / -1;
}
.past {
  padding-inline-start: 10px;
  border-inline-start: 3px solid var(--danger);
}
.labels {
  display: none;
}
@media (max-width: 719px) {
  li {
    grid-template-columns: minmax(0, 1fr) auto;
  }
  .name {
    grid-column: 1 / -1;
  }
  .name a {
    min-height: 44px;
    display: inline-flex;
    align-items: center;
  }
}
@media print {
  .labels {
    display: grid;
    grid-template-columns: repeat(3, 1fr);
    gap: 4mm;
  }
  .label {
    display: grid;
    gap: 1mm;
    padding: 4mm;
    border: 1px solid #000;
    break-inside: avoid;
  }
}
</style>
