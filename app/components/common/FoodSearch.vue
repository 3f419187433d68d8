<script setup lang="ts">
import type { AskedAmount } from '~~/shared/pot'
import type { AskedMore } from '~/components/common/FoodFind.vue'

/** Finds a food from anywhere: return plans it, or its page is opened. */
const emit = defineEmits<{ close: [] }>()
const { t } = useI18nText()
const pot = usePotStore()
const at = ref<string | null>(null)

const asked = ref<AskedAmount | null>(null)
async function plan(foodId: string, amount: AskedAmount | null = asked.value, more: AskedMore = ALONE) {
  await pot.startWithAll(foodId, amount, more)
  emit('close')
  await navigateTo('/pot')
}
const ALONE: AskedMore = { also: [], isUnsoaked: false }
function read(foodId: string) {
  emit('close')
  void navigateTo(`/larder/${foodId}`)
}
</script>

<template>
  <v-dialog :model-value="true" max-width="520" :aria-label="t('app.search')" @update:model-value="emit('close')">
    <v-sheet class="search">
      <FoodFind v-model:at="at" :label="t('app.search')" @take="plan" />
      <div v-if="at" class="foot">
        <v-btn @click="read(at)">{{ t('app.readFood') }}</v-btn>
        <v-btn variant="flat" color="primary" @click="plan(at)">{{ t('app.planFood') }}</v-btn>
      </div>
    </v-sheet>
  </v-dialog>
</template>

<style scoped>
.search {
  padding: 18px;
}
.foot {
  display: flex;
  justify-content: flex-end;
  gap: 8px;
  margin-top: 14px;
}
</style>
