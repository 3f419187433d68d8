<script setup lang="ts">
/** The guided water test of one cooker. */
const route = useRoute()
const { t } = useI18nText()
const kitchen = useKitchenStore()
const cooker = computed(() => kitchen.loaded.cookers.find(({ id }) => id === route.params.id) ?? null)
useHead({ title: () => `${t('kitchen.test.title')} · Bivvet` })
</script>

<template>
  <EmptyNotice v-if="!cooker" :title="t('kitchen.test.noCooker')" :text="t('kitchen.test.noCookerText')" />
  <WaterTestBoard v-else :cooker="cooker" />
</template>
