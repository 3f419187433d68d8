<script setup lang="ts">
import { mdiClose, mdiDrag } from '@mdi/js'
import { texturesOf } from '~~/core/food/texture'
import { readAmount } from '~~/core/quantity/number'
import { inUse } from '~~/shared/kitchen'
import type { Problem } from '~~/core/problem'
import { itemG, placedItems } from '~~/shared/pot'
import { vDrag } from '~/composables/common/drag'

/** The foods that should share the run: how much, how prepared, and what about them is settled already. */
const { problems } = defineProps<{ problems: readonly Problem[] }>()
const { t, duration, problemText, weight } = useI18nText()
const pot = usePotStore()
const { form } = storeToRefs(pot)
const kitchen = useKitchen()
const { stack, place, set } = useStackLayout()
const { unitsFor } = useUnits()

const places = computed(() => [
  { value: '', title: t('stack.nowhere') },
  { value: 'base', title: t('stack.inBase') },
  ...byName(inUse(kitchen.value.tins)),
])
const locks = computed(() => [
  { value: 'any', title: t('stack.locks.any') },
  { value: 'base', title: t('stack.locks.base') },
  { value: 'top', title: t('stack.locks.top') },
  ...inUse(kitchen.value.tins).map(({ id, name }) => ({ value: id, title: t('stack.locks.tin', { name }) })),
])
const texturesFor = (index: number) => {
  const food = pot.foods[index]
  if (!food) return []
  return texturesOf(food).map((value) => ({ value, title: textureName(t, textureFamily(food), value) }))
}
const setAt = <T,>(list: readonly T[], index: number, value: T) => list.map((one, i) => (i === index ? value : one))
const opened = ref(-1)
function remove(index: number) {
  pot.removeFood(index)
  opened.value = -1
}
const summary = (index: number) => {
  const item = form.value.items[index]!
  const g = itemG(item, kitchen.value)
  const hours = readAmount(item.soakHours) || 0
  const where = places.value.find(({ value }) => value === (stack.value.places[index] ?? ''))?.title ?? ''
  return [
    Number.isFinite(g) ? weight(g) : '',
    hours > 0 ? t('units.soakFor', { time: duration(hours * 60) }) : '',
    where,
  ]
    .filter(Boolean)
    .join(' · ')
}
const errorAt = (index: number) => {
  const at = placedItems({ ...form.value, inTins: true, stack: stack.value }).indexOf(index)
  const found = problems.find(({ path }) => at >= 0 && path.startsWith(`contents.${at}.`))
  return found ? problemText(found) : null
}
const { carry } = useCarry()
</script>

<template>
  <ul class="foods" data-out>
    <li v-for="(item, i) in form.items" :key="i" :aria-label="pot.names[i]">
      <div class="head">
        <span
          v-drag="carry({ kind: 'food', id: String(i), name: pot.names[i] ?? item.foodId })"
          class="handle"
          :title="t('stack.dragFood')"
          :data-food="i"
        >
          <v-icon :icon="mdiDrag" size="small" />
        </span>
        <RowBtn class="line" :aria-expanded="opened === i" @click="opened = opened === i ? -1 : i">
          <strong>{{ pot.foods[i] ? pot.names[i] : t('pot.foodGone') }}</strong>
          <span class="soft">{{ summary(i) }}</span>
        </RowBtn>
        <v-btn
          v-if="form.items.length > 1"
          :icon="mdiClose"
          size="x-small"
          variant="text"
          :aria-label="t('pot.takeOut', { name: pot.names[i] ?? item.foodId })"
          @click="remove(i)"
        />
      </div>
      <template v-if="opened === i">
        <FoodPick
          :model-value="item.foodId"
          :label="t('pot.rows.food')"
          @update:model-value="(id) => pot.chooseFood(i, id)"
        />
        <div class="trio">
          <TextField
            v-model="item.amount"
            inputmode="decimal"
            maxlength="24"
            :label="t('stack.amount')"
            :error="!!errorAt(i)"
            @focusin="selectAll"
          />
          <PickField
            v-model="item.unit"
            :choices="pot.foods[i] ? unitsFor(pot.foods[i], item.unit) : []"
            :label="t('pot.rows.unit')"
            hide-label
          />
          <PickField v-model="item.texture" :choices="texturesFor(i)" :label="t('pot.rows.texture')" />
        </div>
        <div class="pair">
          <PickField
            :model-value="stack.places[i] ?? ''"
            :choices="places"
            :label="t('stack.where')"
            @update:model-value="(where) => place(i, where ?? '')"
          />
          <PickField
            :model-value="stack.locks[i] ?? 'any'"
            :choices="locks"
            :label="t('stack.lock')"
            @update:model-value="(lock) => set({ locks: setAt(stack.locks, i, lock ?? 'any') })"
          />
        </div>
        <JoinPick :index="i" />
        <div v-if="pot.foods[i]?.soak" class="pair">
          <TextField
            v-model="item.soakHours"
            inputmode="decimal"
            :label="t('pot.rows.soak')"
            :suffix="t('units.h')"
            maxlength="24"
          />
          <v-checkbox
            :model-value="stack.soakFree[i] ?? true"
            :label="t('stack.soakFree')"
            @update:model-value="(free) => set({ soakFree: setAt(stack.soakFree, i, free === true) })"
          />
        </div>
      </template>
      <p v-if="errorAt(i)" class="tone-danger error" role="alert">{{ errorAt(i) }}</p>
    </li>
  </ul>
  <FoodAdd :label="t('stack.addFood')" class="add" @added="opened = form.items.length - 1" />
</template>

<style scoped>
.foods {
  margin: 0;
  padding: 0;
  list-style: none;
}
li {
  display: grid;
  gap: 8px;
  padding: 6px 0;
  border-top: 1px solid var(--line);
}
.head {
  display: grid;
  grid-template-columns: auto minmax(0, 1fr) auto;
  align-items: center;
  gap: 4px;
}
.handle {
  display: grid;
  place-items: center;
  min-height: 40px;
  padding: 0 2px;
  color: var(--ink-soft);
  cursor: grab;
  touch-action: none;
  user-select: none;
}
.line {
  display: grid;
  min-height: 44px;
  align-content: center;
  padding: 2px 4px;
}
.line .soft {
  font-size: 14px;
}
.pair {
  display: grid;
  grid-template-columns: 1fr 1fr;
  align-items: center;
  gap: 8px;
}
.trio {
  display: grid;
  grid-template-columns: repeat(3, minmax(0, 1fr));
  gap: 8px;
}
.error {
  margin: 0;
  font-size: 14px;
}
.add {
  margin: 4px 0 12px;
  font-size: 14.5px;
}
</style>
