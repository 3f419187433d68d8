import { useDebounceFn } from '@vueuse/core'
import { instructionsOfDinner } from '~~/core/guide/dinner'
import type { Instruction } from '~~/core/guide/instruction'
import type { DinnerAnswer } from '~~/core/meal/dinner'
import type { PotFacts } from '~~/core/meal/progress'
import { firstLitAt, lastCycle, runState } from '~~/core/live/run'
import type { Outcome } from '~~/core/problem'
import { minuteOf, type Meal, type MealTask } from '~~/shared/meal'
import { dinnerOf, type AskedDinner } from '~~/shared/meal-request'
import type { KeptMeal } from '~~/shared/household'

/**
 * How many pieces of work a plan may take at first, so that the next change is answered soon; and what is looked at
 * further once the hand rests, each more than the last, until it is proved. A piece is about a millisecond.
 */
const FIRST_WORK = 250
const FURTHER_WORK = [1800, 8000, 40_000]
const RESTS_AFTER_MS = 900

/** Where a task is being put, while it is dragged. */
export interface Trial {
  id: string
  startMinute: number
}

/** A meal with its plan as things stand, worked out anew with every change and every minute. */
export function useMeal(kept: Ref<KeptMeal | null>, nowMs: Ref<number>) {
  const store = useMealsStore()
  const kitchen = useKitchenStore()
  const learnt = useLearntStore()
  const runs = useRunsStore()
  const stove = useCookingStore()
  const meal = computed(() => kept.value?.content ?? null)
  const trial = ref<Trial | null>(null)

  /** What the pots of the meal tell. */
  const pots = computed<Record<string, PotFacts>>(() => {
    const now = meal.value
    if (!now) return {}
    return Object.fromEntries(
      Object.entries(now.runs).flatMap(([stage, runId]) => {
        const run = runs.one(runId)
        if (!run) return []
        const state = runState(runs.eventsOf(run))
        const cycle = lastCycle(state)
        const minute = (ms: number | null) => (ms === null || !Number.isFinite(ms) ? null : minuteOf(now, ms))
        const outlook = stove.laneOf(runId)?.following.outlook
        const isOver = state.phase === 'opened' || state.phase === 'abandoned'
        return [
          [
            stage,
            {
              litMinute: minute(firstLitAt(state)),
              heatOffMinute: minute(cycle.heatOffAt ?? (isOver ? cycle.openedAt : null)),
              openedMinute: minute(cycle.openedAt),
              turnedMinute: minute(cycle.flameChanges[0]?.at ?? null),
              turnDueMinute: minute(
                cycle.whistles[0]?.at ?? cycle.atPressureAt ?? cycle.boilsAt ?? outlook?.nextWhistleAt ?? null,
              ),
              opensFromMinute: minute(outlook?.opensAt.value ?? null),
              heatOffDueMinute: minute(outlook?.heatOffAt ?? null),
            },
          ],
        ]
      }),
    )
  })

  /** The minute it is, so that a plan is made once in each. */
  const nowMinute = computed(() => (meal.value ? minuteOf(meal.value, nowMs.value) : 0))
  const asked = computed(() => {
    const now = meal.value
    if (!now || !kitchen.kitchen) return null
    void nowMinute.value
    const { tasks, ...wished } = now
    const put = trial.value ? [...now.put.filter(({ id }) => id !== trial.value!.id), trial.value] : now.put
    const dinner = dinnerOf(
      { ...wished, tasks, put },
      kitchen.kitchen,
      now.servedAt + nowMinute.value * 60_000,
      pots.value,
      learnt.believed,
    )
    return dinner
  })
  const {
    result: first,
    working,
    failed,
  } = useWorked(
    asked,
    async (work, dinner): Promise<Outcome<DinnerAnswer>> => work.dinner(dinner, FIRST_WORK),
    'search',
  )
  const { found: further, looking } = useFurther(asked, first, () => trial.value !== null)
  const result = computed(() => further.value ?? first.value)
  const answer = computed(() => (result.value?.ok ? result.value.value : null))
  const dinner = computed(() => (answer.value?.possible ? answer.value.dinner : null))
  const impossible = computed(() => (answer.value && !answer.value.possible ? answer.value : null))
  // What was not found at once is looked for again, longer, before it is said.
  const problems = computed(() =>
    result.value && !result.value.ok
      ? result.value.problems.filter(({ code }) => code !== 'meal-not-in-time' || !looking.value)
      : [],
  )

  /** The tasks as they are planned now, in minutes from the hour that was wished. */
  const tasks = computed<MealTask[]>(() => {
    const now = meal.value
    if (!now) return []
    if (!dinner.value) return now.tasks
    const { plan, laterMinutes } = dinner.value
    const at = new Map(plan.tasks.map(({ id, startMinute }) => [id, startMinute + laterMinutes]))
    const begun = new Map(dinner.value.begun.map((one) => [one.id, one]))
    return dinner.value.tasks.map(({ id, dish, stage, part, minutes, hands, burner, cooker, passive }) => ({
      id,
      dish,
      stage,
      part,
      startMinute: at.get(id)!,
      minutes: Math.max(0, Math.round(begun.get(id)?.minutes ?? minutes)),
      hands,
      burner,
      cooker,
      ...(passive ? { passive } : {}),
    }))
  })
  // The plan goes with the meal: other devices and the calendar have it before anything is computed. It is that of what
  // is wished now: one from before would take back what an undo has just given.
  watch(dinner, () => {
    if (trial.value || !kept.value || !dinner.value) return
    if (JSON.stringify(tasks.value) === JSON.stringify(kept.value.content.tasks)) return
    store.change(kept.value.id, (of) => ({ ...of, tasks: tasks.value }), { undo: false })
  })

  /** Everything that is done in each task, by its id. */
  const told = computed(() => {
    const of = asked.value?.dinner
    if (!dinner.value || !of) return new Map<string, Instruction[]>()
    const starts = new Map(tasks.value.map(({ id, startMinute }) => [id, startMinute]))
    return new Map(instructionsOfDinner(of.dishes, dinner.value, starts).map((one) => [one.task, one.instructions]))
  })
  // What calls from another screen says it in the same words.
  watch(
    told,
    (byTask) =>
      (store.told = meal.value && byTask.size > 0 ? { dishes: JSON.stringify(meal.value.dishes), byTask } : null),
    { immediate: true },
  )
  const begun = computed(() => new Map((dinner.value?.begun ?? []).map((one) => [one.id, one])))
  const isDone = (id: string) => begun.value.get(id)?.done === true || meal.value?.begun[id]?.doneAt != null
  const change = (by: (meal: Meal) => Meal) => kept.value && store.change(kept.value.id, by)

  /** There are dishes, and nothing to cook them in. */
  const hasNoPot = computed(() => meal.value !== null && meal.value.dishes.length > 0 && asked.value === null)

  return {
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
  }
}

/** What was not proved at once, looked at further in a thread of its own, which any change ends. */
function useFurther(asked: Ref<AskedDinner | null>, first: Ref<Outcome<DinnerAnswer> | null>, isHeld: () => boolean) {
  const found = shallowRef<Outcome<DinnerAnswer> | null>(null)
  const looking = ref(false)
  let turn = 0
  function end() {
    turn++
    if (looking.value) stopWorker('further')
    looking.value = false
  }
  async function look(own: number, dinner: AskedDinner) {
    for (const work of FURTHER_WORK) {
      const better = await useWorker('further').dinner(dinner, work)
      if (own !== turn) return
      found.value = better
      if (isProved(better)) break
    }
    looking.value = false
  }
  const rested = useDebounceFn(() => {
    if (isHeld() || !asked.value || !first.value || isProved(first.value)) return
    looking.value = true
    look(++turn, toPlain(asked.value)).catch(() => (looking.value = false))
  }, RESTS_AFTER_MS)
  watch(first, () => {
    end()
    found.value = null
    void rested()
  })
  onScopeDispose(end)
  return { found, looking }
}

const isProved = (outcome: Outcome<DinnerAnswer>) =>
  outcome.ok &&
  (outcome.value.possible ? outcome.value.dinner.plan.optimal && outcome.value.dinner.isWhole : outcome.value.isWhole)
