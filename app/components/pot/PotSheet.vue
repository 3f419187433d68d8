<script setup lang="ts">
import { instructionsOfPlan } from '~~/core/guide/plan'
import type { PlanAnswer } from '~~/core/program/answer'
import type { HouseholdMeasure } from '~~/shared/kitchen'
import { itemG, placedItems, stackOf, unitOf } from '~~/shared/pot'

/** The plan on one sheet of paper, for the kitchen wall: what goes in, the figures, the sum, the cautions. */
const { answer, cup } = defineProps<{
  answer: PlanAnswer
  cup: HouseholdMeasure
}>()
const { t, inSentence, number, weight } = useI18nText()
const cautionText = useCautionText()
const pot = usePotStore()
const kitchen = useKitchen()

const foods = computed(() =>
  pot.form.items.map((item, i) => {
    const food = pot.foods[i]!
    const unit = unitOf(item.unit, kitchen.value)
    const own = typeof unit === 'string' ? undefined : kitchen.value.measures.find(({ id }) => id === unit.id)
    const measure = own ? inSentence(own.name) : t(`units.${typeof unit === 'string' ? unit : (unit.id as 'tbsp')}`)
    const soak = pot.request?.contents[placedItems(pot.content).indexOf(i)]?.soak
    return {
      name: pot.names[i]!,
      amount: `${item.amount} ${measure} · ${weight(itemG(item, kitchen.value))}`,
      soak: soak
        ? t(soak.keepWater ? 'pot.sheet.soakedKept' : 'pot.sheet.soaked', {
            hours: number(soak.hours, soak.hours % 1 ? 1 : 0),
          })
        : null,
      texture: textureName(t, textureFamily(food), item.texture),
      stands: standsText(i),
    }
  }),
)
/** Where an item of a stack stands, and the water for its tin. */
function standsText(index: number): string {
  const place = stackOf(pot.content)?.places[index] ?? ''
  if (place === '') return ''
  if (place === 'base') return t('stack.inBase')
  const tin = kitchen.value.tins.find(({ id }) => id === place)?.name ?? ''
  const waterG = answer.foods[placedItems(pot.content).indexOf(index)]?.tinWaterG ?? 0
  return t('stack.drawing.inTin', { water: weight(waterG), tin })
}
const first = computed(() => answer.closings[0]!)
const { taken } = usePotPlan()
const words = useStepWords()
const told = computed(() => {
  const request = taken.value ?? pot.request
  const burnerId = pot.form.burnerId || null
  return request ? instructionsOfPlan(request, answer, { cookerId: pot.cooker?.id ?? null, burnerId }) : []
})
const sure = computed(() =>
  Object.values(surenessWords(t, number, answer.closings.at(-1)!))
    .filter(Boolean)
    .join(' '),
)
</script>

<template>
  <article class="sheet">
    <h1>{{ pot.name }}</h1>
    <p>
      {{
        t('pot.sheet.where', {
          cooker: pot.cooker?.name ?? '',
          kitchen: kitchen.name,
          altitude: number(kitchen.altitudeM),
        })
      }}
    </p>
    <v-table>
      <tbody>
        <tr v-for="(food, i) in foods" :key="i">
          <th scope="row">{{ food.name }}</th>
          <td>{{ food.amount }}</td>
          <td>{{ food.soak }}</td>
          <td>{{ food.texture }}</td>
          <td v-if="pot.content.inTins">{{ food.stands }}</td>
        </tr>
        <tr v-for="(liquid, i) in pot.request?.liquids ?? []" :key="i">
          <th scope="row">{{ t(`liquids.${liquid.kind}`) }}</th>
          <td colspan="3">{{ weight(liquid.g) }}</td>
        </tr>
      </tbody>
    </v-table>
    <ol class="steps">
      <li v-for="one in told" :key="one.id">{{ words.sentence(one) }}</li>
    </ol>
    <p>{{ sure }}</p>
    <div class="columns">
      <WaterSum :water="first.water" :cup="cup" :kept-soak="false" />
      <ul>
        <li v-for="caution in answer.cautions" :key="caution.id + JSON.stringify(caution.params)">
          {{ cautionText(caution).sentence }}
        </li>
      </ul>
    </div>
    <p>
      {{
        t('pot.sheet.times', {
          pressure: first.clock.pressureAtMinute === null ? '–' : number(first.clock.pressureAtMinute),
          off: number(first.clock.heatOffAtMinute),
          open: number(first.clock.openAtMinute),
        })
      }}
    </p>
    <p>{{ t('pot.sheet.notes') }}</p>
    <div class="lines" />
    <p class="foot">{{ t('pot.estimates') }}</p>
  </article>
</template>

<style scoped>
.sheet {
  display: none;
}
@media print {
  .sheet {
    display: block;
    padding: 0;
    color: #000;
    font-size: 12pt;
  }
  h1 {
    margin: 0;
    font-size: 22pt;
  }
  p {
    margin: 6pt 0;
  }
  table {
    width: 100%;
    border-collapse: collapse;
  }
  th,
  td {
    padding: 3pt 8pt 3pt 0;
    border-top: 0.5pt solid #000;
    text-align: start;
    font-weight: 400;
  }
  .steps {
    margin: 10pt 0;
    padding: 6pt 0 6pt 18pt;
    border-top: 1.5pt solid #000;
    border-bottom: 1.5pt solid #000;
    font-size: 15pt;
    line-height: 1.35;
  }
  .columns {
    display: grid;
    grid-template-columns: 1fr 1fr;
    gap: 18pt;
    font-size: 10.5pt;
  }
  ul {
    margin: 0;
    padding-inline-start: 14pt;
  }
  .lines {
    height: 66pt;
    background: repeating-linear-gradient(transparent 0 21pt, #999 21pt 21.5pt);
  }
  .foot {
    font-size: 9pt;
  }
}
</style>
