<script setup lang="ts">
/** Nothing here yet: what would be here, what to do first, and a try that works. */
const { title, text } = defineProps<{ title: string; text: string }>()
const { t } = useI18nText()
const { tryIt, trying } = useDemoTry()
</script>

<template>
  <section class="empty">
    <h1>{{ title }}</h1>
    <p class="soft">{{ text }}</p>
    <div class="ways">
      <v-btn to="/pot" variant="flat" color="primary" size="large">{{ t('app.backToPot') }}</v-btn>
      <v-btn size="large" :disabled="trying" @click="tryIt">
        {{ t('app.tryBeans') }}
      </v-btn>
    </div>
  </section>
</template>

<style scoped>
.empty {
  display: grid;
  justify-items: start;
  gap: 12px;
  max-width: 52ch;
  padding: 64px 24px;
}
.ways {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
}
h1,
p {
  margin: 0;
}
</style>
