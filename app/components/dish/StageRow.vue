<script setup lang="ts">
import { mdiDrag } from '@mdi/js'
import { holdsPressure } from '~~/core/appliance/appliance'
import type { Stage } from '~~/core/dish/dish.schema'
import type { Instruction } from '~~/core/guide/instruction'
import type { StageAnswer } from '~~/core/dish/dish'
import { STAGES, vesselOf } from '~~/core/dish/stages'
import type { DishDocument } from '~~/shared/dish'
import { vDrag } from '~/composables/common/drag'

/** One stage of a dish: when, in what, what goes in, how long, and its piece of the stream. */
const {
  dish,
  stage,
  answer,
  most,
  steps,
  fixed = false,
} = defineProps<{
  dish: DishDocument
  stage: Stage
  answer: StageAnswer | null
  most: number
  /** All that is done in it, in order. */
  steps: readonly Instruction[]
  /** It is only looked at. */
  fixed?: boolean
}>()
const emit = defineEmits<{ move: [line: string, stage: string]; to: [by: number]; join: []; part: [] }>()
const editing = defineModel<boolean>('editing', { required: true })
const { t, inSentence, number, duration, problemText, list } = useI18nText()
const { lineName, stageFigure } = useDishWords()
const words = useStepWords()

const name = computed(() => t(`dishes.kinds.${stage.kind}`))
const figure = computed(() => stageFigure(stage, answer))
const hands = computed(() => {
  if (!answer) return ''
  const { handsMinutes, minutes, pot } = answer
  if (pot && holdsPressure(pot.answer.closings[0]!.case.appliance) && pot.answer.closings[0]!.range.unit === 'whistles')
    return t('dishes.hands.listen')
  if (handsMinutes >= minutes - 0.5 && minutes > 0) return t('dishes.hands.all')
  return handsMinutes >= 1 ? t('dishes.hands.some', { n: number(handsMinutes) }) : t('dishes.hands.none')
})
const when = computed(() => {
  if (!answer) return ''
  return STAGES[stage.kind].afterServing
    ? t('dishes.after')
    : t('dishes.at', { time: duration(Math.round(-answer.startMinute)) })
})
const sourNames = computed(() =>
  list((answer?.sour?.lines ?? []).map((id) => lineName(dish.lines.find((line) => line.id === id)!))),
)
const target = computed(() => dish.stages.find(({ id }) => id === answer?.sour?.moveTo) ?? null)
function moveSour() {
  for (const id of answer!.sour!.lines) if (target.value) emit('move', id, target.value.id)
}
const said = computed(() =>
  (answer?.cautions ?? []).filter(({ severity, id }) => severity !== 'note' || id === 'fry-sticks'),
)
const showWhy = ref(false)
const { carry, isOver, isCarried, carried } = useDishCarry()
const BY_KEY: Readonly<Record<string, number>> = { ArrowUp: -1, ArrowDown: 1 }
function moveByKey(event: KeyboardEvent) {
  if (event.key.toLowerCase() === 'j') return emit('join')
  if (event.key.toLowerCase() === 'p') return emit('part')
  const by = BY_KEY[event.key]
  if (by === undefined) return
  event.preventDefault()
  emit('to', by)
}
</script>

<template>
  <li
    :class="['stage', { over: isOver(stage.id), takes: carried && !isCarried('stage', stage.id), open: editing }]"
    :data-stage="stage.id"
  >
    <div class="when">
      <p class="figure soft">{{ when }}</p>
      <v-btn
        v-if="!fixed"
        v-drag="carry({ kind: 'stage', id: stage.id, name })"
        :icon="mdiDrag"
        size="x-small"
        variant="text"
        class="grip"
        :aria-label="t('dishes.stage.grip', { name: inSentence(name) })"
        :title="t('dishes.stage.grip', { name: inSentence(name) })"
        @keydown="moveByKey"
      />
    </div>
    <VesselPicture :kind="stage.kind" :vessel="vesselOf(stage)" class="vessel" />
    <div class="what">
      <h2>{{ name }}</h2>
      <ul class="steps">
        <li v-for="step in steps" :key="step.id">{{ words.sentence(step) }}</li>
      </ul>
      <p v-for="problem in answer?.problems ?? []" :key="problem.code" class="tone-danger" role="alert">
        {{ problemText(problem) }}
      </p>
      <p v-if="answer?.sour && answer.sour.costs.figure > 0" class="sour">
        {{
          t('dishes.sour', {
            names: sourNames,
            n: number(answer.sour.costs.figure),
            unit:
              answer.sour.costs.unit === 'whistles'
                ? t('units.whistles', {}, answer.sour.costs.figure)
                : t('units.min'),
          })
        }}
        <LinkBtn v-if="target" @click="moveSour">
          {{ t('dishes.sourMove', { stage: t(`dishes.kinds.${target.kind}`) }) }}
        </LinkBtn>
      </p>
      <CautionList v-if="said.length > 0" :cautions="said" class="said" />
      <div class="ways">
        <LinkBtn v-if="!fixed" :aria-expanded="editing" @click="editing = !editing">
          {{ editing ? t('dishes.stage.done') : t('dishes.stage.change', { name: inSentence(name) }) }}
        </LinkBtn>
        <LinkBtn v-if="answer?.pot" :aria-expanded="showWhy" @click="showWhy = !showWhy">
          {{ t('dishes.stage.why') }}
        </LinkBtn>
      </div>
    </div>
    <div class="time">
      <p class="figure" :class="figure.tone">
        {{ figure.n }} <small>{{ figure.unit }}</small>
      </p>
      <p class="soft hands">{{ hands }}</p>
    </div>
    <LiquidStream v-if="answer" :row="answer.liquid" :most="most" :name="name" class="flow" />
    <div v-if="showWhy && answer?.pot" class="wide">
      <LazyStagePot :pot="answer.pot" :stage="stage" />
    </div>
    <div v-if="editing" class="wide">
      <slot name="edit" />
    </div>
  </li>
</template>

<style scoped>
.stage {
  display: grid;
  grid-template-columns: 76px 72px minmax(0, 1fr) 112px 190px;
  column-gap: 12px;
  align-items: start;
  border-top: 1px solid var(--line);
}
.stage > * {
  padding-top: 12px;
}
/* Where it may be put down is outlined: words that come would move the stages under the hand. */
.takes {
  outline: 1px dashed var(--ink-soft);
  outline-offset: -1px;
}
.over {
  background: var(--ground-raised);
  outline: 2px dashed var(--food);
  outline-offset: -2px;
}
.when {
  padding-top: 14px;
  font-size: 15px;
}
.when p {
  margin: 0;
}
.grip {
  margin-inline-start: -8px;
  color: var(--ink-soft);
  cursor: grab;
  touch-action: none;
}
h2 {
  margin: 0 0 2px;
  font-size: 17px;
}
.what {
  padding-bottom: 12px;
}
.what p {
  margin: 0 0 3px;
  font-size: 14.5px;
}
.steps {
  margin: 0;
  padding: 0;
  list-style: none;
  font-size: 14.5px;
}
.steps li {
  margin-bottom: 3px;
  white-space: pre-line;
}
.time {
  text-align: end;
}
.time p {
  margin: 0;
}
.time .figure {
  font-size: 30px;
  white-space: nowrap;
}
.time small {
  font-size: 18px;
}
.hands {
  font-size: 13px;
}
.flow {
  align-self: stretch;
  padding-top: 0 !important;
}
.wide {
  grid-column: 1 / -1;
  padding-bottom: 16px;
}
.sour {
  padding-inline-start: 8px;
  border-inline-start: 3px solid var(--heat);
}
.said {
  margin: 4px 0;
}
.ways {
  display: flex;
  flex-wrap: wrap;
  gap: 0 18px;
  font-size: 14px;
}
@media (max-width: 1099px) {
  .stage {
    grid-template-columns: 66px minmax(0, 1fr) 96px 76px;
  }
  .vessel {
    display: none;
  }
  .flow :deep(ul) {
    display: none;
  }
}
@media (max-width: 719px) {
  .stage {
    grid-template-columns: minmax(0, 1fr) 92px 28px;
    column-gap: 8px;
  }
  .when {
    display: flex;
    align-items: center;
    gap: 6px;
    grid-row: 1;
    grid-column: 1 / 3;
    padding-bottom: 0;
  }
  .stage > .what {
    grid-row: 2;
    grid-column: 1;
  }
  .stage > .time {
    grid-row: 2;
    grid-column: 2;
  }
  .stage > .what,
  .stage > .time {
    padding-top: 2px;
  }
  .flow {
    grid-row: 1 / 3;
    grid-column: 3;
    grid-template-columns: 28px;
  }
  .wide {
    grid-column: 1 / -1;
  }
}
</style>
