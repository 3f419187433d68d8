<script setup lang="ts">
import { BEAN_GROUPS, CUTS } from '~~/core/names'
import { cooksCovered } from '~~/core/food/food'
import { heldAfterDraining, soakUptake, soakedAsAdvised, soakedShare } from '~~/core/food/soak'
import { texturesOf } from '~~/core/food/texture'
import type { Problem } from '~~/core/problem'
import { foodById, isOldBag } from '~~/shared/kitchen'
import { CIRCUMSTANCES, SOAK_PLACES } from '~~/shared/names'
import { itemG, soakOf } from '~~/shared/pot'

/** One food of the pot: which, how much, how it was soaked, how it should come out, and what goes in with it. */
const { index, problems } = defineProps<{ index: number; problems: readonly Problem[] }>()
const { t, number, problemText, weight } = useI18nText()
const pot = usePotStore()
const { form } = storeToRefs(pot)
const item = computed(() => form.value.items[index]!)
const kitchen = useKitchen()
const food = computed(() => foodById(kitchen.value, item.value.foodId))
const { unitsFor } = useUnits()

const units = computed(() => (food.value ? unitsFor(food.value, item.value.unit) : []))
const grams = computed(() => itemG(item.value, kitchen.value))
/** What was understood, where it is not just what was typed. */
const amountHint = computed(() => {
  if (!Number.isFinite(grams.value)) return null
  const understood = weight(grams.value)
  return item.value.unit === 'g' && understood === `${item.value.amount.trim()} g` ? null : understood
})
const errorAt = (part: string) => {
  const found = problems.find(({ path }) => path.startsWith(`contents.${index}.${part}`))
  return found ? problemText(found) : null
}

const bags = computed(() => kitchen.value.bags.filter(({ foodId }) => foodId === item.value.foodId))
const bagChoices = computed(() => [
  { value: '', title: t('pot.anyBag') },
  ...bags.value.map((bag) => ({
    value: bag.id,
    title: isOldBag(bag, serverNow()) ? t('pot.oldBag', { name: bag.name }) : bag.name,
  })),
])

const family = computed(() => (food.value ? textureFamily(food.value) : 'other'))
const textures = computed(() =>
  food.value ? texturesOf(food.value).map((value) => ({ value, text: textureName(t, family.value, value) })) : [],
)
const soak = computed(() => (food.value ? soakOf(item.value, food.value, kitchen.value) : null))
const soakPlaces = computed(() => SOAK_PLACES.map((value) => ({ value, text: t(`pot.soakIn.${value}`) })))
const soakWater = computed(() => [
  { value: false, text: t('pot.soakWaterChoices.thrown') },
  { value: true, text: t('pot.soakWaterChoices.kept') },
])
const soakHint = computed(() => {
  if (!food.value?.soak) return null
  const [from, to] = food.value.soak.adviceHours
  if (!soak.value) {
    const advice = t('pot.soakAdvice', { from: number(from, from % 1 ? 1 : 0), to: number(to, to % 1 ? 1 : 0) })
    return to === 0 ? t('pot.soakState.notAdvised') : t('pot.soakState.none', { advice })
  }
  const share = soakedShare(food.value, soak.value, kitchen.value.roomC)
  if (!Number.isFinite(share) || !Number.isFinite(grams.value)) return null
  // What it brings into the pot: with what is on its surface where the water is thrown away.
  const perG = soak.value.keepWater ? soakUptake(food.value, share) : heldAfterDraining(food.value, share)
  const held = perG * grams.value
  const through = soakedAsAdvised(food.value, share)
  if (through === 1) return t('pot.soakState.through', { grams: weight(held) })
  return t('pot.soakState.done', { percent: `${number(through * 100)} %`, grams: weight(held) })
})
const circumstances = computed(() =>
  CIRCUMSTANCES.filter((value) => value !== 'salted-soak' || soak.value).map((value) => ({
    value,
    text: t(`pot.circumstances.${value}`),
  })),
)
/** Eggs are cooked whole. */
const cuts = computed(() =>
  food.value?.pieceG && food.value.group !== 'egg'
    ? CUTS.map((value) => ({ value, text: t(`pot.cuts.${value}`) }))
    : [],
)
const cut = computed({
  get: () => item.value.cut ?? 'whole',
  set: (value) => (item.value.cut = value),
})
const showCosts = ref(false)
const showAlso = ref(false)
const alsoText = computed(() =>
  item.value.circumstances.length === 0
    ? t('pot.alsoNone')
    : t('pot.also', { list: item.value.circumstances.map((one) => t(`pot.circumstances.${one}`)).join(', ') }),
)
</script>

<template>
  <div v-if="food">
    <FormRow :label="null" :error="errorAt('food')">
      <FoodPick
        :model-value="item.foodId"
        :label="t('pot.rows.food')"
        @update:model-value="(id) => pot.chooseFood(index, id)"
      />
    </FormRow>
    <FormRow :label="t('pot.rows.amount')" :hint="amountHint" :error="errorAt('dryG')">
      <div class="pair">
        <TextField
          v-model="item.amount"
          hide-label
          inputmode="decimal"
          :label="t('pot.rows.amount')"
          :error="!!errorAt('dryG')"
          maxlength="24"
          @focusin="selectAll"
        />
        <PickField v-model="item.unit" :choices="units" :label="t('pot.rows.unit')" hide-label />
      </div>
      <PickField
        v-if="bags.length > 0"
        v-model="item.bagId"
        :choices="bagChoices"
        :label="t('pot.rows.bag')"
        hide-label
        class="bag"
      />
    </FormRow>
    <FormRow v-if="cuts.length > 0" :label="t('pot.rows.cut')">
      <ChoiceBar v-model="cut" :label="t('pot.rows.cut')" :choices="cuts" />
    </FormRow>
    <FormRow v-if="food.soak" :label="t('pot.rows.soak')" :hint="soakHint" :error="errorAt('soak')">
      <div class="pair soaked">
        <TextField
          v-model="item.soakHours"
          hide-label
          inputmode="decimal"
          :label="`${t('pot.rows.soak')}, ${t('pot.hours')}`"
          :suffix="t('units.h')"
          maxlength="24"
        />
        <ChoiceBar v-if="soak" v-model="item.soakIn" :label="t('pot.rows.soakIn')" :choices="soakPlaces" />
      </div>
      <ChoiceBar v-if="soak" v-model="item.keepWater" :label="t('pot.rows.soakWater')" :choices="soakWater" />
      <TextField
        v-if="soak?.keepWater"
        v-model="item.soakWaterG"
        inputmode="decimal"
        :label="t('pot.soakMeasured')"
        class="measured"
      />
      <LinkBtn class="forgot" :aria-expanded="showCosts" @click="showCosts = !showCosts">
        {{ t('pot.forgot') }}
      </LinkBtn>
      <LazySoakCosts v-if="showCosts" :index="index" />
    </FormRow>
    <LazyJoinPick v-if="pot.form.items.length > 1" :index="index" />
    <FormRow :label="t('pot.rows.texture')">
      <ChoiceBar v-model="item.texture" :label="t('pot.rows.texture')" :choices="textures">
        <template #picture="{ value }"><TexturePicture :texture="value" :family="family" /></template>
      </ChoiceBar>
      <LazyBeansLiked v-if="index === 0 && (BEAN_GROUPS as readonly string[]).includes(food.group)" />
    </FormRow>
    <div v-if="cooksCovered(food)" class="also">
      <LinkBtn :aria-expanded="showAlso" @click="showAlso = !showAlso">
        {{ alsoText }}
      </LinkBtn>
      <ManyBar
        v-if="showAlso"
        v-model="item.circumstances"
        :label="t('pot.rows.circumstances')"
        :choices="circumstances"
      />
    </div>
  </div>
  <FormRow v-else :label="t('pot.rows.food')" :error="t('pot.foodGone')">
    <FoodPick model-value="" :label="t('pot.rows.food')" @update:model-value="(id) => pot.chooseFood(index, id)" />
  </FormRow>
</template>

<style scoped>
.pair {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  gap: 0 10px;
}
.also {
  display: grid;
  gap: 6px;
  justify-items: start;
  padding: 2px 0 8px;
  font-size: 14.5px;
}
.forgot {
  justify-self: start;
  font-size: 14px;
}
.soaked {
  grid-template-columns: 92px minmax(0, 1fr);
}
.bag,
.measured {
  margin-top: 6px;
}
</style>
