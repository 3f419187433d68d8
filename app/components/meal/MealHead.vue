<script setup lang="ts">
import { mdiClose, mdiPotOutline, mdiTune } from '@mdi/js'
import { formatISO, parseISO } from 'date-fns'
import { MOST } from '~~/core/bounds'
import { MINUTE_MS } from '~~/core/measure/time'
import type { Meal } from '~~/shared/meal'

/** The hour on the table, the dishes by their letters, and a way to take one more. */
const { meal } = defineProps<{ meal: Meal; summary: string }>()
const emit = defineEmits<{
  hour: [ms: number]
  add: [dishId: string]
  out: [key: string]
  apart: [key: string]
  change: [by: (meal: Meal) => Meal]
}>()
const { t, clock, weekday } = useI18nText()
const dishes = useDishesStore()
void dishes.load()

const QUARTER_MS = 15 * 60_000
const changing = ref(false)
const hour = computed(() => formatISO(meal.servedAt, { representation: 'time' }).slice(0, 5))
const date = computed(() => formatISO(meal.servedAt, { representation: 'date' }))
/** By the clock on the wall, so that a change to summer time between now and then moves nothing. */
function setHour(dateText: string, hourText: string) {
  const ms = parseISO(`${dateText}T${hourText}`).getTime()
  if (Number.isFinite(ms)) emit('hour', ms)
}
/** The dish of which it is said how it is had. */
const opened = ref<string | null>(null)
const openedDish = computed(() => meal.dishes.find(({ key }) => key === opened.value) ?? null)
const asking = ref(meal.dishes.length === 0)
const query = ref('')
const found = computed(() => {
  const all = (dishes.dishes ?? []).filter(({ id }) => !meal.dishes.some(({ dishId }) => dishId === id))
  const named = all.map((kept) => ({
    kept,
    name: kept.content.name,
    aliases: kept.content.lines.map(({ typed }) => typed).join(', '),
  }))
  return searchNames(query.value, named).slice(0, 9)
})
function add(id: string) {
  emit('add', id)
  query.value = ''
}
</script>

<template>
  <header>
    <h1>
      {{ t('meals.title', { day: weekday(meal.servedAt) }) }}
      <v-btn
        variant="text"
        class="figure hour"
        :aria-expanded="changing"
        :aria-label="t('meals.changeHour', { time: clock(meal.servedAt) })"
        @click="changing = !changing"
      >
        {{ clock(meal.servedAt) }}
      </v-btn>
    </h1>
    <p class="soft summary">{{ summary }}</p>
    <div v-if="changing" class="when no-print">
      <v-btn @click="emit('hour', meal.servedAt - QUARTER_MS)">
        {{ t('meals.sooner') }}
      </v-btn>
      <v-btn @click="emit('hour', meal.servedAt + QUARTER_MS)">
        {{ t('meals.laterOn') }}
      </v-btn>
      <v-text-field
        type="time"
        :label="t('meals.hour')"
        :model-value="hour"
        @change="setHour(date, ($event.target as HTMLInputElement).value)"
      />
      <v-text-field
        type="date"
        :label="t('meals.dayOf')"
        :model-value="date"
        @change="setHour(($event.target as HTMLInputElement).value, hour)"
      />
    </div>
    <ul class="dishes">
      <li v-for="{ key, dish, dishId, inPotOf, servedBefore, waits, ahead } in meal.dishes" :key="key">
        <b class="figure">{{ key }}</b>
        <NuxtLink v-if="dishId" :to="`/dishes/${dishId}`">{{ dish.name }}</NuxtLink>
        <span v-else>{{ dish.name }}</span>
        <span v-if="servedBefore" class="soft">{{
          t('meals.dish.at', { time: clock(meal.servedAt - servedBefore * MINUTE_MS) })
        }}</span>
        <span v-if="ahead" class="soft">{{ t('meals.dish.isAhead') }}</span>
        <span v-else-if="waits" class="soft">{{ t('meals.dish.mayWait') }}</span>
        <template v-if="inPotOf">
          <span class="soft">{{ t('meals.inTin', { host: inPotOf }) }}</span>
          <IconButton
            class="no-print"
            :icon="mdiPotOutline"
            :label="t('meals.apart', { dish: dish.name })"
            @click="emit('apart', key)"
          />
        </template>
        <IconButton
          class="no-print"
          :icon="mdiTune"
          :label="t('meals.dish.open', { dish: dish.name })"
          :aria-expanded="opened === key"
          @click="opened = opened === key ? null : key"
        />
        <IconButton
          class="no-print"
          :icon="mdiClose"
          :label="t('meals.takeOut', { dish: dish.name })"
          @click="emit('out', key)"
        />
      </li>
      <li v-if="!asking" class="no-print">
        <LinkBtn @click="asking = true">{{ t('meals.add') }}</LinkBtn>
      </li>
    </ul>
    <DishInMeal
      v-if="openedDish"
      :meal="meal"
      :dish="openedDish"
      class="no-print"
      @change="(by) => emit('change', by)"
    />
    <div v-if="asking" class="find no-print">
      <p v-if="meal.dishes.length >= MOST.mealDishes" role="alert">{{ t('meals.full') }}</p>
      <template v-else>
        <TextField
          v-model="query"
          type="search"
          maxlength="80"
          :label="t('meals.find')"
          @keydown.esc="asking = false"
        />
        <p v-if="dishes.dishes?.length === 0" class="soft">{{ t('meals.noDishes') }}</p>
        <ul class="found">
          <li v-for="{ kept } in found" :key="kept.id">
            <v-btn @click="add(kept.id)">{{ kept.content.name }}</v-btn>
          </li>
        </ul>
        <LinkBtn v-if="meal.dishes.length > 0" @click="asking = false">
          {{ t('meals.enough') }}
        </LinkBtn>
      </template>
    </div>
  </header>
</template>

<style scoped>
header {
  display: grid;
  grid-template-columns: auto minmax(0, 1fr);
  gap: 4px 16px;
  align-items: baseline;
}
h1 {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 14px;
  align-items: baseline;
  margin: 0;
  font-size: 22px;
}
.hour {
  min-height: 48px;
  padding: 0 2px;
  border: 0;
  border-bottom: 2px dotted var(--ink-soft);
  background: none;
  color: inherit;
  font-size: 50px;
  cursor: pointer;
}
.when .v-text-field {
  flex: 0 1 170px;
}
.find .v-text-field {
  width: min(320px, 100%);
}
.when {
  grid-column: 1 / -1;
  display: flex;
  flex-wrap: wrap;
  gap: 8px 16px;
  align-items: end;
  padding: 6px 0 10px;
}
.summary {
  margin: 0;
  justify-self: end;
  text-align: end;
}
ul {
  margin: 0;
  padding: 0;
  list-style: none;
}
.dishes {
  grid-column: 1 / -1;
  display: flex;
  flex-wrap: wrap;
  gap: 0 18px;
  align-items: center;
}
.dishes li {
  display: flex;
  gap: 7px;
  align-items: center;
  min-height: 44px;
}
.dishes a {
  color: inherit;
}
.dishes b {
  font-size: 19px;
}
.find {
  grid-column: 1 / -1;
  display: grid;
  gap: 8px;
  justify-items: start;
  padding: 8px 0 12px;
  border-top: 1px solid var(--line);
}
.found {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
p {
  margin: 0;
}
@media (max-width: 719px) {
  header {
    grid-template-columns: minmax(0, 1fr) auto;
  }
  h1 {
    grid-column: 1 / -1;
  }
  .summary {
    grid-column: 1 / -1;
    justify-self: start;
    text-align: start;
  }
  .dishes {
    display: grid;
  }
}
</style>
