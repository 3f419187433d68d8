<script setup lang="ts">
import { useLocalStorage } from '@vueuse/core'

/** A member is told at their other devices when a new one signs in as them, or a passkey or the password changes. */
const { t, day, clock } = useI18nText()
const { signIn } = storeToRefs(useHouseholdStore())
const seen = useLocalStorage('bivvet-sign-in-seen', '')
const isShown = computed(() => signIn.value !== null && signIn.value.id !== seen.value)
const time = computed(() => (signIn.value ? `${day(signIn.value.at)}, ${clock(signIn.value.at)}` : ''))
</script>

<template>
  <div v-if="isShown && signIn" role="status" class="notice no-print">
    <p>
      {{ t(`signIn.${signIn.kind}`, { name: signIn.label || t('signIn.unknown'), time }) }}
      <NuxtLink to="/kitchen/people" class="link-button">{{ t('signIn.look') }}</NuxtLink>
    </p>
    <v-btn @click="seen = signIn.id">{{ t('signIn.mine') }}</v-btn>
  </div>
</template>

<style scoped>
.notice {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  justify-content: space-between;
  gap: 8px 16px;
  padding: 8px 24px;
  border-bottom: 2px solid var(--heat);
}
p {
  margin: 0;
}
</style>
