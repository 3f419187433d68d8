<script setup lang="ts">
import { mdiClose } from '@mdi/js'
import { standsInLiquid } from '~~/core/food/food'
import type { Problem } from '~~/core/problem'
import { FREE_LIQUIDS } from '~~/core/water/liquids'
import { itemG } from '~~/shared/pot'

/** Everything that goes into the pot, and the pot itself. One food is open to be changed, the others are a line each. */
const { problems } = defineProps<{ problems: readonly Problem[] }>()
const { t, list, problemText, weight } = useI18nText()
const pot = usePotStore()
const { form } = storeToRefs(pot)
const kitchen = useKitchen()

const opened = ref(0)
watch(
  () => form.value.items.length,
  (length) => (opened.value = Math.min(opened.value, length - 1)),
)
function remove(index: number) {
  pot.removeFood(index)
  if (opened.value >= index) opened.value = Math.max(0, opened.value - 1)
}
const problemIn = (index: number) => problems.some(({ path }) => path.startsWith(`contents.${index}.`))
const summary = (index: number) => {
  const item = form.value.items[index]!
  const food = pot.foods[index]
  if (!food) return t('pot.foodGone')
  const grams = itemG(item, kitchen.value)
  const parts = [pot.names[index]!]
  if (Number.isFinite(grams)) parts.push(weight(grams))
  parts.push(textureName(t, textureFamily(food), item.texture))
  return parts.join(' · ')
}

const errorAt = (part: string) => {
  const found = problems.find(({ path }) => path.includes(part))
  return found ? problemText(found) : null
}
const asksLiquid = computed(() => pot.foods.some((food) => food && standsInLiquid(food)))
const liquids = computed(() => FREE_LIQUIDS.map((value) => ({ value, text: t(`pot.freeLiquids.${value}`) })))
const fromKettle = computed({
  get: () => form.value.boilingWater ?? false,
  set: (is: boolean) => (form.value.boilingWater = is || undefined),
})
const liquidErrors = computed(() => form.value.liquids.map((_, i) => errorAt(`liquids.${i}.`)))
</script>

<template>
  <form @submit.prevent>
    <p v-if="pot.leftOut.length > 0" class="tone-danger" role="status">
      {{ t('app.leftOut', { what: list(pot.leftOut) }) }}
    </p>
    <template v-for="(item, i) in form.items" :key="i">
      <div v-if="form.items.length > 1" class="head" :class="{ open: opened === i }">
        <RowBtn class="line" :aria-expanded="opened === i" @click="opened = i">
          <strong>{{ summary(i) }}</strong>
          <span v-if="problemIn(i) && opened !== i" class="tone-danger">{{ t('pot.repairHere') }}</span>
        </RowBtn>
        <IconButton
          :icon="mdiClose"
          :label="t('pot.takeOut', { name: pot.names[i] ?? item.foodId })"
          @click="remove(i)"
        />
      </div>
      <ItemEdit v-if="opened === i || form.items.length === 1" :index="i" :problems="problems" />
    </template>
    <div class="more">
      <FoodAdd :label="t('pot.addFood')" @added="opened = form.items.length - 1" />
    </div>
    <LiquidRows v-model="form.liquids" :errors="liquidErrors" class="liquids" />
    <FormRow v-if="asksLiquid" :label="t('pot.rows.liquid')">
      <ChoiceBar v-model="form.freeLiquid" :label="t('pot.rows.liquid')" :choices="liquids" />
    </FormRow>
    <v-checkbox v-model="fromKettle" :label="t('pot.fromKettle')" />
    <CookerPicks :problems="problems" />
  </form>
</template>

<style scoped>
.head {
  display: flex;
  align-items: center;
  gap: 4px;
  border-top: 1px solid var(--line);
}
.head.open {
  border-top: 2px solid var(--ink);
}
.line {
  flex: 1;
  display: flex;
  justify-content: space-between;
  gap: 10px;
  min-height: 44px;
  padding: 6px 0;
  font-size: 15px;
}
.more {
  padding: 4px 0 2px;
  border-top: 1px solid var(--line);
  font-size: 14.5px;
}
.liquids {
  padding-bottom: 8px;
}
</style>
