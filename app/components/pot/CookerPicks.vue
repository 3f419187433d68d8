<script setup lang="ts">
import { LEVELS } from '~~/core/names'
import { heatsItself } from '~~/core/appliance/appliance'
import { inUse } from '~~/shared/kitchen'
import type { Problem } from '~~/core/problem'

/** Which cooker, on which burner, and how it is heated. */
const { problems = [] } = defineProps<{ problems?: readonly Problem[] }>()
const { t, problemText } = useI18nText()
const pot = usePotStore()
const { form } = storeToRefs(pot)
const kitchen = useKitchen()
const kind = computed(() => pot.cooker?.cooker.appliance.kind)
const hasFlame = computed(() => kind.value !== undefined && !heatsItself({ kind: kind.value }))
const { choices, flame } = useFlameChoice(
  () => form.value,
  () => pot.styleKind,
)
const flames = computed(() => choices.value.map((value) => ({ value, text: t(`pot.flames.${value}`) })))
const levels = computed(() => LEVELS.map((value) => ({ value, text: t(`levels.${value}`) })))
/** What is in use, and what this pot uses though it was put away: marked, to be replaced. */
function offered<Row extends { id: string; name: string; away?: boolean | undefined }>(rows: Row[], used: Row | null) {
  const own = used?.away ? [{ ...used, name: t('units.away', { name: used.name }) }] : []
  return byName([...inUse(rows), ...own])
}
const styleError = computed(() => {
  const found = problems.find(({ path }) => path.includes('style'))
  return found ? problemText(found) : null
})
</script>

<template>
  <div :class="{ pair: hasFlame }">
    <FormRow :label="t('pot.rows.pot')" :error="styleError">
      <PickField
        :model-value="pot.cooker?.id"
        :choices="offered(kitchen.cookers, pot.cooker)"
        :label="t('pot.rows.pot')"
        hide-label
        @update:model-value="(id) => id && (form.cookerId = id)"
      />
    </FormRow>
    <FormRow v-if="hasFlame" :label="t('pot.rows.burner')">
      <PickField
        :model-value="pot.burner?.id"
        :choices="offered(kitchen.burners, pot.burner)"
        :label="t('pot.rows.burner')"
        hide-label
        @update:model-value="(id) => id && (form.burnerId = id)"
      />
    </FormRow>
  </div>
  <FormRow v-if="pot.styleKind === 'whistles' || pot.styleKind === 'clock'" :label="t('pot.rows.flame')">
    <ChoiceBar v-model="flame" :label="t('pot.rows.flame')" :choices="flames" />
  </FormRow>
  <FormRow v-if="pot.styleKind === 'electric' || pot.styleKind === 'slow'" :label="t('pot.rows.level')">
    <ChoiceBar v-model="form.level" :label="t('pot.rows.level')" :choices="levels" />
  </FormRow>
</template>

<style scoped>
.pair {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  gap: 0 10px;
}
</style>
