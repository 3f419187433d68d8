<script setup lang="ts">
import { FLAMES } from '~~/core/names'
import type { HouseholdBurner } from '~~/shared/kitchen'

/** One burner: the heat of each of its flames that reaches a pot. */
const burner = defineModel<HouseholdBurner>({ required: true })
const { path, errorAt } = defineProps<{ path: string; errorAt: (path: string) => string | null }>()
defineEmits<{ away: [] }>()
const { t } = useI18nText()
</script>

<template>
  <section>
    <h2>{{ burner.name }}</h2>
    <div class="fields">
      <TextField
        v-model="burner.name"
        :label="t('edit.name')"
        class="wide"
        maxlength="60"
        :error="errorAt(`${path}.name`)"
      />
      <NumberField
        v-for="flame in FLAMES"
        :key="flame"
        v-model="burner.burner[flame]"
        :label="t(`pot.flames.${flame}`)"
        suffix="W"
        bound="heatW"
        :digits="0"
        :error="errorAt(`${path}.burner.${flame}`)"
      />
    </div>
    <p class="soft">{{ t('kitchen.burnerHint') }}</p>
    <LinkBtn @click="$emit('away')">{{ t('kitchen.putAway') }}</LinkBtn>
  </section>
</template>

<style scoped>
h2 {
  margin: 0 0 12px;
  font-size: 21px;
}
.fields {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  align-items: start;
  gap: 14px 10px;
}
.wide {
  grid-column: 1 / -1;
}
p {
  font-size: 14px;
}
</style>
