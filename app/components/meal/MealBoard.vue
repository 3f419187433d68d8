<script setup lang="ts">
import { useElementSize, useMediaQuery } from '@vueuse/core'
import type { DishAnswer } from '~~/core/dish/dish'
import { flameOf as flameOfStage } from '~~/core/dish/stages'
import type { FlameName } from '~~/core/names'
import type { FigureRange } from '~~/core/program/range'
import { inUse } from '~~/shared/kitchen'
import { momentOf, type Meal, type MealTask } from '~~/shared/meal'
import { vDrag, type OnDrag } from '~/composables/common/drag'
import type { Trial } from '~/composables/meal/useMeal'

/**
 * The board: time runs to the hour on the table, with a lane for each pair of hands, burner and cooker. A task is
 * dragged along its lane, or moved by the arrow keys; what that moves is seen at once.
 */
const { meal, tasks, answers, done, going, nowMinute, servedMinute } = defineProps<{
  meal: Meal
  tasks: readonly MealTask[]
  answers: Readonly<Record<string, DishAnswer>>
  done: (id: string) => boolean
  going: (id: string) => boolean
  nowMinute: number
  /** When it is on the table as things stand, in minutes from the hour. */
  servedMinute: number
}>()
const trial = defineModel<Trial | null>('trial', { required: true })
const chosen = defineModel<string | null>('chosen', { required: true })
const emit = defineEmits<{ put: [trial: Trial]; free: [id: string] }>()
const { t, clock, number } = useI18nText()
const { taskText, partText, cookerName, when } = useMealWords()
const kitchen = useKitchenStore()

const box = useTemplateRef<HTMLElement>('box')
const { width } = useElementSize(box)
/** On paper nothing scrolls, and its width is known before it is measured: a sheet of A4 or Letter without its edges. */
const isPrinted = useMediaQuery('print')
const SHEET_PX = 690
const FEWEST_PX = 620
const NAMES_PX = 118
const PAD_MINUTES = 4
const across = computed(() => (isPrinted.value ? SHEET_PX : Math.max(FEWEST_PX, width.value)) - NAMES_PX - 12)
const active = computed(() => tasks.filter(({ passive }) => !passive))
const first = computed(() => Math.min(-20, ...active.value.map(({ startMinute }) => startMinute)) - PAD_MINUTES)
const perMinute = computed(() => across.value / (Math.max(0, servedMinute) + 2 - first.value))
const x = (minute: number) => (Math.max(first.value, minute) - first.value) * perMinute.value
const LEAST_TICK_PX = 62
const ticks = computed(() => {
  const served = new Date(meal.servedAt)
  return roundMinutes({
    from: first.value,
    minuteOfDay: served.getHours() * 60 + served.getMinutes(),
    leastApart: LEAST_TICK_PX / perMinute.value,
  })
})

const hands = computed(() =>
  inLanes(
    tasks.filter((task) => task.hands && !task.passive),
    [
      ...(meal.hands === 1
        ? [t('meals.lanes.hands')]
        : Array.from({ length: meal.hands }, (_, i) => t('meals.lanes.handsNo', { n: number(i + 1) }))),
      ...(meal.helpers ?? []).map(() => t('meals.lanes.help')),
    ],
  ),
)
const burnersThere = computed(() => inUse(kitchen.kitchen?.burners ?? []))
const stageOf = ({ dish, stage }: MealTask) =>
  meal.dishes.find(({ key }) => key === dish)?.dish.stages.find(({ id }) => id === stage)
const burners = computed(() =>
  inLanes(
    tasks.filter(({ burner }) => burner),
    burnersThere.value.map(({ name }, i) => name || t('meals.lanes.burner', { n: number(i + 1) })),
    (task) =>
      Math.max(
        0,
        burnersThere.value.findIndex(({ id }) => id === stageOf(task)?.pot?.burnerId),
      ),
  ),
)
const HEIGHTS: Record<FlameName, number> = { high: 1, medium: 0.74, low: 0.5, simmer: 0.36 }
const flameOf = (task: MealTask): FlameName => {
  const stage = stageOf(task)
  return stage ? (stage.pot?.flame ?? flameOfStage(stage)) : 'medium'
}

/** Pots by their strip. */
const STRIP = 52
function figureOf(range: FigureRange | undefined): string {
  if (!range) return ''
  const { figure, unit } = range
  return unit === 'whistles'
    ? `${number(figure)} ${t('units.whistles', {}, figure)}`
    : t('units.minuteCount', { n: number(figure) })
}
const cookers = computed(() =>
  [...new Set(active.value.flatMap(({ cooker }) => cooker ?? []))].map((id) => {
    const inIt = active.value.filter(({ cooker }) => cooker === id)
    const courses = [...new Set(inIt.map(({ dish }) => dish))].map((dish) => {
      const own = inIt.filter((one) => one.dish === dish)
      const cooks = own.find(({ part }) => part === 'cook')?.stage
      const closing = answers[dish]?.stages.find((one) => one.id === cooks)?.pot?.answer.closings[0]
      const points = courseOf(own, closing).map(([minute, height]) => `${x(minute).toFixed(1)},${STRIP - height}`)
      const label = [dish, figureOf(closing?.range)].filter(Boolean).join(' · ')
      return { dish, from: Math.min(...own.map(({ startMinute }) => startMinute)), points: points.join(' '), label }
    })
    return { id, name: cookerName(id), courses }
  }),
)
const soaks = computed(() => tasks.filter(({ passive }) => passive))

// A task is carried along its lane.
const canMove = (task: MealTask) => !done(task.id) && !going(task.id)
const isPut = (id: string) => meal.put.some((one) => one.id === id)
/** Where the task lay when its drag began: what is tried moves it meanwhile. */
let fromMinute = 0
let cancelDrag = () => {}
const drag =
  (task: MealTask): OnDrag =>
  ({ xy: [toX], initial: [fromX], first, last, canceled, cancel }) => {
    if (canceled) return void (trial.value = null)
    if (!canMove(task)) return
    if (first) fromMinute = task.startMinute
    cancelDrag = cancel
    const tried = { id: task.id, startMinute: Math.round(fromMinute + (toX - fromX) / perMinute.value) }
    trial.value = last ? null : tried
    if (last) emit('put', tried)
  }
function putBack() {
  if (trial.value) cancelDrag()
  trial.value = null
}
function press(event: KeyboardEvent, task: MealTask) {
  if (event.key === 'Escape') return putBack()
  if (!canMove(task)) return
  const by = { ArrowLeft: -1, ArrowRight: 1 }[event.key]
  if (by !== undefined) emit('put', { id: task.id, startMinute: task.startMinute + by * (event.shiftKey ? 5 : 1) })
  else if (event.key.toLowerCase() === 'l') emit('put', { id: task.id, startMinute: task.startMinute })
  else if (event.key === 'Delete' || event.key === 'Backspace') emit('free', task.id)
  else return
  event.preventDefault()
}
function said(task: MealTask): string {
  const as = done(task.id)
    ? 'meals.taskDone'
    : going(task.id)
      ? 'meals.taskGoesOn'
      : isPut(task.id)
        ? 'meals.taskFixed'
        : 'meals.task'
  return t(as, {
    dish: task.dish,
    task: taskText(meal, task),
    from: when(meal, task.startMinute),
    to: when(meal, endOf(task)),
  })
}
const LABEL_PX = 46
const barStyle = (task: MealTask) => ({
  left: `${x(task.startMinute)}px`,
  width: `${Math.max(3, task.minutes * perMinute.value - 1)}px`,
})
</script>

<template>
  <div ref="box" class="board" dir="ltr" role="group" :aria-label="t('meals.board')" tabindex="0">
    <div class="inner" :style="{ width: `${across + NAMES_PX + 12}px` }">
      <div class="over" :style="{ left: `${NAMES_PX}px`, width: `${across}px` }" aria-hidden="true">
        <i v-for="tick in ticks" :key="tick" class="grid" :style="{ left: `${x(tick)}px` }" />
      </div>
      <div class="lane ticks" aria-hidden="true">
        <span />
        <div class="track">
          <span
            v-for="tick in ticks"
            :key="tick"
            class="figure tick"
            :class="{ hour: tick === 0 }"
            :style="{ left: `${x(tick)}px` }"
          >
            {{ clock(momentOf(meal, tick)) }}
          </span>
        </div>
      </div>
      <div v-if="soaks.length > 0" class="lane low">
        <span class="name">{{ t('meals.lanes.soak') }}</span>
        <div class="track">
          <button
            v-for="(task, i) in soaks"
            :key="task.id"
            type="button"
            class="soak"
            :class="{ chosen: chosen === task.id }"
            :style="{ left: '0px', width: `${Math.max(40, x(endOf(task)))}px`, top: `${i * 22}px` }"
            :aria-label="said(task)"
            @click="chosen = task.id"
          >
            <b>{{ task.dish }}</b>
            {{ t('meals.fromTo', { from: when(meal, task.startMinute), to: clock(momentOf(meal, endOf(task))) }) }}
          </button>
        </div>
      </div>
      <div v-for="lane in hands" :key="lane.id" class="lane">
        <span class="name">{{ lane.name }}</span>
        <div class="track">
          <button
            v-for="task in lane.tasks"
            :key="task.id"
            v-drag="drag(task)"
            type="button"
            class="bar hands"
            :class="{
              done: done(task.id),
              on: going(task.id),
              put: isPut(task.id) || trial?.id === task.id,
              chosen: chosen === task.id,
            }"
            :style="barStyle(task)"
            :aria-label="said(task)"
            :title="said(task)"
            @click="chosen = task.id"
            @keydown="press($event, task)"
          >
            <span class="letter figure">{{ task.dish }}</span>
            <span v-if="task.minutes * perMinute > LABEL_PX" class="what">{{ partText(meal, task) }}</span>
          </button>
        </div>
      </div>
      <div v-for="lane in burners" :key="lane.id" class="lane">
        <span class="name">{{ lane.name }}</span>
        <div class="track">
          <span v-if="lane.tasks.length === 0" class="free soft">{{ t('meals.lanes.free') }}</span>
          <span
            v-for="task in lane.tasks"
            :key="task.id"
            class="heat"
            :class="[flameOf(task), { done: done(task.id) }]"
            :style="{ ...barStyle(task), height: `${48 * HEIGHTS[flameOf(task)]}px` }"
            :title="said(task)"
          >
            <span class="letter figure">{{ task.dish }}</span>
          </span>
        </div>
      </div>
      <div v-for="cooker in cookers" :key="cooker.id" class="lane">
        <span class="name">{{ cooker.name }}</span>
        <div class="track">
          <svg :width="across" :height="STRIP" aria-hidden="true">
            <polygon v-for="course in cooker.courses" :key="course.dish" :points="course.points" class="course" />
          </svg>
          <span
            v-for="course in cooker.courses"
            :key="course.dish"
            class="course-label"
            :style="{ left: `${x(course.from) + 4}px` }"
            >{{ course.label }}</span
          >
        </div>
      </div>
      <div class="over" :style="{ left: `${NAMES_PX}px`, width: `${across}px` }" aria-hidden="true">
        <i class="hour" :style="{ left: `${x(servedMinute)}px` }" />
        <i
          v-if="nowMinute > first && nowMinute <= Math.max(0, servedMinute)"
          class="now"
          :style="{ left: `${x(nowMinute)}px` }"
        >
          <b class="figure">{{ t('meals.now', { time: clock(momentOf(meal, nowMinute)) }) }}</b>
        </i>
      </div>
    </div>
  </div>
</template>

<style scoped>
.board {
  overflow-x: auto;
  overflow-y: hidden;
}
.inner {
  position: relative;
  padding-bottom: 22px;
}
.lane {
  display: grid;
  grid-template-columns: 118px minmax(0, 1fr);
  align-items: center;
  min-height: 70px;
  border-bottom: 1px solid var(--line);
}
.lane.low {
  min-height: 46px;
}
.ticks {
  min-height: 26px;
  border: 0;
}
.name {
  padding-inline-end: 8px;
  font-size: 14.5px;
  font-weight: 700;
}
.track {
  position: relative;
  height: 100%;
  min-height: inherit;
}
.tick {
  position: absolute;
  top: 6px;
  transform: translateX(-50%);
  font-size: 15px;
  font-weight: 500;
  color: var(--ink-soft);
  white-space: nowrap;
}
.bar,
.heat {
  position: absolute;
  bottom: 8px;
  padding: 0;
  border: 0;
}
.bar {
  z-index: 1;
  height: 44px;
  border-radius: 1px;
  background: var(--ink);
  color: var(--ground);
  font: inherit;
  font-size: 13px;
  cursor: grab;
  touch-action: pan-y;
}
.bar::after {
  content: '';
  position: absolute;
  inset: 0 -5px;
}
.bar.done,
.heat.done {
  opacity: 0.45;
}
.bar.done {
  cursor: pointer;
}
.bar.on {
  background: repeating-linear-gradient(
    -45deg,
    var(--ink) 0 7px,
    color-mix(in srgb, var(--ink) 72%, var(--ground)) 7px 12px
  );
}
.bar.put {
  box-shadow: inset 0 -5px 0 var(--water);
}
.bar.chosen {
  outline: 3px solid var(--water);
  outline-offset: 1px;
}
.letter {
  position: absolute;
  bottom: calc(100% + 1px);
  left: 50%;
  transform: translateX(-50%);
  font-size: 14px;
  color: var(--ink);
}
.what {
  display: block;
  overflow: hidden;
  text-overflow: clip;
  white-space: nowrap;
}
.heat {
  bottom: 0;
  background: var(--heat);
}
.heat.low,
.heat.simmer {
  background: var(--brass, color-mix(in srgb, var(--heat) 62%, var(--ground)));
}
.heat .letter {
  left: 8px;
}
.free {
  position: absolute;
  top: 24px;
  left: 42%;
  font-size: 14px;
}
svg {
  position: absolute;
  bottom: 0;
  left: 0;
  overflow: visible;
}
.course {
  fill: color-mix(in srgb, var(--steam) 24%, var(--ground));
  stroke: var(--steam);
  stroke-width: 1.5;
}
.course-label {
  position: absolute;
  bottom: 12px;
  font-size: 13.5px;
  white-space: nowrap;
}
.soak {
  position: absolute;
  height: 20px;
  margin-top: 12px;
  padding: 0 8px;
  /* Its hours are read whole, however little of the soak is on the board: nothing else stands in its lane. */
  overflow: visible;
  border: 0;
  border-radius: 1px;
  background: color-mix(in srgb, var(--water) 22%, var(--ground));
  color: var(--ink);
  font: inherit;
  font-size: 13px;
  line-height: 20px;
  text-align: start;
  white-space: nowrap;
  cursor: pointer;
}
.soak.chosen {
  outline: 2px solid var(--water);
}
.over {
  position: absolute;
  top: 26px;
  bottom: 22px;
  pointer-events: none;
}
.over i {
  position: absolute;
  top: 0;
  bottom: 0;
}
.grid {
  border-inline-start: 1px solid color-mix(in srgb, var(--line) 70%, transparent);
}
.hour {
  border-inline-start: 3px solid var(--ink);
}
.now {
  border-inline-start: 2px dashed var(--ink);
}

.over b {
  font-style: normal;
}
.now b {
  position: absolute;
  top: 100%;
  left: 2px;
  padding-top: 4px;
  font-size: 15px;
  white-space: nowrap;
}
.tick.hour {
  border: 0;
  font-weight: 700;
  color: var(--ink);
}
@media print {
  /* The bars are what is read. */
  .board {
    print-color-adjust: exact;
  }
  .lane {
    min-height: 58px;
  }
}
@media (max-width: 719px) {
  .board {
    margin: 0 -16px;
    padding: 0 16px;
  }
}
/* Where the system sets the colours, the bars are drawn in its own. */
@media (forced-colors: active) {
  .bar,
  .heat,
  .soak {
    border: 1px solid CanvasText;
    background: CanvasText;
    color: Canvas;
    forced-color-adjust: none;
  }
  .heat {
    background: Highlight;
  }
  .soak {
    background: Canvas;
    color: CanvasText;
  }
  .bar .letter,
  .heat .letter {
    color: CanvasText;
  }
  .course {
    fill: Canvas;
    stroke: CanvasText;
  }
}
</style>
