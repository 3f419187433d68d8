<script setup lang="ts">
import { mdiClose } from '@mdi/js'
import { addDays, set } from 'date-fns'
import { firstLitAt, runState } from '~~/core/live/run'
import { HOUR_MS, MINUTE_MS } from '~~/core/measure/time'
import { readAmount } from '~~/core/quantity/number'
import type { RunWithPlan } from '~~/shared/household'
import { newMeal } from '~~/shared/meal'
import type { AskedAmount } from '~~/shared/pot'
import type { AskedMore } from '~/components/common/FoodFind.vue'

/** The day: what cooks, what soaks, what comes next, and one way to start a pot. */
const { t, clock, day, duration, weight } = useI18nText()
const kitchenStore = useKitchenStore()
const pots = usePotsStore()
const runs = useRunsStore()
void pots.load()
void runs.loadLog()
const meals = useMealsStore()
void meals.load()
/** Whether the day belongs to a dinner: nothing is shown that it would push away. */
const isKnown = computed(() => meals.meals !== null || meals.loadFailure !== null)
const takenOff = useTakenOffMeal()
const nowMs = useNow()
/** On a phone the cursor would bring up the keyboard over the day. */
const isNarrow = !window.matchMedia('(min-width: 820px) and (pointer: fine)').matches

const RECENT = 6

async function start(foodId: string, asked: AskedAmount | null, more: AskedMore) {
  await (await potStore()).startWithAll(foodId, asked, more)
  await navigateTo(LOOSE_PATH)
}
/** Pots and dishes that are kept, by their names. */
const dishes = useDishesStore()
void dishes.load()
const named = computed(() => [
  ...(pots.pots ?? []).map(({ id, name }) => ({ id, name, hint: t('day.keptPot') })),
  ...(dishes.dishes ?? []).map(({ id, content: { name } }) => ({ id, name, hint: t('day.keptDish') })),
])
function openOther(id: string) {
  const kept = pots.pots?.find((one) => one.id === id)
  if (kept) openPot(kept)
  else void navigateTo(`/dishes/${id}`)
}
async function again(run: RunWithPlan) {
  const [{ potOfRequest }, { replace }] = await Promise.all([import('~~/shared/pot-request'), potStore()])
  const found = potOfRequest(run.plan, kitchenStore.loaded)
  if (!found) return
  replace(found)
  void navigateTo(found.inTins ? TINS_PATH : LOOSE_PATH)
}

/** At the next half past seven that leaves time to cook. */
function planDinner() {
  const today = set(nowMs.value, { hours: 19, minutes: 30, seconds: 0, milliseconds: 0 })
  const at = today.getTime() < nowMs.value + HOUR_MS ? addDays(today, 1) : today
  meals.start(newMeal(at.getTime()))
}
function putMealBack() {
  if (takenOff.value) meals.putBack(takenOff.value)
  takenOff.value = null
}

const soaking = computed(() =>
  (pots.pots ?? []).flatMap((kept) => {
    const { soakingSince, items } = kept.content
    if (soakingSince === null) return []
    const hours = Math.max(...items.map((item) => readAmount(item.soakHours) || 0))
    const readyMs = soakingSince + hours * HOUR_MS
    return [{ kept, readyMs, left: (readyMs - nowMs.value) / MINUTE_MS }]
  }),
)
const { removed, failed: failure, describe, open: openPot, remove, putBack } = useKeptPots()
const favourites = computed(() => (pots.pots ?? []).filter(({ favourite }) => favourite))
const others = computed(() => (pots.pots ?? []).filter(({ favourite }) => !favourite).slice(0, RECENT))
const recent = computed(() => {
  // What is on the stove stands above.
  const on = new Set(runs.running.map(({ id }) => id))
  const seen = new Set<string>()
  return (runs.log ?? [])
    .filter(({ id }) => !on.has(id))
    .filter(({ name, events }) => firstLitAt(runState(events)) !== null && !seen.has(name) && seen.add(name))
    .slice(0, RECENT)
})
const empty = computed(
  () => pots.pots !== null && runs.log !== null && pots.pots.length === 0 && recent.value.length === 0,
)
useHead({ title: () => `${t('app.nav.day')} · Bivvet` })
</script>

<template>
  <div>
    <div v-if="meals.current" class="dinner-space">
      <LazyMealDay :id="meals.current.id" :key="meals.current.id" />
    </div>
    <p v-if="!isKnown" class="soft waiting" role="status">{{ t('app.loading') }}</p>
    <div v-else class="day" :class="{ 'no-print below': meals.current }">
      <section class="start">
        <h1>{{ t('day.title', { day: day(nowMs) }) }}</h1>
        <h2 class="ask">{{ t('day.ask') }}</h2>
        <FoodFind
          :label="t('day.ask')"
          :most="6"
          quiet
          :passive="isNarrow"
          :others="named"
          @take="start"
          @other="openOther"
        />
        <p class="soft">{{ t('day.hint') }}</p>
        <p v-if="takenOff" role="status">
          {{ t('day.mealGone') }}
          <LinkBtn @click="putMealBack">{{ t('day.putBack') }}</LinkBtn>
        </p>
        <v-btn v-if="!meals.current" size="large" class="dinner" @click="planDinner">
          {{ t('day.dinner') }}
        </v-btn>

        <template v-if="runs.running.length > 0">
          <h2>{{ t('day.cooking') }}</h2>
          <ul>
            <li v-for="run in runs.running" :key="run.id">
              <NuxtLink :to="`/cook/${run.id}`" class="row on">
                <strong>{{ run.name }}</strong>
                <span>{{ run.plan.cookerName }}</span>
                <LazyNextAction :run-id="run.id" />
              </NuxtLink>
            </li>
          </ul>
        </template>

        <h2>{{ t('day.soaking') }}</h2>
        <p v-if="soaking.length === 0" class="soft">{{ t('day.noSoak') }}</p>
        <ul v-else>
          <li v-for="{ kept, readyMs, left } in soaking" :key="kept.id">
            <RowBtn class="row" @click="openPot(kept)">
              <strong>{{ kept.name }}</strong>
              <span class="tone-water">{{
                left > 0 ? t('day.soakReady', { time: clock(readyMs), left: duration(left) }) : t('day.soakDone')
              }}</span>
            </RowBtn>
          </li>
        </ul>
      </section>

      <section class="lists">
        <DueSoon />
        <StateNotice v-if="pots.failure" :failure="pots.failure" @retry="pots.load" />
        <p v-else-if="pots.pots === null" class="soft" role="status">{{ t('app.loading') }}</p>
        <FirstSteps v-else-if="empty" />
        <template v-if="favourites.length > 0">
          <h2>{{ t('day.favourites') }}</h2>
          <ul>
            <li v-for="kept in favourites" :key="kept.id">
              <RowBtn class="row" @click="openPot(kept)">
                <strong>{{ kept.name }}</strong>
                <span class="soft">{{ describe(kept) }}</span>
              </RowBtn>
            </li>
          </ul>
        </template>
        <template v-if="others.length > 0">
          <h2>{{ t('day.kept') }}</h2>
          <ul>
            <li v-for="kept in others" :key="kept.id" class="with-remove">
              <RowBtn class="row" @click="openPot(kept)">
                <strong>{{ kept.name }}</strong>
                <span class="soft">{{ describe(kept) }}</span>
              </RowBtn>
              <IconButton :icon="mdiClose" :label="t('day.remove', { name: kept.name })" @click="remove(kept)" />
            </li>
          </ul>
        </template>
        <p v-if="removed" role="status" class="removed">
          {{ t('day.removed', { name: removed.name }) }}
          <LinkBtn @click="putBack">{{ t('day.putBack') }}</LinkBtn>
        </p>
        <p v-if="failure" class="tone-danger" role="alert">{{ t('errors.network') }}</p>
        <template v-if="recent.length > 0">
          <h2>{{ t('day.recent') }}</h2>
          <ul>
            <li v-for="run in recent" :key="run.id">
              <RowBtn class="row" @click="again(run)">
                <strong>{{ run.name }}</strong>
                <span class="soft">{{
                  t('day.recentLine', {
                    day: day(startedMsOf(run)),
                    cooker: run.plan.cookerName ?? '',
                    water: weight(run.plan.answer.closings[0]!.water.pourG),
                  })
                }}</span>
              </RowBtn>
            </li>
          </ul>
        </template>
      </section>
    </div>
  </div>
</template>

<style scoped>
.day {
  display: grid;
  grid-template-columns: minmax(0, 1.15fr) minmax(0, 1fr);
  min-height: calc(100vh - 53px);
}
section {
  padding: 28px 32px 48px;
}
.below {
  min-height: 0;
}
.dinner-space,
.waiting {
  min-height: calc(100vh - 53px);
}
/* What cannot be has no board to keep room for. */
.dinner-space:has(.trouble) {
  min-height: 0;
}
.waiting {
  margin: 0;
  padding: 28px 32px;
}
.lists {
  border-inline-start: 1px solid var(--line);
}
h1 {
  margin: 0 0 26px;
  font-size: 20px;
  font-weight: 400;
  color: var(--ink-soft);
}
.ask {
  margin: 0 0 10px;
  padding: 0;
  border: 0;
  font-family: var(--figure-family);
  font-size: 46px;
  font-weight: 600;
  line-height: 1;
}
h2:not(.ask) {
  margin: 30px 0 4px;
  padding-bottom: 6px;
  border-bottom: 2px solid var(--ink);
  font-size: 17px;
}
.lists > :first-child {
  margin-top: 0;
}
ul {
  margin: 0;
  padding: 0;
  list-style: none;
}
.dinner {
  margin-top: 18px;
}
.row {
  display: grid;
  gap: 2px;
  min-height: 54px;
  align-content: center;
  padding: 7px 0;
  border-bottom: 1px solid var(--line);
  text-decoration: none;
}
.row:hover strong {
  text-decoration: underline;
  text-underline-offset: 3px;
}
.row strong {
  font-size: 17px;
}
.removed {
  margin: 8px 0;
  font-size: 14.5px;
}
.with-remove {
  display: grid;
  grid-template-columns: 1fr auto;
  align-items: center;
  border-bottom: 1px solid var(--line);
}
.with-remove .row {
  border-bottom: 0;
}
@media (max-width: 819px) {
  .day {
    grid-template-columns: minmax(0, 1fr);
  }
  section {
    padding: 18px 16px 24px;
  }
  .lists {
    border-inline-start: 0;
    border-top: 1px solid var(--line);
  }
  .ask {
    font-size: 36px;
  }
}
</style>
