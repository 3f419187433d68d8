<script setup lang="ts">
import type { ClosingAnswer } from '~~/core/program/answer'
import type { Floor, WaterLine } from '~~/core/water/sum'
import type { Liquid } from '~~/core/water/liquid.schema'
import type { HouseholdMeasure } from '~~/shared/kitchen'

/** The water as a sum: each line in grams and in the cook's own measure. */
const { water, cup, keptSoak } = defineProps<{
  water: ClosingAnswer['water']
  cup: HouseholdMeasure
  /** The food was soaked in water that goes in unmeasured. */
  keptSoak: boolean
}>()
const { t, measured, weight } = useI18nText()
const kitchen = useKitchenStore()

const name = (line: WaterLine) => {
  if (line.id === 'floor') return t(`pot.sum.floor.${line.of as Floor['rule']}`)
  if (line.id === 'liquid') return t('pot.sum.liquid', { liquid: t(`liquids.${line.of as Liquid['kind']}`) })
  if (line.id === 'given') return t(line.g > 0 ? 'pot.sum.givenMore' : 'pot.sum.givenLess')
  return t(`pot.sum.${line.id}`, { food: line.of ? kitchen.foodName(line.of) : '' })
}
</script>

<template>
  <v-table>
    <caption class="hidden-text">
      {{
        t('pot.sum.title')
      }}
    </caption>
    <tbody>
      <tr v-for="(line, i) in water.lines" :key="i">
        <th scope="row">{{ name(line) }}</th>
        <td class="figure">{{ line.g < 0 ? '−' : i === 0 ? '' : '+' }} {{ weight(Math.abs(line.g)) }}</td>
        <td class="soft">{{ measured(Math.abs(line.g), cup) }}</td>
      </tr>
      <tr class="total">
        <th scope="row">{{ t('pot.sum.total') }}</th>
        <td class="figure tone-water">{{ weight(water.pourG) }}</td>
        <td class="soft">{{ measured(water.pourG, cup) }}</td>
      </tr>
    </tbody>
  </v-table>
  <p v-if="keptSoak" class="kept">{{ t('pot.sum.keptSoak') }}</p>
</template>

<style scoped>
.v-table {
  font-size: 14px;
}
th,
td {
  padding: 4px 0;
  text-align: start;
  font-weight: 400;
  border-top: 1px solid var(--line);
}
td.figure {
  padding-inline-end: 10px;
  text-align: end;
  font-size: 17px;
  white-space: nowrap;
}
td.soft {
  text-align: end;
  white-space: nowrap;
}
.total th {
  font-weight: 700;
}
.total th,
.total td {
  border-top: 2px solid var(--ink);
}
.kept {
  margin: 8px 0 0;
  font-size: 14px;
}
</style>
