<script setup lang="ts">
import { PASSWORD_LENGTH } from '~~/shared/names'
import type { People } from '~~/shared/household'

/** What the member at this device is called, and how they come in elsewhere. */
const { me } = defineProps<{ me: People['members'][number] }>()
const emit = defineEmits<{ changed: [] }>()
const { t } = useI18nText()
const { attemptForm, busy, problemAt, problemBeside, isUnconfirmed } = useAuth()
const FIELDS = ['name', 'signInName', 'oldPassword', 'password'] as const
/** It is asked first who sits here. */
const asksWho = ref(false)
const name = ref(me.name)
const signInName = ref(me.signInName ?? '')
const old = ref('')
const password = ref('')
const said = ref('')
async function keep() {
  said.value = ''
  const isNewName = signInName.value !== (me.signInName ?? '')
  const body = {
    ...(name.value === me.name ? {} : { name: name.value }),
    ...(isNewName ? { signInName: signInName.value } : {}),
    ...(password.value ? { password: password.value } : {}),
    ...(old.value ? { oldPassword: old.value } : {}),
  }
  asksWho.value = false
  const isKept = await attemptForm(
    ({ meSchema }) => meSchema,
    body,
    (changed) => api('/people/me', { method: 'PATCH', body: changed }),
  )
  if (!isKept) {
    asksWho.value = isUnconfirmed.value
    return
  }
  said.value = t(password.value ? 'auth.me.kept' : 'auth.me.keptName')
  old.value = password.value = ''
  emit('changed')
}
</script>

<template>
  <form @submit.prevent="keep">
    <p v-if="!me.hasPassword && me.passkeys === 0" class="tone-heat">{{ t('auth.me.none') }}</p>
    <TextField v-model="name" :label="t('auth.me.name')" :error="problemAt('name')" autocomplete="given-name" />
    <TextField
      v-model="signInName"
      :label="t('auth.me.signInName')"
      :error="problemAt('signInName')"
      autocomplete="username"
    />
    <TextField
      v-if="me.hasPassword"
      v-model="old"
      type="password"
      :label="t('auth.me.old')"
      :error="problemAt('oldPassword')"
      autocomplete="current-password"
    />
    <TextField
      v-model="password"
      type="password"
      :label="t('auth.me.password', { n: PASSWORD_LENGTH })"
      :error="problemAt('password')"
      autocomplete="new-password"
    />
    <p v-if="problemBeside(FIELDS) && !asksWho" role="alert" class="tone-danger">{{ problemBeside(FIELDS) }}</p>
    <p v-if="said" role="status" class="tone-food">{{ said }}</p>
    <div class="go">
      <v-btn variant="flat" color="primary" type="submit" :disabled="busy">{{ t('auth.me.keep') }}</v-btn>
    </div>
    <ConfirmMe
      v-if="asksWho"
      :has-password="me.hasPassword"
      :has-passkey="me.passkeys > 0"
      @confirmed="keep"
      @cancel="asksWho = false"
    />
  </form>
</template>

<style scoped>
form {
  display: grid;
  gap: 14px;
  max-width: 440px;
}
p {
  margin: 0;
}
.go {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px 14px;
}
</style>
