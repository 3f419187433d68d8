<script setup lang="ts">
import { FOOD_GROUPS } from '~~/core/names'
import type { Food, FoodGroup } from '~~/core/food/food.schema'
import { isOldBag } from '~~/shared/kitchen'

/** The catalogue: every food by any of its names, with what a cook wants to know of it at a glance. */
const { t, number, duration } = useI18nText()
const kitchen = computed(() => useKitchenStore().kitchen!)
const query = ref('')
const group = ref<FoodGroup | ''>('')

const own = computed(() => new Set(kitchen.value.foods.map(({ id }) => id)))
const all = useNamedFoods()
const groups = computed(() => [
  { value: '' as const, text: t('foods.all') },
  ...FOOD_GROUPS.filter((one) => all.value.some(({ food }) => food.group === one)).map((value) => ({
    value,
    text: t(`foods.groups.${value}`),
  })),
])
const found = computed(() =>
  searchNames(query.value, all.value).filter(({ food }) => group.value === '' || food.group === group.value),
)
const soakText = ({ soak }: Food) => {
  const hours = soak?.adviceHours[0] ?? 0
  return hours > 0 ? t('units.soakFor', { time: duration(hours * 60) }) : ''
}
const bagsOf = (id: string) => kitchen.value.bags.filter(({ foodId }) => foodId === id)
useHead({ title: () => `${t('app.nav.foods')} · Bivvet` })
</script>

<template>
  <div class="foods">
    <h1>{{ t('app.nav.foods') }}</h1>
    <p class="soft intro">{{ t('foods.intro') }}</p>
    <v-text-field v-model="query" :label="t('foods.search')" type="search" maxlength="60" class="query" />
    <ChoiceBar v-model="group" :label="t('foods.group')" :choices="groups" class="groups" />
    <p class="soft count" role="status">{{ t('foods.count', { n: found.length }, found.length) }}</p>
    <p v-if="found.length === 0">
      {{ t('app.noFood', { query }) }}
      <button
        type="button"
        class="link-button"
        @click="
          () => {
            query = ''
            group = ''
          }
        "
      >
        {{ t('foods.showAll') }}
      </button>
    </p>
    <ul>
      <li v-for="{ food, name, aliases } in found" :key="food.id">
        <NuxtLink :to="`/foods/${food.id}`" class="row">
          <span class="name">
            <strong>{{ name }}</strong>
            <span class="soft">{{ aliases }}</span>
          </span>
          <span>
            <span v-if="own.has(food.id)" class="tag tone-food">{{ t('foods.own') }}</span>
            <span v-for="bag in bagsOf(food.id)" :key="bag.id" class="tag">{{
              isOldBag(bag, serverNow()) ? t('pot.oldBag', { name: bag.name }) : bag.name
            }}</span>
          </span>
          <span class="figure tone-food">{{ t('foods.tenderIn', { n: number(food.boilMinutes.tender) }) }}</span>
          <span class="figure tone-water">{{ soakText(food) }}</span>
        </NuxtLink>
      </li>
    </ul>
  </div>
</template>

<style scoped>
.foods {
  max-width: 1020px;
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
  max-width: 460px;
}
.groups {
  width: fit-content;
  max-width: 100%;
  margin-top: 10px;
}
.count {
  margin: 12px 0 4px;
  font-size: 14px;
}
ul {
  margin: 0;
  padding: 0;
  list-style: none;
}
.row {
  display: grid;
  grid-template-columns: minmax(0, 2.4fr) minmax(0, 1.2fr) minmax(0, 1.4fr) minmax(0, 0.9fr);
  align-items: center;
  gap: 12px;
  min-height: 52px;
  padding: 6px 0;
  border-top: 1px solid var(--line);
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
  font-size: 18px;
}
.tag {
  display: block;
  font-size: 13.5px;
}
@media (max-width: 719px) {
  .foods {
    padding: 14px 16px 40px;
  }
  .row {
    grid-template-columns: minmax(0, 1.6fr) minmax(0, 1fr);
    gap: 2px 10px;
  }
  .figure {
    font-size: 16px;
  }
}
</style>
