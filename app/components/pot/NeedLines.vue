<script setup lang="ts">
import type { FoodAnswer } from '~~/core/program/answer'

/** Why a food needs what it needs: its best case, times every circumstance. */
const {
  food,
  texture,
  hottestC,
  name = null,
} = defineProps<{
  food: FoodAnswer
  texture: string
  hottestC: number
  /** Where there is more than one food. */
  name?: string | null
}>()
const { t, number, temp } = useI18nText()

const times = computed(() => food.factors.reduce((product, factor) => product * factor.times, 1))
</script>

<template>
  <v-table>
    <caption :class="{ 'hidden-text': !name }">
      {{
        name ?? t('pot.need.title')
      }}
    </caption>
    <tbody>
      <tr>
        <th scope="row">{{ t('pot.need.base', { texture }) }}</th>
        <td class="figure">{{ number(food.needs / times) }}</td>
      </tr>
      <tr v-for="factor in food.factors" :key="factor.id">
        <th scope="row">{{ t(`pot.need.${factor.id}`) }}</th>
        <td class="figure">× {{ number(factor.times, 2) }}</td>
      </tr>
      <tr class="total">
        <th scope="row">{{ t('pot.need.total') }}</th>
        <td class="figure tone-food">{{ t('pot.need.boilMinutes', { n: number(food.needs) }) }}</td>
      </tr>
    </tbody>
  </v-table>
  <p class="soft">
    {{ t('pot.need.gets', { n: number(food.gets) }) }} {{ t('pot.need.what', { temp: temp(hottestC) }) }}
    {{ t('pot.estimates') }}
  </p>
</template>

<style scoped>
.v-table {
  font-size: 14px;
}
caption {
  text-align: start;
  font-weight: 700;
}
th,
td {
  padding: 4px 0;
  border-top: 1px solid var(--line);
  text-align: start;
  font-weight: 400;
}
td {
  text-align: end;
  font-size: 17px;
}
.total th,
.total td {
  border-top: 2px solid var(--ink);
  font-weight: 700;
}
p {
  margin: 8px 0 0;
  font-size: 13.5px;
}
</style>
