<script setup lang="ts">
import { stylesFor } from '~~/core/appliance/appliance'
import type { PlanRequest } from '~~/core/program/request.schema'
import { dishRequestOf } from '~~/shared/dish'
import { cookerOf } from '~~/shared/pot'
import { requestOf } from '~~/shared/pot-request'
import type { Usual } from '~/workers/kitchen.worker'

/** What the household's own pots and dishes come to with what was learnt, and without. */
const { t, list } = useI18nText()
const kitchen = useKitchen()
const learnt = useLearntStore()
const pots = usePotsStore()
const dishes = useDishesStore()
void pots.load()
void dishes.load()

interface Asked {
  id: string
  name: string
  plain: PlanRequest
  taught: PlanRequest
}
const asked = computed<Asked[] | null>(() => {
  const { believed } = learnt
  if (!believed || !pots.pots) return null
  return pots.pots.flatMap(({ id, name, content: pot }): Asked[] => {
    const of = cookerOf(pot, kitchen.value)
    const style = of && (pot.styles[of.cooker.appliance.kind] ?? stylesFor(of.cooker)[0])
    if (!of || !style) return []
    const plain = requestOf(pot, kitchen.value, of, style, serverNow())
    const taught = requestOf(pot, kitchen.value, of, style, serverNow(), believed)
    return plain && taught ? [{ id, name, plain, taught }] : []
  })
})
const { result } = useWorked(asked, async (work, all) => {
  const figures = await work.usual(
    all.flatMap(({ plain, taught }) => [plain, taught]),
    true,
  )
  return all.map(({ id, name }, i) => ({ id, name, before: figures[2 * i], now: figures[2 * i + 1] }))
})
/** Dishes by the figures of all their pots, one after another. */
const askedDishes = computed(() => {
  const { believed } = learnt
  if (!believed || !dishes.dishes) return null
  return dishes.dishes.flatMap(({ id, content: dish }) => {
    const asIs = JSON.parse(JSON.stringify(dish)) as typeof dish
    const plain = dishRequestOf(asIs, kitchen.value, serverNow())
    const taught = dishRequestOf(asIs, kitchen.value, serverNow(), believed)
    return plain && taught ? [{ id, name: dish.name, plain, taught }] : []
  })
})
const { result: ofDishes } = useWorked(askedDishes, async (work, all) => {
  const figures = await work.potsOfDishes(all.flatMap(({ plain, taught }) => [plain, taught]))
  return all.map(({ id, name }, i) => ({ id, name, before: figures[2 * i]!, now: figures[2 * i + 1]! }))
})

const text = ({ figure, unit }: Pick<Usual, 'figure' | 'unit'>) =>
  unit === 'whistles' ? t('learnt.changes.whistles', { n: figure }, figure) : t('learnt.changes.minutes', { n: figure })
const changed = computed(() => [
  ...(result.value ?? []).flatMap(({ id, name, before, now }) =>
    before && now && text(before) !== text(now) ? [{ id, name, to: null, before: text(before), now: text(now) }] : [],
  ),
  ...(ofDishes.value ?? []).flatMap(({ id, name, before, now }) => {
    const [was, is] = [list(before.map(text)), list(now.map(text))]
    return was !== is && before.length === now.length ? [{ id, name, to: `/dishes/${id}`, before: was, now: is }] : []
  }),
])
</script>

<template>
  <section>
    <h2>{{ t('learnt.changes.title') }}</h2>
    <p v-if="result && ofDishes && changed.length === 0" class="soft">{{ t('learnt.changes.none') }}</p>
    <ul>
      <li v-for="one in changed" :key="one.id">
        <NuxtLink v-if="one.to" :to="one.to">{{ one.name }}</NuxtLink>
        <span v-else>{{ one.name }}</span>
        <s class="soft figure" :aria-label="t('learnt.changes.from', { value: one.before })">{{ one.before }}</s>
        <strong class="figure tone-heat">{{ one.now }}</strong>
      </li>
    </ul>
  </section>
</template>

<style scoped>
h2 {
  margin: 0 0 6px;
  font-size: 16px;
}
ul {
  margin: 0;
  padding: 0;
  list-style: none;
}
li {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto auto;
  gap: 12px;
  align-items: baseline;
  padding: 9px 0;
  border-top: 1px solid var(--line);
}
a {
  color: inherit;
}
s {
  font-size: 17px;
}
strong {
  font-size: 21px;
}
</style>
