<script setup lang="ts">
import type { DishAnswer, StageAnswer } from '~~/core/dish/dish'
import type { Instruction } from '~~/core/guide/instruction'
import { STAGES } from '~~/core/dish/stages'
import type { DishDocument } from '~~/shared/dish'

/** The dish on one sheet of paper: what goes in, and every step as it is told on the screen. */
const { dish, answer, stepsOf } = defineProps<{
  dish: DishDocument
  answer: DishAnswer
  stepsOf: (stage: string) => readonly Instruction[]
}>()
const { t, number, weight, duration } = useI18nText()
const cautionText = useCautionText()
const { lineName, stageFigure } = useDishWords()
const words = useStepWords()
const kitchen = useKitchenStore()

const stages = computed(() =>
  dish.stages.flatMap((stage) => {
    const of = answer.stages.find(({ id }) => id === stage.id)
    return of ? [{ stage, of, figure: stageFigure(stage, of), steps: stepsOf(stage.id).map(words.sentence) }] : []
  }),
)
function when({ kind }: DishDocument['stages'][number], { startMinute }: StageAnswer): string {
  return STAGES[kind].afterServing ? t('dishes.after') : t('dishes.at', { time: duration(Math.round(-startMinute)) })
}
/** Notes tell of taste; what hurts is printed. */
const cautions = computed(() =>
  answer.cautions.filter(({ severity }) => severity !== 'note').map((caution) => cautionText(caution).sentence),
)
/** From so many sentences on the steps stand in two columns. */
const FEW = 16
const isLong = computed(() => stages.value.reduce((sum, { steps }) => sum + steps.length, 0) > FEW)
</script>

<template>
  <article class="sheet">
    <h1>{{ dish.name }}</h1>
    <p>
      {{ t('dishes.forN', { n: number(dish.servings), mass: weight(answer.massG), place: kitchen.loaded.name }) }} ·
      {{ t('dishes.totals.all') }} {{ duration(answer.spanMinutes) }} · {{ t('dishes.totals.hands') }}
      {{ duration(answer.handsMinutes) }} · {{ t('dishes.totals.each') }} {{ weight(answer.massG / dish.servings) }}
    </p>
    <ul class="lines">
      <li v-for="line in dish.lines" :key="line.id">
        {{ words.asTyped(line.typed || lineName(line), line.g) }}
      </li>
    </ul>
    <ol :class="{ long: isLong }">
      <li v-for="one in stages" :key="one.stage.id">
        <h2>
          <span>{{ t(`dishes.kinds.${one.stage.kind}`) }}</span>
          <span>{{ one.figure.n }} {{ one.figure.unit }}</span>
          <small>{{ when(one.stage, one.of) }}</small>
        </h2>
        <p v-for="(sentence, i) in one.steps" :key="i">{{ sentence }}</p>
      </li>
    </ol>
    <ul v-if="cautions.length > 0" class="cautions">
      <li v-for="sentence in new Set(cautions)" :key="sentence">{{ sentence }}</li>
    </ul>
  </article>
</template>

<style scoped>
.sheet {
  display: block;
  color: #000;
  font-size: 11pt;
  line-height: 1.3;
}
h1 {
  margin: 0;
  font-size: 20pt;
}
p {
  margin: 2pt 0;
  white-space: pre-line;
}
ul,
ol {
  margin: 0;
  padding: 0;
  list-style: none;
}
.lines {
  margin: 8pt 0;
  padding: 5pt 0;
  border-block: 1.5pt solid #000;
  columns: 3;
  column-gap: 16pt;
}
.lines li {
  break-inside: avoid;
}
ol > li {
  padding-bottom: 5pt;
  break-inside: avoid;
}
.long {
  font-size: 10pt;
  columns: 2;
  column-gap: 18pt;
}
h2 {
  display: flex;
  gap: 10pt;
  margin: 0;
  padding-top: 2pt;
  border-top: 0.5pt solid #000;
  font-size: 12.5pt;
}
h2 small {
  margin-inline-start: auto;
  font-weight: 400;
}
.cautions {
  margin-top: 6pt;
  padding-top: 5pt;
  border-top: 1.5pt solid #000;
  font-size: 9.5pt;
}
</style>
