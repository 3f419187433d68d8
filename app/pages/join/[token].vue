<script setup lang="ts">
/** A link that lets somebody in: it says into what, and does nothing until that is wanted. */
definePageMeta({ layout: 'auth' })
const { t } = useI18nText()
const token = String(useRoute().params.token)
const { attempt, problem, problemAt, problemBeside, busy, join } = useAuth()
const invite = ref<{ household: string; by: string | null; isIn: boolean } | null>(null)
const name = ref('')
const look = () => attempt(async () => (invite.value = await api(`/auth/invites/${encodeURIComponent(token)}`)))
void look()
const title = computed(() => {
  if (!invite.value) return t('auth.enter.title')
  const { by, household } = invite.value
  return by ? t('auth.join.title', { by, household }) : t('auth.join.nobody', { household })
})
const go = async () => (await join(token, name.value)) && beginAnew()
useHead({ title: () => `${title.value} · Bivvet` })
</script>

<template>
  <AuthSheet :title="title" :text="invite ? t('auth.join.text') : undefined">
    <p v-if="invite?.isIn" class="tone-heat">{{ t('auth.join.leaves') }}</p>
    <form v-if="invite" @submit.prevent="go">
      <TextField
        v-model="name"
        :label="t('auth.join.name')"
        :error="problemAt('name')"
        autocomplete="given-name"
        autofocus
      />
      <p v-if="problemBeside(['name'])" role="alert" class="tone-danger">{{ problemBeside(['name']) }}</p>
      <div class="go">
        <v-btn variant="flat" color="primary" size="large" type="submit" :disabled="busy || !name.trim()">
          {{ t('auth.join.go') }}
        </v-btn>
        <NuxtLink to="/" class="link-button">{{ t('auth.join.not') }}</NuxtLink>
      </div>
    </form>
    <template v-else-if="problem">
      <p role="alert" class="tone-danger">{{ problem }}</p>
      <div class="go">
        <v-btn size="large" @click="look">{{ t('auth.again') }}</v-btn>
      </div>
    </template>
  </AuthSheet>
</template>
