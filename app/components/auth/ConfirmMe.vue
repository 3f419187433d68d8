<script setup lang="ts">
/** Before something changes of how a member signs in, they show by password or passkey that it is they who sit here. */
const { hasPassword, hasPasskey } = defineProps<{ hasPassword: boolean; hasPasskey: boolean }>()
const emit = defineEmits<{ confirmed: []; cancel: [] }>()
const { t } = useI18nText()
const { confirmByPassword, confirmByPasskey, busy, problem } = useAuth()
const password = ref('')
const done = (is: boolean) => is && emit('confirmed')
</script>

<template>
  <v-dialog
    :model-value="true"
    max-width="440"
    :aria-label="t('auth.confirm.title')"
    @update:model-value="emit('cancel')"
  >
    <v-sheet class="confirm">
      <h2>{{ t('auth.confirm.title') }}</h2>
      <p>{{ t('auth.confirm.text') }}</p>
      <form v-if="hasPassword" @submit.prevent="confirmByPassword(password).then(done)">
        <TextField v-model="password" type="password" :label="t('auth.me.old')" autocomplete="current-password" />
        <v-btn variant="flat" color="primary" type="submit" :disabled="busy || password === ''">
          {{ t('auth.confirm.go') }}
        </v-btn>
      </form>
      <v-btn v-if="hasPasskey && hasPasskeys()" :disabled="busy" @click="confirmByPasskey().then(done)">
        {{ t('auth.confirm.passkey') }}
      </v-btn>
      <p v-if="problem" role="alert" class="tone-danger">{{ problem }}</p>
      <v-btn variant="text" @click="emit('cancel')">{{ t('auth.people.no') }}</v-btn>
    </v-sheet>
  </v-dialog>
</template>

<style scoped>
.confirm,
form {
  display: grid;
  gap: 14px;
}
.confirm {
  padding: 20px 24px;
}
h2,
p {
  margin: 0;
}
h2 {
  font-size: 20px;
}
</style>
