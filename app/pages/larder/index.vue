<script setup lang="ts">
import { stylesFor } from '~~/core/appliance/appliance'
import { FOOD_GROUPS } from '~~/core/names'
import type { Food } from '~~/core/food/food.schema'
import { inUse, isOldBag } from '~~/shared/kitchen'
import { newPot } from '~~/shared/pot'
import { requestOf } from '~~/shared/pot-request'
import type { Usual } from '~/workers/kitchen.worker'

/** The larder's shelf: every food by its kind and any of its names, with its soak and what it takes in this kitchen. */
const { t, number, duration } = useI18nText()
const kitchen = useKitchen()
const learnt = useLearntStore()
const query = ref('')
/** What is kept stands above the shelf, which must not jump when it comes. */
const kept = usePortionsStore()
const hasKept = computed(() => kept.portions !== null || kept.failure !== null)

const own = computed(() => new Set(kitchen.value.foods.map(({ id }) => id)))
const all = useNamedFoods()
const { language } = useLanguage()
/** Names in other languages come when something is looked for. */
const abroad = shallowRef<Readonly<Record<string, string>>>({})
watch(query, async () => (abroad.value = await otherNames(language.value)), { once: true })
const everywhere = computed(() => all.value.map((one) => ({ ...one, abroad: abroad.value[one.food.id] ?? '' })))
const found = computed(() => searchNames(query.value, everywhere.value))
/** By kind, as on a shelf; what is looked for stands in the order in which it was found. */
const shelves = computed(() =>
  query.value.trim() !== ''
    ? [{ key: 'found', title: t('larder.found', { n: found.value.length }, found.value.length), foods: found.value }]
    : FOOD_GROUPS.map((group) => ({
        key: group,
        title: t(`larder.groups.${group}`),
        foods: all.value.filter(({ food }) => food.group === group),
      })).filter(({ foods }) => foods.length > 0),
)
const soakText = ({ soak }: Food) => {
  const hours = soak?.adviceHours[0] ?? 0
  return hours > 0 ? t('units.soakFor', { time: duration(hours * 60) }) : ''
}
const bagsOf = (id: string) => kitchen.value.bags.filter(({ foodId }) => foodId === id)

/** What each takes in the kitchen's first cooker, worked out beside while the list is there already. */
const cooker = computed(() => inUse(kitchen.value.cookers)[0] ?? null)
const asked = computed(() => {
  const of = cooker.value
  if (!of) return null
  const { counts } = kitchen.value.likes
  const style = stylesFor(of.cooker).find((kind) => counts !== 'never' || kind !== 'whistles')!
  const requests = all.value.flatMap(({ food }) => {
    const request = requestOf(newPot(food, kitchen.value), kitchen.value, of, style, serverNow(), learnt.believed)
    return request ? [{ id: food.id, request }] : []
  })
  return {
    ids: requests.map(({ id }) => id),
    requests: requests.map(({ request }) => request),
    isFree: counts === 'usual',
  }
})
const { result } = useWorked(asked, async (work, { ids, requests, isFree }) => {
  const usual = await work.usual(requests, isFree)
  return new Map(ids.map((id, i) => [id, usual[i] ?? null]))
})
function usualText(id: string): string {
  const usual: Usual | null | undefined = result.value?.get(id)
  if (usual === undefined) return ''
  if (usual === null) return t('larder.cannot')
  const figure = t(`pot.elsewhere.${usual.unit}`, { n: number(usual.figure) }, usual.figure)
  return usual.style.kind === 'first-whistle-then-low' ? t('larder.afterOne', { figure }) : figure
}
const { beginText } = useReadyBy()
/** How long it takes on the stove, and when to begin, its soak counted in, where an hour is asked for. */
const minutesText = ({ id, soak }: Food) => {
  const usual = result.value?.get(id)
  if (!usual) return ''
  const begin = beginText(usual.minutes + (soak?.adviceHours[0] ?? 0) * 60)
  return [t('larder.inAll', { time: duration(usual.minutes) }), begin].filter(Boolean).join(', ')
}
useHead({ title: () => `${t('app.nav.larder')} · Bivvet` })
</script>

<template>
  <div class="larder">
    <h1>{{ t('app.nav.larder') }}</h1>
    <p class="soft intro">
      {{ cooker ? t('larder.intro', { cooker: cooker.name }) : t('larder.introNoCooker') }}
      <ReadyField />
    </p>
    <KeptShelf v-if="query.trim() === ''" />
    <TextField v-model="query" :label="t('larder.search')" type="search" maxlength="60" class="query" />
    <p class="hidden-text" role="status">{{ t('larder.found', { n: found.length }, found.length) }}</p>
    <p v-if="found.length === 0">
      {{ t('app.noFood', { query }) }}
      <LinkBtn @click="query = ''">{{ t('larder.showAll') }}</LinkBtn>
    </p>
    <section v-for="{ key, title, foods } in found.length > 0 && hasKept ? shelves : []" :key="key">
      <h2>{{ title }}</h2>
      <ul>
        <li v-for="{ food, name, aliases } in foods" :key="food.id">
          <NuxtLink :to="`/larder/${food.id}`" class="row">
            <span class="name">
              <strong>{{ name }}</strong>
              <span class="soft">{{ aliases }}</span>
            </span>
            <span class="tags">
              <span v-if="own.has(food.id)" class="tag tone-food">{{ t('larder.own') }}</span>
              <span v-for="bag in bagsOf(food.id)" :key="bag.id" class="tag">{{
                isOldBag(bag, serverNow()) ? t('pot.oldBag', { name: bag.name }) : bag.name
              }}</span>
            </span>
            <span class="figure tone-water">{{ soakText(food) }}</span>
            <span class="figure tone-heat usual">
              {{ usualText(food.id) }}
              <span class="soft all">{{ minutesText(food) }}</span>
            </span>
          </NuxtLink>
        </li>
      </ul>
    </section>
  </div>
</template>

<style scoped>
.larder {
  max-width: 1120px;
  padding: 16px 24px 56px;
}
h1 {
  margin: 0;
  font-size: 21px;
}
.intro {
  max-width: 72ch;
  margin: 4px 0 16px;
}
.query {
  margin-top: 16px;
  max-width: 460px;
}
h2::first-letter {
  text-transform: uppercase;
}
h2 {
  margin: 26px 0 0;
  padding-bottom: 6px;
  border-bottom: 2px solid var(--ink);
  font-size: 17px;
}
ul {
  margin: 0;
  padding: 0;
  list-style: none;
}
.row {
  display: grid;
  grid-template-columns: minmax(0, 2.4fr) minmax(0, 1.2fr) minmax(0, 1fr) minmax(0, 1.5fr);
  align-items: center;
  gap: 12px;
  min-height: 54px;
  padding: 6px 0;
  border-bottom: 1px solid var(--line);
  color: inherit;
  text-decoration: none;
}
.row:hover {
  background: var(--ground-raised);
}
.name {
  display: grid;
}
.name .soft {
  font-size: 14px;
}
.figure {
  font-size: 20px;
}
.usual {
  display: grid;
  gap: 3px;
  min-height: 38px;
  align-content: center;
  text-align: end;
}
.all {
  font-family: var(--text-family);
  font-size: 14px;
  font-weight: 400;
}
.tag {
  display: block;
  font-size: 13.5px;
}
@media (max-width: 719px) {
  .larder {
    padding: 14px 16px 40px;
  }
  .row {
    grid-template-columns: minmax(0, 1.5fr) minmax(0, 1fr);
    gap: 2px 10px;
  }
  .tags {
    order: 3;
  }
  .row > .tone-water {
    order: 4;
    text-align: end;
  }
}
</style>
