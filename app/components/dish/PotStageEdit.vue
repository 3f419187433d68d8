<script setup lang="ts">
import { heatsItself, stylesFor } from '~~/core/appliance/appliance'
import type { StageAnswer } from '~~/core/dish/dish'
import type { PotSettings, Stage } from '~~/core/dish/dish.schema'
import { texturesOf, usualTexture } from '~~/core/food/texture'
import { BOUNDS } from '~~/core/bounds'
import type { Texture } from '~~/core/names'
import { endsByItself, styleSaid } from '~~/core/program/styles'
import { inUnit, readInUnit } from '~~/core/quantity/unit'
import { readAmount, typedAmount } from '~~/core/quantity/number'
import { FREE_LIQUIDS } from '~~/core/water/liquids'
import type { DishDocument } from '~~/shared/dish'
import { inUse } from '~~/shared/kitchen'

/** How a pot stage is programmed: in which cooker, by what, how wet, and how each of its foods comes out. */
const pot = defineModel<PotSettings>({ required: true })
const { answer, stage, dish } = defineProps<{ answer: StageAnswer['pot'] | null; stage: Stage; dish: DishDocument }>()
const { t, inSentence, number, weight, unitFor, unitName, likes } = useI18nText()
const foods = computed(() => answer?.request.contents.map(({ food }) => food) ?? [])
const kitchen = useKitchenStore()
const cookers = computed(() => inUse(kitchen.loaded.cookers))
const cooker = computed(() => cookers.value.find(({ id }) => id === pot.value.cookerId) ?? cookers.value[0])
const styles = computed(() => (cooker.value ? stylesFor(cooker.value.cooker) : []))
const cookerId = computed({
  get: () => cooker.value?.id ?? '',
  set: (id: string) => {
    pot.value.cookerId = id
    if (!styles.value.includes(pot.value.style)) pot.value.style = styles.value[0]!
  },
})
const { choices: flames, flame } = useFlameChoice(
  () => pot.value,
  () => pot.value.style,
)
/** The foods of this pot by their lines, whichever stage they come from. */
const own = computed(() =>
  foods.value.flatMap((foodId) => {
    const line = dish.lines.find(({ what }) => what === foodId)
    const food = kitchen.food(foodId)
    return line && food ? [{ line: line.id, food }] : []
  }),
)
function change(line: string, part: Partial<PotSettings['foods'][number]>) {
  const found = pot.value.foods.find((one) => one.line === line)
  if (found) Object.assign(found, part)
  else pot.value.foods.push({ line, ...part })
}
const textureOf = (line: string, foodId: string) =>
  pot.value.foods.find((one) => one.line === line)?.texture ?? usualTexture(kitchen.food(foodId)!)
/** Base, or one of the kitchen's tins at a tier of its own. */
const placeOf = (line: string) => {
  const where = pot.value.foods.find((one) => one.line === line)?.where ?? 'base'
  if (where === 'base') return 'base'
  const tin = kitchen.loaded.tins.find(
    ({ diameterMm, heightMm }) => diameterMm === where.tin.diameterMm && heightMm === where.tin.heightMm,
  )
  return tin ? `${where.tier} ${tin.id}` : 'base'
}
const keepWarmMinutes = computed({
  get: () => pot.value.keepWarmMinutes ?? 0,
  set: (minutes: number) => {
    if (minutes > 0) pot.value.keepWarmMinutes = minutes
    else delete pot.value.keepWarmMinutes
  },
})
/** Water and figure that the cook gives; empty for what is computed. */
const first = computed(() => answer?.answer.closings[0] ?? null)
const counts = computed(() => !endsByItself(styleSaid(pot.value.style, pot.value)))
const isWhistles = computed(() => first.value?.range.unit === 'whistles')
function useOwn(key: 'pourG' | 'figure', read: (text: string) => number, write: (value: number) => string) {
  const text = ref(pot.value[key] === undefined ? '' : write(pot.value[key]))
  watch(
    () => pot.value[key],
    (value) => {
      if (value !== undefined && write(read(text.value)) !== write(value)) text.value = write(value)
      if (value === undefined && Number.isFinite(read(text.value))) text.value = ''
    },
  )
  const isFine = (value: number) => value >= OWN_BOUNDS[key][0] && value <= OWN_BOUNDS[key][1]
  watch(text, (typed) => {
    const value = read(typed)
    if (typed.trim() === '') pot.value[key] = undefined
    else if (isFine(value)) pot.value[key] = value
  })
  const error = computed(() =>
    text.value.trim() === '' || isFine(read(text.value)) ? null : t('problems.not-a-number'),
  )
  return reactive({ text, error })
}
const OWN_BOUNDS = { pourG: BOUNDS.liquidG, figure: BOUNDS.figure }
const ownWater = useOwn(
  'pourG',
  (text) => readInUnit(text, 'weight', unitFor('weight'), likes.value.decimal),
  (g) => typedAmount(inUnit(g, 'weight', unitFor('weight')), likes.value.decimal, 1),
)
const ownFigure = useOwn(
  'figure',
  (text) => Math.round(readAmount(text, likes.value.decimal)),
  (n) => typedAmount(n, likes.value.decimal, 0),
)
const isOwn = computed(() => pot.value.pourG !== undefined || pot.value.figure !== undefined)
const becomesText = useBecomesText()
function backToPlan() {
  delete pot.value.pourG
  delete pot.value.figure
}
const MOST_TIERS = 3
const places = computed(() => [
  { value: 'base', title: t('dishes.stage.base') },
  ...inUse(kitchen.loaded.tins).flatMap((tin) =>
    Array.from({ length: MOST_TIERS }, (_, i) => ({
      value: `${i + 1} ${tin.id}`,
      title: t('dishes.stage.tier', { tier: i + 1, tin: inSentence(tin.name) }),
    })),
  ),
])
function putAt(line: string, place: string) {
  if (place === 'base') return change(line, { where: 'base' })
  const [tier, id] = place.split(' ')
  const { diameterMm, heightMm, volumeMl, material } = kitchen.loaded.tins.find((tin) => tin.id === id)!
  change(line, {
    where: {
      tin: { diameterMm, heightMm, volumeMl, material, lid: true },
      tier: Number(tier),
      // What is put into the same tin is mixed in it.
      bowl: id,
    },
  })
}
</script>

<template>
  <div class="fields" :data-stage-pot="stage.id">
    <PickField
      v-model="cookerId"
      :label="t('dishes.stage.cooker')"
      :choices="cookers.map(({ id, name }) => ({ value: id, title: name }))"
    />
    <PickField
      v-if="cooker && !heatsItself(cooker.cooker.appliance)"
      v-model="pot.burnerId"
      :label="t('dishes.stage.burner')"
      :choices="inUse(kitchen.loaded.burners).map(({ id, name }) => ({ value: id, title: name }))"
    />
    <PickField
      v-model="pot.style"
      :label="t('dishes.stage.style')"
      :choices="styles.map((value) => ({ value, title: t(`pot.styles.${value}`) }))"
    />
    <PickField
      v-if="pot.style === 'whistles' || pot.style === 'clock'"
      v-model="flame"
      :label="t('dishes.stage.flame')"
      :choices="flames.map((value) => ({ value, title: t(`pot.flames.${value}`) }))"
    />
    <PickField
      v-model="pot.freeLiquid"
      :label="t('dishes.stage.freeLiquid')"
      :choices="FREE_LIQUIDS.map((value) => ({ value, title: t(`pot.fates.${value}`) }))"
    />
    <v-checkbox
      :model-value="pot.boilingWater ?? false"
      :label="t('pot.fromKettle')"
      @update:model-value="(is) => (pot.boilingWater = is || undefined)"
    />
    <NumberField
      v-if="cooker && heatsItself(cooker.cooker.appliance)"
      v-model="keepWarmMinutes"
      :label="t('dishes.stage.keepWarm')"
      bound="stageMinutes"
      :digits="1"
      :suffix="t('units.min')"
    />
    <TextField
      v-model="ownWater.text"
      inputmode="decimal"
      maxlength="12"
      :label="t('dishes.stage.ownWater')"
      :suffix="unitName(unitFor('weight'))"
      :placeholder="first ? number(inUnit(first.planned.pourG, 'weight', unitFor('weight'))) : ''"
      persistent-placeholder
      :error="ownWater.error"
    />
    <TextField
      v-if="counts"
      v-model="ownFigure.text"
      inputmode="numeric"
      maxlength="6"
      :label="t(isWhistles ? 'dishes.stage.ownWhistles' : 'dishes.stage.ownMinutes')"
      :placeholder="first ? number(first.planned.figure) : ''"
      persistent-placeholder
      :error="ownFigure.error"
    />
    <p v-if="isOwn && answer && first" class="own" role="status">
      {{
        t('dishes.stage.ownCosts', {
          water: weight(first.planned.pourG),
          figure: isWhistles
            ? `${number(first.planned.figure)} ${t('units.whistles', {}, first.planned.figure)}`
            : t('units.minuteCount', { n: number(first.planned.figure) }),
          becomes: becomesText(answer.answer),
        })
      }}
      <LinkBtn @click="backToPlan">{{ t('pot.try.back') }}</LinkBtn>
    </p>
    <template v-for="{ line, food } in own" :key="line">
      <PickField
        :model-value="textureOf(line, food.id)"
        :label="t('dishes.stage.texture', { name: kitchen.foodName(food.id) })"
        :choices="texturesOf(food).map((value) => ({ value, title: textureName(t, textureFamily(food), value) }))"
        @update:model-value="(texture) => change(line, { texture: texture as Texture })"
      />
      <PickField
        v-if="kitchen.loaded.tins.length > 0"
        :model-value="placeOf(line)"
        :label="t('dishes.stage.where', { name: kitchen.foodName(food.id) })"
        :choices="places"
        @update:model-value="(place) => putAt(line, String(place))"
      />
    </template>
  </div>
</template>

<style scoped>
.fields {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(190px, 1fr));
  align-items: start;
  gap: 14px 12px;
}
.own {
  grid-column: 1 / -1;
  margin: 0;
}
</style>
