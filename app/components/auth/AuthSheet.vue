<script setup lang="ts">
/** One question while signing in, joining or founding a household. */
defineProps<{ title: string; text?: string }>()
</script>

<template>
  <section class="sheet">
    <h1>{{ title }}</h1>
    <p v-if="text" class="soft">{{ text }}</p>
    <slot />
    <LanguagePick />
  </section>
</template>

<style scoped>
.sheet {
  display: grid;
  gap: 16px;
  max-width: 460px;
  margin: 0 auto;
  padding: 48px 20px;
}
h1 {
  margin: 0;
  font-size: 30px;
  line-height: 1.15;
}
p {
  margin: 0;
}
.sheet :deep(form) {
  display: grid;
  gap: 16px;
}
.sheet :deep(.go) {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 10px 18px;
}
</style>
