<script setup lang="ts">
import { CATALOGUE, searchFoods } from '~~/core/food/catalogue'
import { cooksCovered, setsAsGrain } from '~~/core/food/food'
import { soakUptake, soakedShare } from '~~/core/food/soak'
import { texturesOf } from '~~/core/food/texture'
import { FREE_LIQUIDS } from '~~/core/water/liquids'
import type { Problem } from '~~/core/problem'

const { problems } = defineProps<{ problems: readonly Problem[] }>()
const { t, number, problemText } = useI18nText()
const pot = usePotStore()
const { form } = storeToRefs(pot)
const kitchen = computed(() => useKitchenStore().kitchen!)

const foods = CATALOGUE.filter(({ soak }) => soak !== null)
const matches = new Map<string, Set<string>>()
/** Any of a food's names finds it. */
function finds(_: string, query: string, item?: { raw: { id: string } }) {
  const found = matches.get(query) ?? new Set(searchFoods(query, foods).map(({ id }) => id))
  matches.set(query, found)
  return item ? found.has(item.raw.id) : false
}

/** What is typed replaces the food that stands there. */
function selectText(event: FocusEvent) {
  const { target } = event
  if (target instanceof HTMLInputElement) target.select()
}

const units = computed(() => [
  { value: 'g', title: t('units.g') },
  ...(pot.food?.cupG === null
    ? []
    : kitchen.value.measures.map(({ id, name }) => ({ value: id, title: name.toLowerCase() }))),
])
const unit = computed({
  get: () =>
    units.value.some(({ value }) => value === form.value.unit) ? form.value.unit : (units.value.at(1)?.value ?? 'g'),
  set: (value) => (form.value.unit = value),
})
watchEffect(() => {
  if (form.value.unit !== unit.value) form.value.unit = unit.value
})

const errorAt = (part: string) => {
  const found = problems.find(({ path }) => path.includes(part))
  return found ? problemText(found) : null
}
const amountHint = computed(() =>
  unit.value !== 'g' && Number.isFinite(pot.amountG) ? t('units.grams', { n: number(pot.amountG) }) : null,
)

const textures = computed(() => {
  const { food } = pot
  if (!food) return []
  const family = setsAsGrain(food) ? 'grain' : cooksCovered(food) ? 'pulse' : 'other'
  return texturesOf(food).map((value) => ({ value, text: t(`pot.textures.${family}.${value}`) }))
})
const liquids = computed(() => FREE_LIQUIDS.map((value) => ({ value, text: t(`pot.freeLiquids.${value}`) })))
const soakChoices = computed(() => [
  { value: false, text: t('pot.soakWaterChoices.thrown') },
  { value: true, text: t('pot.soakWaterChoices.kept') },
])
const circumstances = computed(() =>
  (['old-bag', 'hard-water', 'soda', 'acid', 'sugar', 'salted-soak'] as const)
    .filter((value) => value !== 'salted-soak' || soak.value)
    .map((value) => ({ value, text: t(`pot.circumstances.${value}`) })),
)
const liquidErrors = computed(() => form.value.liquids.map((_, i) => errorAt(`liquids.${i}.`)))
const showCosts = ref(false)

const soak = computed(() => pot.request?.contents[0]?.soak ?? null)
const soakHint = computed(() => {
  const { food } = pot
  if (!food?.soak) return null
  const [from, to] = food.soak.adviceHours
  if (!soak.value) {
    const advice = t('pot.soakAdvice', { from: number(from, from % 1 ? 1 : 0), to: number(to, to % 1 ? 1 : 0) })
    return to === 0 ? t('pot.soakState.notAdvised') : t('pot.soakState.none', { advice })
  }
  const share = soakedShare(food, soak.value, kitchen.value.roomC)
  if (!Number.isFinite(share) || !Number.isFinite(pot.amountG)) return null
  return t('pot.soakState.done', {
    percent: `${number(share * 100)} %`,
    grams: number(soakUptake(food, share) * pot.amountG),
  })
})

const kind = computed(() => pot.cooker?.cooker.appliance.kind)
const hasFlame = computed(() => ['whistling', 'regulator', 'open'].includes(kind.value ?? ''))
const flames = computed(() =>
  (['high', 'medium', 'low'] as const).map((value) => ({ value, text: t(`pot.flames.${value}`) })),
)
const levels = computed(() => (['high', 'low'] as const).map((value) => ({ value, text: t(`pot.levels.${value}`) })))
</script>

<template>
  <form @submit.prevent>
    <FormRow :label="t('pot.rows.food')" :error="errorAt('.food')">
      <v-autocomplete
        :model-value="form.foodId"
        :items="foods"
        item-value="id"
        item-title="name"
        :custom-filter="finds"
        :aria-label="t('pot.rows.food')"
        auto-select-first
        @focusin="selectText"
        @update:model-value="(id) => id && pot.chooseFood(id)"
      >
        <template #item="{ props: item, item: entry }">
          <v-list-item v-bind="item" :subtitle="(entry as unknown as { aliases: string[] }).aliases?.join(', ')" />
        </template>
      </v-autocomplete>
    </FormRow>
    <FormRow :label="t('pot.rows.amount')" :hint="amountHint" :error="errorAt('.dryG')">
      <div class="pair">
        <v-text-field
          v-model="form.amount"
          inputmode="decimal"
          :aria-label="t('pot.rows.amount')"
          :error="!!errorAt('.dryG')"
        />
        <v-select v-model="unit" :items="units" :aria-label="t('pot.rows.unit')" />
      </div>
    </FormRow>
    <FormRow v-if="pot.food?.soak" :label="t('pot.rows.soak')" :hint="soakHint" :error="errorAt('.soak.')">
      <div class="pair soaked">
        <v-text-field
          v-model="form.soakHours"
          inputmode="decimal"
          :aria-label="`${t('pot.rows.soak')}, ${t('pot.hours')}`"
          :suffix="t('units.h')"
        />
        <ChoiceBar v-if="soak" v-model="form.keepWater" :label="t('pot.rows.soakWater')" :choices="soakChoices" />
      </div>
      <button type="button" class="link-button forgot" :aria-expanded="showCosts" @click="showCosts = !showCosts">
        {{ t('pot.forgot') }}
      </button>
      <SoakCosts v-if="showCosts" />
      <v-text-field
        v-if="soak?.keepWater"
        v-model="form.soakWaterG"
        inputmode="decimal"
        :label="t('pot.soakMeasured')"
        :aria-label="t('pot.soakMeasured')"
      />
    </FormRow>
    <FormRow :label="t('pot.rows.texture')">
      <ChoiceBar v-model="form.texture" :label="t('pot.rows.texture')" :choices="textures" />
    </FormRow>
    <FormRow v-if="pot.food && cooksCovered(pot.food)" :label="t('pot.rows.liquid')">
      <ChoiceBar v-model="form.freeLiquid" :label="t('pot.rows.liquid')" :choices="liquids" />
    </FormRow>
    <div :class="{ pair: hasFlame }">
      <FormRow :label="t('pot.rows.pot')" :error="errorAt('style')">
        <v-select
          :model-value="pot.cooker?.id"
          :items="kitchen.cookers"
          item-value="id"
          item-title="name"
          :aria-label="t('pot.rows.pot')"
          @update:model-value="(id) => (form.cookerId = id)"
        />
      </FormRow>
      <FormRow v-if="hasFlame" :label="t('pot.rows.burner')">
        <v-select
          :model-value="pot.burner?.id"
          :items="kitchen.burners"
          item-value="id"
          item-title="name"
          :aria-label="t('pot.rows.burner')"
          @update:model-value="(id) => (form.burnerId = id)"
        />
      </FormRow>
    </div>
    <FormRow v-if="pot.styleKind === 'whistles' || pot.styleKind === 'clock'" :label="t('pot.rows.flame')">
      <ChoiceBar v-model="form.flame" :label="t('pot.rows.flame')" :choices="flames" />
    </FormRow>
    <FormRow v-if="pot.styleKind === 'electric' || pot.styleKind === 'slow'" :label="t('pot.rows.level')">
      <ChoiceBar v-model="form.level" :label="t('pot.rows.level')" :choices="levels" />
    </FormRow>
    <FormRow v-if="pot.food && cooksCovered(pot.food)" :label="t('pot.rows.circumstances')">
      <ManyBar v-model="form.circumstances" :label="t('pot.rows.circumstances')" :choices="circumstances" />
    </FormRow>
    <FormRow :label="t('pot.rows.liquids')">
      <LiquidRows v-model="form.liquids" :errors="liquidErrors" />
    </FormRow>
  </form>
</template>

<style scoped>
.pair {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  gap: 0 10px;
}
.forgot {
  justify-self: start;
  font-size: 14px;
}
.soaked {
  grid-template-columns: 92px minmax(0, 1fr);
}
</style>
