<script setup lang="ts">
import type { SoakCost } from '~~/core/program/soak-cost'

/** “I forgot to soak”: what each way of soaking would cost, a tap to choose it. */
const { index } = defineProps<{ index: number }>()
const { t, duration, weight } = useI18nText()
const { beginText } = useReadyBy()
const pot = usePotStore()
const HOT_FROM_C = 50
const WARNINGS: readonly string[] = ['lectin-soak', 'lectin-hot-soak', 'lectin-not-pressure', 'lectin-not-done']
const item = computed(() => pot.form.items[index]!)

// What the cook gave instead of the computed figures would hide what each way costs.
const asked = computed(() => pot.request && { request: { ...pot.request, given: undefined }, index })
const { result: costs } = useWorked(asked, (work, { request, index: of }) => work.soakCosts(request, of))
function figure({ outcome }: SoakCost): string {
  if (!outcome.ok) return t('pot.elsewhere.cannot')
  const { unit, figure: n } = outcome.value.closings[0]!.range
  return t(`pot.elsewhere.${unit}`, { n }, n)
}
const water = ({ outcome }: SoakCost) => (outcome.ok ? weight(outcome.value.closings[0]!.water.pourG) : '')
const total = ({ outcome, soakMinutes }: SoakCost) =>
  outcome.ok ? duration(outcome.value.readyAtMinute + soakMinutes) : ''
const begin = ({ outcome, soakMinutes }: SoakCost) =>
  outcome.ok ? beginText(outcome.value.readyAtMinute + soakMinutes) : ''
/** What beans with lectin ask of a soak, where this one is not it. */
const cautionText = useCautionText()
const warning = ({ outcome }: SoakCost) => {
  const found = outcome.ok ? outcome.value.cautions.find(({ id }) => WARNINGS.includes(id)) : undefined
  return found ? cautionText(found).sentence : ''
}
function take({ soak }: SoakCost) {
  item.value.soakHours = String(soak?.hours ?? 0)
  item.value.soakIn = soak !== null && soak.waterC > HOT_FROM_C ? 'hot' : 'room'
  item.value.keepWater = false
}
const current = ({ soak }: SoakCost) => {
  const now = pot.request?.contents[index]?.soak ?? null
  return soak ? now?.hours === soak.hours && now.waterC > HOT_FROM_C === soak.waterC > HOT_FROM_C : now === null
}
</script>

<template>
  <ul class="costs">
    <li v-for="cost in costs ?? []" :key="cost.id">
      <RowBtn class="cost" :class="{ current: current(cost) }" :aria-pressed="current(cost)" @click="take(cost)">
        <span class="name">{{ t(`pot.soakOptions.${cost.id}`) }}</span>
        <span class="figure tone-heat">{{ figure(cost) }}</span>
        <span class="figure tone-water">{{ water(cost) }}</span>
        <span class="soft"
          >{{ total(cost) }}<template v-if="begin(cost)"><br />{{ begin(cost) }}</template></span
        >
        <span v-if="warning(cost)" class="warning tone-danger">{{ warning(cost) }}</span>
      </RowBtn>
    </li>
  </ul>
</template>

<style scoped>
.costs {
  margin: 0;
  padding: 0;
  list-style: none;
}
.cost {
  display: grid;
  grid-template-columns: minmax(0, 1.2fr) minmax(0, 1.1fr) minmax(0, 0.9fr) minmax(0, 1fr);
  align-items: baseline;
  gap: 6px;
  padding: 6px 4px;
  border-top: 1px solid var(--line);
  font-size: 14px;
}
.cost:hover {
  background: var(--ground-raised);
}
.current .name {
  font-weight: 700;
}
.warning {
  grid-column: 1 / -1;
  font-size: 13.5px;
}
.figure {
  font-size: 17px;
}
.cost .soft {
  text-align: end;
}
@media (max-width: 719px), (pointer: coarse) {
  .cost {
    min-height: 44px;
  }
}
</style>
