<script setup lang="ts">
import { MOST } from '~~/core/bounds'
import { endsByItself, styleOf } from '~~/core/program/styles'

/** When a food goes in: from the start, or once the pot has been opened so many times. */
const { index } = defineProps<{ index: number }>()
const { t } = useI18nText()
const pot = usePotStore()

/** A food alone has nobody to join; a device that ends by itself is not opened in between. */
const possible = computed(
  () => pot.form.items.length > 1 && pot.styleKind !== null && !endsByItself(styleOf(pot.styleKind)),
)
const choices = computed(() =>
  Array.from({ length: Math.min(MOST.closings, pot.form.items.length) }, (_, value) => ({
    value: String(value),
    text: t(value === 0 ? 'pot.joins.start' : 'pot.joins.opened', { n: value }, value),
  })),
)
const joins = computed({
  get: () => String(pot.form.items[index]?.joins ?? 0),
  set: (value: string) => (pot.form.items[index]!.joins = Number(value)),
})
</script>

<template>
  <FormRow v-if="possible" :label="t('pot.joins.label')">
    <ChoiceBar v-model="joins" :label="t('pot.joins.label')" :choices="choices" />
  </FormRow>
</template>
