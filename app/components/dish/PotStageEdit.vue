<script setup lang="ts">
import { heatsItself, stylesFor } from '~~/core/appliance/appliance'
import type { PotSettings, Stage } from '~~/core/dish/dish.schema'
import { texturesOf, usualTexture } from '~~/core/food/texture'
import type { Texture } from '~~/core/names'
import { FREE_LIQUIDS } from '~~/core/water/liquids'
import type { DishDocument } from '~~/shared/dish'
import { inUse } from '~~/shared/kitchen'

/** How a pot stage is programmed: in which cooker, by what, how wet, and how each of its foods comes out. */
const pot = defineModel<PotSettings>({ required: true })
const { foods, stage, dish } = defineProps<{ foods: readonly string[]; stage: Stage; dish: DishDocument }>()
const { t } = useI18nText()
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
  foods.flatMap((foodId) => {
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
const MOST_TIERS = 3
const places = computed(() => [
  { value: 'base', title: t('dishes.stage.base') },
  ...inUse(kitchen.loaded.tins).flatMap((tin) =>
    Array.from({ length: MOST_TIERS }, (_, i) => ({
      value: `${i + 1} ${tin.id}`,
      title: t('dishes.stage.tier', { tier: i + 1, tin: tin.name.toLowerCase() }),
    })),
  ),
])
function putAt(line: string, place: string) {
  if (place === 'base') return change(line, { where: 'base' })
  const [tier, id] = place.split(' ')
  const { diameterMm, heightMm, volumeMl, material } = kitchen.loaded.tins.find((tin) => tin.id === id)!
  change(line, { where: { tin: { diameterMm, heightMm, volumeMl, material, lid: true }, tier: Number(tier) } })
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
  gap: 14px 12px;
}
</style>
