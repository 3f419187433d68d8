<script setup lang="ts">
/** Where the kitchen has no cooker there is nothing to plan with: it says so and leads there. */
const { t } = useI18nText()
</script>

<template>
  <div class="none">
    <h2>{{ t('pot.noCooker.title') }}</h2>
    <p class="soft">{{ t('pot.noCooker.text') }}</p>
    <v-btn variant="flat" to="/kitchen" color="primary" size="large">{{ t('pot.noCooker.go') }}</v-btn>
  </div>
</template>

<style scoped>
h2 {
  margin: 0 0 4px;
  font-size: 19px;
}
p {
  margin: 0 0 12px;
}
</style>
