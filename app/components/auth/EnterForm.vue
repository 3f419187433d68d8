<script setup lang="ts">
/** Coming in by name and password, or by a passkey. */
defineProps<{ canFound: boolean }>()
const emit = defineEmits<{ in: []; found: [] }>()
const { t } = useI18nText()
const { busy, problemAt, problemBeside, enter, enterByPasskey } = useAuth()
const FIELDS = ['signInName', 'password'] as const
const name = ref('')
const password = ref('')
const go = async () => (await enter(name.value, password.value)) && emit('in')
const goByPasskey = async () => (await enterByPasskey()) && emit('in')
</script>

<template>
  <AuthSheet :title="t('auth.enter.title')" :text="t('auth.enter.text')">
    <form @submit.prevent="go">
      <TextField
        v-model="name"
        :label="t('auth.enter.name')"
        :error="problemAt('signInName')"
        autocomplete="username"
        autofocus
      />
      <TextField
        v-model="password"
        type="password"
        :label="t('auth.enter.password')"
        :error="problemAt('password')"
        autocomplete="current-password"
      />
      <p v-if="problemBeside(FIELDS)" role="alert" class="tone-danger">{{ problemBeside(FIELDS) }}</p>
      <div class="go">
        <v-btn variant="flat" color="primary" size="large" type="submit" :disabled="busy || !name || !password">
          {{ t('auth.enter.go') }}
        </v-btn>
        <v-btn v-if="hasPasskeys()" size="large" :disabled="busy" @click="goByPasskey">
          {{ t('auth.enter.passkey') }}
        </v-btn>
        <LinkBtn v-if="canFound" @click="$emit('found')">
          {{ t('auth.enter.found') }}
        </LinkBtn>
      </div>
    </form>
    <p v-if="!isSecurePlace()" class="soft">{{ t('auth.plain') }}</p>
  </AuthSheet>
</template>
