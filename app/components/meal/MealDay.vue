<script setup lang="ts">
import { until } from '@vueuse/core'
import { heatsItself } from '~~/core/appliance/appliance'
import { mealCautions } from '~~/core/safety/rules'
import type { DinnerRepair } from '~~/core/meal/dinner'
import type { DinnerWay } from '~~/core/meal/ways'
import { bagIdsOf } from '~~/shared/dish'
import { apart, atHour, changeDish, momentOf, withDish, withoutDish, type Meal, type MealTask } from '~~/shared/meal'
import { changedBy } from '~~/shared/meal-request'
import { useMeal, type Trial } from '~/composables/meal/useMeal'

/** A dinner of several dishes: its board, what is to be done, and what slips. */
const { id } = defineProps<{ id: string }>()
const emit = defineEmits<{ gone: [] }>()
const { t, clock, duration, list, problemText } = useI18nText()
const { dishName, things, taskText, when, whenMs, wishText, wayText, repairText, burnerName } = useMealWords()
const canSay = useMealMessages()
const store = useMealsStore()
useUndoKeys({ undo: store.undo })
const dishes = useDishesStore()
const kitchen = useKitchenStore()
const nowMs = useNow(5000)
const kept = computed(() => store.one(id))
const planned = useMeal(kept, nowMs)
const {
  meal,
  tasks,
  told,
  hasNoPot,
  dinner,
  impossible,
  problems,
  begun,
  isDone,
  trial,
  change,
  nowMinute,
  working,
  looking,
  failed,
} = planned
const answers = computed(() => dinner.value?.answers ?? {})
/** Worth knowing where several are to be hot at once. */
const best = computed(() => (hasBegun.value ? null : (dinner.value?.waitsBest ?? null)))
/** Of what is on the stove already the cook knows where it stands. */
const clashes = computed(() => (hasBegun.value ? [] : (dinner.value?.clashes ?? [])))
const hasBegun = computed(() => begun.value.size > 0 || Object.keys(meal.value?.runs ?? {}).length > 0)
const going = (task: string) => begun.value.get(task)?.done === false

const summary = computed(() => {
  const plan = dinner.value?.plan
  if (!plan || tasks.value.length === 0) return ''
  const inHands = tasks.value.filter(({ hands }) => hands).reduce((sum, { minutes }) => sum + minutes, 0)
  return t('meals.summary', {
    span: duration(plan.spanMinutes),
    hands: duration(inHands),
    late: duration(plan.handsLateMinutes),
  })
})
const proof = computed(() => {
  const plan = dinner.value?.plan
  if (!plan) return ''
  const { spanMinutes, handsLateMinutes } = plan.bound
  return plan.optimal
    ? t('meals.proved')
    : t('meals.bounded', { span: duration(spanMinutes), late: duration(handsLateMinutes) })
})
const cautions = computed(() =>
  mealCautions(
    Object.entries(answers.value).map(([key, of]) => ({
      ...of,
      ahead: meal.value?.dishes.find((one) => one.key === key)?.ahead ?? false,
      waits: meal.value?.dishes.find((one) => one.key === key)?.waits ?? false,
    })),
  ),
)
const laterMinutes = computed(() => dinner.value?.laterMinutes ?? 0)
const servedAt = computed(() => (meal.value ? momentOf(meal.value, laterMinutes.value) : 0))

// ---- what is wished
let added = Promise.resolve()
/** Each is fetched at once; they go in in the order in which they were chosen, whichever comes first. */
function add(dishId: string) {
  const fetched = dishes.fetchOne(dishId).catch(() => dishes.dishes?.find((one) => one.id === dishId))
  added = added.then(async () => {
    const found = await fetched
    if (found) change((of) => withDish(of, found.content, dishId))
  })
}
const put = ({ id: task, startMinute }: Trial) =>
  change((of) => ({ ...of, put: [...of.put.filter((one) => one.id !== task), { id: task, startMinute }] }))
const free = (task: string) => change((of) => ({ ...of, put: of.put.filter((one) => one.id !== task) }))
/** The hour moves everything with it, but for what has been done. */
function setHour(ms: number) {
  isPast.value = ms < serverNow()
  if (!isPast.value) change((of) => atHour(of, ms))
}
const isPast = ref(false)
function repair(by: DinnerRepair) {
  change((of): Meal => {
    switch (by.kind) {
      case 'later':
        return atHour(of, of.servedAt + by.minutes * 60_000)
      case 'hands':
        return { ...of, hands: by.hands }
      case 'waits-longer':
        return changeDish(of, by.dish, { waits: true })
      case 'not-put':
        return { ...of, put: of.put.filter((one) => one.id !== by.task) }
      case 'soak':
      case 'ahead':
      case 'in-pot':
      case 'pot':
        return atHour(takenWay(of, by), of.servedAt + by.minutes * 60_000)
      default:
        return of
    }
  })
}
/** A burner more is had where burners are kept; all else is done by a press. */
const canPress = ({ kind }: DinnerRepair) => kind !== 'burners'
const takenWay = (of: Meal, way: DinnerWay) => (kitchen.kitchen ? changedBy(of, way, kitchen.kitchen) : of)
const showsWays = ref(false)

// ---- what happens
const startMs = (task: MealTask) => (meal.value ? momentOf(meal.value, task.startMinute) : 0)
function tick(task: MealTask) {
  const now = Math.round(serverNow())
  const at = Math.min(now, Math.max(startMs(task), now - task.minutes * 60_000))
  // A soak is in water and goes on; what the hands do is over.
  change((of) => ({ ...of, begun: { ...of.begun, [task.id]: { at, doneAt: task.passive ? null : now } } }))
}
const untick = (task: MealTask) =>
  change((of) => ({ ...of, begun: Object.fromEntries(Object.entries(of.begun).filter(([one]) => one !== task.id)) }))
/** A soak is only said to have been done by who did it: beans that never soaked must not pass for soaked. */
const isTicked = (one: string) =>
  meal.value?.begun[one] !== undefined ||
  (isDone(one) && !tasks.value.some(({ id: of, passive }) => of === one && passive))

/** What is done by hand, or stands in water, in the order of time; and the first of it that nobody has done. */
const steps = computed(() =>
  tasks.value.filter(({ hands, passive }) => hands || passive).sort((a, b) => a.startMinute - b.startMinute),
)
const next = computed(() => steps.value.find(({ id: one }) => !isTicked(one)) ?? null)

const { start, lighting, failure: lightFailure } = useStartRun()
async function light(task: MealTask) {
  // What goes onto the flame is what is wished now: in an answer from before it may be something else's turn.
  await until(working).toBe(false)
  if (next.value?.id !== task.id) return
  const stage = answers.value[task.dish]?.stages.find((one) => one.id === task.stage)
  const of = meal.value?.dishes.find(({ key }) => key === task.dish)
  if (!stage?.pot || !of || !kitchen.kitchen) return
  const settings = of.dish.stages.find((one) => one.id === task.stage)?.pot
  const cooker = kitchen.kitchen.cookers.find((one) => one.id === settings?.cookerId) ?? kitchen.kitchen.cookers[0]!
  const started = await start({
    name: of.dish.name,
    cookerId: cooker.id,
    cookerName: cooker.name,
    request: stage.pot.request,
    burnerId: heatsItself(cooker.cooker.appliance) ? null : settings?.burnerId || null,
    bagIds: bagIdsOf(stage.pot.request, kitchen.kitchen),
  })
  if (!started) return
  change((now) => ({ ...now, runs: { ...now.runs, [`${task.dish}.${task.stage}`]: started.run.id } }))
  await navigateTo(`/cook/${started.run.id}`)
}
const serve = () => change((of) => ({ ...of, servedOn: Math.round(serverNow()) }))
async function away() {
  if (!kept.value) return
  const gone = kept.value
  await store.remove(gone)
  useTakenOffMeal().value = gone
  emit('gone')
}

// ---- one task
const chosen = ref<string | null>(null)
const chosenTask = computed(() => tasks.value.find((one) => one.id === chosen.value) ?? null)
const canMove = computed(
  () => chosenTask.value !== null && !isTicked(chosenTask.value.id) && !going(chosenTask.value.id),
)
const isPut = computed(() => meal.value?.put.some((one) => one.id === chosen.value) ?? false)
const shift = (by: number) =>
  chosenTask.value && put({ id: chosenTask.value.id, startMinute: chosenTask.value.startMinute + by })

const span = ({ startMinute, minutes }: MealTask) =>
  t('meals.fromTo', { from: when(meal.value!, startMinute), to: when(meal.value!, startMinute + minutes) })

/** A soak that must be in water before the day of the dinner. */
const soakFirst = computed(() => {
  const soak = tasks.value.find((task) => task.passive && !isTicked(task.id) && task.startMinute > nowMinute.value - 60)
  return soak && meal.value ? { task: soak, dish: dishName(meal.value, soak.dish) } : null
})
const showsCalendar = ref(false)
const looksBack = ref(false)
/** What was wished before; what has been done since stays done. */
const tellMeal = ({ servedAt, hands }: Meal) => t('meals.inShort', { time: clock(servedAt), n: hands }, hands)
function takeEarlier(content: unknown) {
  change(({ begun, runs, servedOn }) => ({ ...(content as Meal), begun, runs, servedOn }))
  looksBack.value = false
}
const printIt = () => window.print()
useHead({ title: () => (meal.value ? `${clock(meal.value.servedAt)} · Bivvet` : 'Bivvet') })
</script>

<template>
  <div v-if="meal && canSay" class="meal">
    <section>
      <MealHead
        :meal="meal"
        :summary="summary"
        @hour="setHour"
        @add="add"
        @change="change"
        @out="(key) => change((of) => withoutDish(of, key))"
        @apart="
          (key) => change((of) => ({ ...of, dishes: of.dishes.map((one) => (one.key === key ? apart(one) : one)) }))
        "
      />
      <p v-if="meal.dishes.length === 0" class="soft">{{ t('meals.none') }}</p>
      <MealBoard
        v-if="tasks.length > 0"
        v-model:trial="trial"
        v-model:chosen="chosen"
        :meal="meal"
        :tasks="tasks"
        :answers="answers"
        :done="isDone"
        :going="going"
        :now-minute="nowMinute"
        :served-minute="laterMinutes"
        @put="put"
        @free="free"
      />
      <NoCooker v-else-if="hasNoPot" />
      <p v-else-if="working" class="soft" role="status">{{ t('meals.working') }}</p>

      <div v-if="chosenTask" class="chosen no-print">
        <p>
          <b>{{ chosenTask.dish }}</b> {{ taskText(meal, chosenTask, told.get(chosenTask.id)) }},
          {{ span(chosenTask) }}
        </p>
        <template v-if="canMove">
          <v-btn @click="shift(-5)">{{ t('meals.earlier') }}</v-btn>
          <v-btn @click="shift(5)">{{ t('meals.later') }}</v-btn>
          <v-btn v-if="!isPut" @click="shift(0)">{{ t('meals.lock') }}</v-btn>
          <v-btn v-else @click="free(chosenTask.id)">
            {{ t('meals.unlock') }}
          </v-btn>
          <span class="soft hint">{{ t('meals.moveHint') }}</span>
        </template>
      </div>

      <div class="said" aria-live="polite">
        <div v-if="impossible" class="trouble">
          <p>
            {{ t('meals.cannot', { wishes: list(impossible.wishes.map((wish) => wishText(meal!, wish, tasks))) }) }}
            {{
              t(
                impossible.repairs.length > 0
                  ? 'meals.couldHelp'
                  : looking
                    ? 'meals.looking'
                    : impossible.isWhole
                      ? 'meals.noHelp'
                      : 'meals.noHelpYet',
              )
            }}
          </p>
          <ul>
            <li v-for="one in impossible.repairs" :key="JSON.stringify(one)">
              <v-btn v-if="canPress(one)" @click="repair(one)">
                {{ repairText(meal, one, tasks) }}
              </v-btn>
              <v-btn v-else to="/kitchen">{{ repairText(meal, one, tasks) }}</v-btn>
            </li>
          </ul>
        </div>
        <p v-for="one in problems" :key="one.path + one.code" class="trouble" role="alert">{{ problemText(one) }}</p>
        <p v-if="isPast" class="trouble" role="alert">{{ t('meals.past') }}</p>
        <p v-if="failed" class="trouble" role="alert">{{ t('errors.server') }}</p>
        <div v-if="laterMinutes > 0" class="slips">
          <p>
            <strong>{{ t('meals.slips', { time: whenMs(servedAt) }) }}</strong>
            <template v-if="dinner!.waiting.length > 0">
              {{
                t(
                  'meals.waits',
                  { dishes: list(dinner!.waiting.map((key) => dishName(meal!, key))) },
                  dinner!.waiting.length,
                )
              }}
            </template>
          </p>
          <v-btn @click="repair({ kind: 'later', minutes: laterMinutes })">
            {{ t('meals.accept', { time: whenMs(servedAt) }) }}
          </v-btn>
          <v-btn v-if="dinner!.withHands" @click="repair({ kind: 'hands', hands: meal!.hands + 1 })">
            {{ t('meals.keepHour', { time: clock(meal.servedAt) }) }}
          </v-btn>
          <v-btn v-for="way in dinner!.keeps" :key="JSON.stringify(way)" @click="change((of) => takenWay(of, way))">
            {{ t('meals.keepBy', { time: clock(meal.servedAt), way: wayText(meal, way) }) }}
          </v-btn>
        </div>
        <div v-for="clash in clashes" :key="clash.dish + clash.other" class="trouble">
          <p>
            {{
              t('meals.sameBurner', {
                dish: dishName(meal, clash.dish),
                other: dishName(meal, clash.other),
                burner: burnerName(clash.burnerId),
              })
            }}
          </p>
          <v-btn v-if="clash.way" @click="change((of) => takenWay(of, clash.way!))">
            {{ wayText(meal, clash.way) }}
          </v-btn>
        </div>
        <p v-if="best" class="soft">
          {{ t('meals.waitsBest', { dish: dishName(meal, best.dish), time: duration(best.minutes) }) }}
        </p>
        <p v-if="soakFirst" class="soaks tone-water">
          {{
            t('meals.soakTonight', {
              what: things(meal, soakFirst.task),
              time: when(meal, soakFirst.task.startMinute),
              dish: soakFirst.dish,
            })
          }}
        </p>
        <p v-if="lightFailure" class="trouble" role="alert">
          {{ t(lightFailure.kind === 'server' ? 'errors.server' : 'errors.network') }}
        </p>
        <p v-if="store.isUnsent && store.failure" class="soft" role="status">{{ t('meals.unsent') }}</p>
      </div>

      <CautionList v-if="cautions.length > 0" :cautions="cautions" />
      <p v-if="dinner && laterMinutes === 0" class="soft proof">{{ proof }}</p>
      <div class="ways no-print">
        <LinkBtn v-if="store.undoable.length > 0" @click="store.undo()">
          {{ t('meals.undo') }}
        </LinkBtn>
        <LinkBtn v-if="dinner && !hasBegun" :aria-expanded="showsWays" @click="showsWays = !showsWays">
          {{ t('meals.ways.ask') }}
        </LinkBtn>
        <LinkBtn v-if="meal.hands < 3" @click="change((of) => ({ ...of, hands: of.hands + 1 }))">
          {{ t('meals.helper') }}
        </LinkBtn>
        <LinkBtn v-if="meal.hands > 1" @click="change((of) => ({ ...of, hands: of.hands - 1 }))">
          {{ t('meals.noHelper') }}
        </LinkBtn>
        <MealHelpers :meal="meal" @change="(helpers) => change((of) => ({ ...of, helpers }))" />
        <LinkBtn v-if="tasks.length > 0" :aria-expanded="showsCalendar" @click="showsCalendar = !showsCalendar">
          {{ t('meals.intoCalendar') }}
        </LinkBtn>
        <AlarmChoice />
        <LinkBtn :aria-expanded="looksBack" @click="looksBack = !looksBack">
          {{ t('edit.versions.title') }}
        </LinkBtn>
        <LinkBtn @click="printIt">{{ t('meals.print') }}</LinkBtn>
        <LinkBtn @click="away">{{ t('meals.away') }}</LinkBtn>
      </div>
      <MealWays
        v-if="showsWays && dinner && !hasBegun"
        :meal="meal"
        :plan="dinner.plan"
        class="no-print"
        @take="(way) => change((of) => takenWay(of, way))"
      />
      <MealCalendar v-if="showsCalendar" :meal-id="id" class="no-print" />
      <LazyEarlierVersions
        v-if="looksBack"
        :id="id"
        kind="meal"
        class="no-print"
        :tell="(content) => tellMeal(content as Meal)"
        @take="takeEarlier"
      />
    </section>
    <aside v-if="tasks.length > 0">
      <MealTodo
        :meal="meal"
        :steps="steps"
        :next="next"
        :told="told"
        :done="isTicked"
        :now-ms="nowMs"
        :lighting="lighting"
        @tick="tick"
        @untick="untick"
        @light="light"
        @unsoaked="(task) => change((of) => changeDish(of, task.dish, { soak: 'none' }))"
        @serve="serve"
      />
    </aside>
  </div>
</template>

<style scoped>
.meal {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 330px;
  border-bottom: 1px solid var(--line);
}
section {
  min-width: 0;
  padding: 18px 24px 20px;
}
aside {
  padding: 22px 24px;
  border-inline-start: 1px solid var(--line);
}
p {
  margin: 0;
}
.chosen,
.slips,
.ways {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 14px;
  align-items: center;
}
.chosen {
  padding: 8px 0;
  border-bottom: 1px solid var(--line);
}
.hint {
  font-size: 14px;
}
.said {
  display: grid;
  gap: 10px;
  margin: 14px 0;
}
.said:empty {
  display: none;
}
.trouble,
.slips {
  padding-inline-start: 12px;
  border-inline-start: 3px solid var(--heat);
}
.trouble ul {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
  margin: 8px 0 0;
  padding: 0;
  list-style: none;
}
.soaks::first-letter {
  text-transform: uppercase;
}
.soaks {
  font-weight: 700;
}
.proof {
  font-size: 14.5px;
}
.ways {
  gap: 4px 22px;
  margin-top: 8px;
}
.ways > * {
  min-height: 44px;
}
.ways a {
  display: inline-flex;
  align-items: center;
}
@media (max-width: 1023px) {
  .meal {
    grid-template-columns: minmax(0, 1fr);
  }
  aside {
    grid-row: 1;
    padding: 16px;
    border: 0;
    border-bottom: 1px solid var(--line);
  }
}
@media (max-width: 719px) {
  section {
    padding: 14px 16px 18px;
  }
}
@media print {
  .meal {
    grid-template-columns: minmax(0, 1fr);
  }
  /* The hour first, then what is to be done for it. */
  section,
  aside {
    grid-row: auto;
    padding: 0 12px 8px;
    border: 0;
  }
}
</style>
