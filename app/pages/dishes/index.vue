<script setup lang="ts">
import { newDish } from '~~/shared/dish'

/** What the household cooks: its dishes, and the single pots that it keeps, found by name or by what is in them. */
const { t } = useI18nText()
const dishes = useDishesStore()
const pots = usePotsStore()
void dishes.load()
void pots.load()
// When each was last cooked stands in the log.
void useRunsStore().loadLog()
const ofDishes = useKeptDishes()
const ofPots = useKeptPots()
const { removed: removedDish, failed: dishFailed } = ofDishes
const { removed: removedPot, failed: potFailed } = ofPots
const query = ref('')

/** What matches, best first; without a query favourites first. */
function find<K extends { favourite: boolean }>(
  all: readonly K[] | null,
  named: (one: K) => { name: string; aliases: string },
) {
  const matching = searchNames(
    query.value,
    (all ?? []).map((kept) => ({ kept, ...named(kept) })),
  )
  return query.value.trim() === ''
    ? [...matching].sort((a, b) => Number(b.kept.favourite) - Number(a.kept.favourite))
    : matching
}
/** What is being cooked stands first: its next step is waiting. */
const foundDishes = computed(() =>
  find(dishes.dishes, (kept) => ({ name: kept.content.name, aliases: ofDishes.words(kept) })).sort(
    (a, b) => Number(ofDishes.cookedAt(b.kept) !== null) - Number(ofDishes.cookedAt(a.kept) !== null),
  ),
)
const foundPots = computed(() => find(pots.pots, (kept) => ({ name: kept.name, aliases: ofPots.describe(kept) })))
const failure = computed(() => dishes.failure ?? pots.failure)
const isLoading = computed(() => dishes.dishes === null || pots.pots === null)
const isEmpty = computed(
  () => dishes.dishes?.length === 0 && pots.pots?.length === 0 && !removedDish.value && !removedPot.value,
)
function load() {
  void dishes.load()
  void pots.load()
}

const route = useRoute()
/** A dish that was taken off on its own page can be put back here. */
watch(
  () => route.query.removed,
  async (id) => {
    if (typeof id !== 'string') return
    const gone = useTakenOff().value
    if (gone?.id === id) removedDish.value = gone
    await navigateTo('/dishes', { replace: true })
  },
  { immediate: true },
)

const naming = ref(false)
const name = ref('')
const busy = ref(false)
async function start() {
  if (name.value.trim() === '') return
  busy.value = true
  try {
    const kept = await dishes.add({ content: newDish(name.value.trim().slice(0, 80)) })
    await navigateTo(`/dishes/${kept.id}`)
  } catch {
    dishFailed.value = true
  } finally {
    busy.value = false
  }
}
useHead({ title: () => `${t('app.nav.dishes')} · Bivvet` })
</script>

<template>
  <div class="dishes">
    <h1>{{ isEmpty ? t('dishes.empty.title') : t('app.nav.dishes') }}</h1>
    <p v-if="isEmpty" class="soft intro">{{ t('dishes.empty.text') }}</p>
    <p v-else class="soft intro">{{ t('dishes.intro') }}</p>
    <div class="ways">
      <v-btn variant="flat" color="primary" size="large" :aria-expanded="naming" @click="naming = !naming">
        {{ t('dishes.start') }}
      </v-btn>
      <v-btn size="large" to="/dishes/import">{{ t('dishes.bring') }}</v-btn>
    </div>
    <form v-if="naming" class="naming" @submit.prevent="start">
      <TextField v-model="name" :label="t('dishes.startName')" maxlength="80" autofocus />
      <v-btn size="large" type="submit" :disabled="busy || name.trim() === ''">
        {{ t('dishes.startIt') }}
      </v-btn>
    </form>
    <StateNotice v-if="failure" :failure="failure" @retry="load" />
    <p v-else-if="isLoading" class="soft" role="status">{{ t('app.loading') }}</p>
    <template v-else-if="!isEmpty">
      <TextField v-model="query" :label="t('dishes.search')" type="search" maxlength="60" class="query" />
      <p v-if="foundDishes.length + foundPots.length === 0" role="status">{{ t('dishes.none', { query }) }}</p>
      <template v-if="foundDishes.length > 0">
        <h2>{{ t('dishes.made') }}</h2>
        <ul>
          <KeptRow
            v-for="{ kept } in foundDishes"
            :key="kept.id"
            :name="kept.content.name"
            :text="ofDishes.describe(kept)"
            :favourite="kept.favourite"
            :remove-label="t('dishes.remove', { name: kept.content.name })"
            @open="navigateTo(`/dishes/${kept.id}`)"
            @star="ofDishes.star(kept)"
            @copy="ofDishes.copy(kept)"
            @remove="ofDishes.remove(kept)"
          />
        </ul>
      </template>
      <template v-if="foundPots.length > 0">
        <h2>{{ t('dishes.pots') }}</h2>
        <ul>
          <KeptRow
            v-for="{ kept, name: potName, aliases } in foundPots"
            :key="kept.id"
            :name="potName"
            :text="aliases"
            :favourite="kept.favourite"
            :remove-label="t('day.remove', { name: potName })"
            @open="ofPots.open(kept)"
            @star="ofPots.star(kept)"
            @copy="ofPots.copy(kept, t('pot.bar.copyOf', { name: potName }))"
            @remove="ofPots.remove(kept)"
          />
        </ul>
      </template>
    </template>
    <p v-if="removedDish" role="status" class="removed">
      {{ t('dishes.removed', { name: removedDish.content.name }) }}
      <LinkBtn @click="ofDishes.putBack">{{ t('day.putBack') }}</LinkBtn>
    </p>
    <p v-if="removedPot" role="status" class="removed">
      {{ t('day.removed', { name: removedPot.name }) }}
      <LinkBtn @click="ofPots.putBack">{{ t('day.putBack') }}</LinkBtn>
    </p>
    <p v-if="dishFailed || potFailed" class="tone-danger" role="alert">{{ t('errors.network') }}</p>
  </div>
</template>

<style scoped>
.dishes {
  max-width: 860px;
  padding: 16px 24px 56px;
}
h1 {
  margin: 0;
  font-size: 21px;
}
h2 {
  margin: 18px 0 0;
  color: var(--ink-soft);
  font-size: 14.5px;
  font-weight: 400;
}
.intro {
  max-width: 64ch;
  margin: 4px 0 14px;
}
.ways {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  margin-bottom: 18px;
}
.naming {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 10px;
  max-width: 520px;
  margin-bottom: 18px;
}
.query {
  max-width: 460px;
}
ul {
  margin: 0;
  padding: 0;
  list-style: none;
}
.removed {
  margin: 12px 0;
}
@media (max-width: 719px) {
  .dishes {
    padding: 14px 16px 40px;
  }
}
</style>
