<script setup lang="ts">
import { LIKES } from '~~/shared/names'

/** Asked once: how soft the household likes its beans. Nothing tells so much so early. */
const { t } = useI18nText()
const { kitchen } = storeToRefs(useKitchenStore())
const choose = (beans: (typeof LIKES.beans)[number]) => {
  if (kitchen.value) kitchen.value.likes = { ...kitchen.value.likes, beans }
}
</script>

<template>
  <div v-if="kitchen && !kitchen.likes.beans" class="asked" role="group" :aria-label="t('pot.beansLiked.ask')">
    <p class="soft">{{ t('pot.beansLiked.ask') }}</p>
    <v-btn v-for="one in LIKES.beans" :key="one" size="small" @click="choose(one)">{{
      t(`pot.beansLiked.${one}`)
    }}</v-btn>
  </div>
</template>

<style scoped>
.asked {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 6px;
  margin-top: 8px;
}
p {
  flex-basis: 100%;
  margin: 0;
  font-size: 14px;
}
</style>
