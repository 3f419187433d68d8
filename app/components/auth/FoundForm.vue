<script setup lang="ts">
import { PASSWORD_LENGTH } from '~~/shared/names'

/** Making a household: what it is called, where it stands, and its first member. */
const { isFirst } = defineProps<{ isFirst: boolean }>()
const emit = defineEmits<{ in: []; back: [] }>()
const { t } = useI18nText()
const { language } = useLanguage()
const { busy, problemAt, problemBeside, found } = useAuth()
const FIELDS = ['household', 'altitudeM', 'member', 'signInName', 'password'] as const
const household = ref('')
const altitudeM = ref(0)
const member = ref('')
const signInName = ref('')
const password = ref('')
async function go() {
  const asked = {
    household: household.value,
    altitudeM: altitudeM.value,
    timeZone: deviceTimeZone(),
    language: language.value,
    member: member.value,
    ...(signInName.value ? { signInName: signInName.value } : {}),
    ...(password.value ? { password: password.value } : {}),
  }
  if (await found(asked)) emit('in')
}
</script>

<template>
  <AuthSheet :title="t('auth.found.title')" :text="isFirst ? t('auth.found.first') : undefined">
    <form @submit.prevent="go">
      <TextField v-model="household" :label="t('auth.found.household')" :error="problemAt('household')" autofocus />
      <div>
        <NumberField
          v-model="altitudeM"
          :label="t('auth.found.altitude')"
          quantity="height"
          bound="altitudeM"
          :error="problemAt('altitudeM')"
        />
        <p class="soft hint">{{ t('auth.found.altitudeHint') }}</p>
      </div>
      <div>
        <TextField
          v-model="member"
          :label="t('auth.found.you')"
          :error="problemAt('member')"
          autocomplete="given-name"
        />
        <p class="soft hint">{{ t('auth.found.youHint') }}</p>
      </div>
      <div class="pair">
        <TextField
          v-model="signInName"
          :label="t('auth.found.signInName')"
          :error="problemAt('signInName')"
          autocomplete="username"
        />
        <TextField
          v-model="password"
          type="password"
          :label="t('auth.found.password', { n: PASSWORD_LENGTH })"
          :error="problemAt('password')"
          autocomplete="new-password"
        />
        <p class="soft hint">{{ t('auth.found.signInHint') }}</p>
      </div>
      <p v-if="problemBeside(FIELDS)" role="alert" class="tone-danger">{{ problemBeside(FIELDS) }}</p>
      <div class="go">
        <v-btn variant="flat" color="primary" size="large" type="submit" :disabled="busy || !household || !member">
          {{ t('auth.found.go') }}
        </v-btn>
        <LinkBtn v-if="!isFirst" @click="$emit('back')">
          {{ t('auth.found.back') }}
        </LinkBtn>
      </div>
    </form>
    <p v-if="!isSecurePlace()" class="soft">{{ t('auth.plain') }}</p>
  </AuthSheet>
</template>

<style scoped>
.hint {
  margin: 4px 0 0;
  font-size: 14px;
}
.pair {
  display: grid;
  gap: 12px;
}
</style>
