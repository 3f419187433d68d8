<script setup lang="ts">
import type { Auth } from '~~/shared/household'

/** What stands in the place of a screen while nobody is in at this device, or the household was taken away. */
const { leaving } = defineProps<{ leaving: boolean }>()
const { t } = useI18nText()
const areThere = useAuthMessages()
const auth = ref<Auth | null>(null)
const founding = ref(false)
const { attempt, problem, busy } = useAuth()
const look = () => attempt(async () => (auth.value = await api<Auth>('/auth')))
if (!leaving) void look()
/** Where somebody wanted to go is where they are afterwards. */
const cameIn = () => beginAnew(useRoute().fullPath)
const keep = async () => (await attempt(() => api('/household/keep', { method: 'POST' }))) && window.location.reload()
const leave = async () =>
  (await attempt(() => api('/auth/leave', { method: 'POST', query: { sure: '1' } }))) && beginAnew()
</script>

<template>
  <template v-if="areThere">
    <AuthSheet v-if="leaving" :title="t('auth.leaving.title')" :text="t('auth.leaving.text')">
      <p v-if="problem" role="alert" class="tone-danger">{{ problem }}</p>
      <div class="go">
        <v-btn variant="flat" color="primary" size="large" :disabled="busy" @click="keep">
          {{ t('auth.leaving.keep') }}
        </v-btn>
        <v-btn size="large" :disabled="busy" @click="leave">
          {{ t('auth.leaving.leave') }}
        </v-btn>
      </div>
    </AuthSheet>
    <FoundForm v-else-if="auth?.isFirst || founding" :is-first="auth!.isFirst" @in="cameIn" @back="founding = false" />
    <EnterForm v-else-if="auth" :can-found="auth.canFound" @in="cameIn" @found="founding = true" />
    <AuthSheet v-else-if="problem" :title="t('auth.enter.title')">
      <p role="alert" class="tone-danger">{{ problem }}</p>
      <div class="go">
        <v-btn size="large" @click="look">{{ t('auth.again') }}</v-btn>
      </div>
    </AuthSheet>
  </template>
</template>
