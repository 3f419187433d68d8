<script setup lang="ts">
import type { People } from '~~/shared/household'

/** A member's passkeys: named, removed, and one more. */
const { me, passkeys } = defineProps<{ me: People['members'][number]; passkeys: People['passkeys'] }>()
const emit = defineEmits<{ changed: [] }>()
const { t, day } = useI18nText()
const { attempt, addPasskey, busy, problem, isUnconfirmed } = useAuth()
const said = ref('')
const label = ref('')
/** What is tried again once it is known who sits here. */
const waiting = shallowRef<(() => Promise<void>) | null>(null)

async function tryIt(work: () => Promise<boolean>, done: string) {
  said.value = ''
  if (await work()) {
    said.value = done
    waiting.value = null
    emit('changed')
  } else if (isUnconfirmed.value) waiting.value = () => tryIt(work, done)
}
const add = () =>
  tryIt(async () => {
    const isDone = await addPasskey(label.value)
    if (isDone) label.value = ''
    return isDone
  }, t('auth.me.passkeyAdded'))
const path = (id: string) => `/people/passkey/${encodeURIComponent(id)}`
const remove = (id: string) =>
  tryIt(() => attempt(() => api(path(id), { method: 'DELETE' })), t('auth.me.passkeyRemoved'))
async function rename(id: string, to: string) {
  if (await attempt(() => api(path(id), { method: 'PATCH', body: { label: to } }))) emit('changed')
}
</script>

<template>
  <div class="keys">
    <ul v-if="passkeys.length > 0">
      <li v-for="(one, i) in passkeys" :key="one.id">
        <v-text-field
          :model-value="one.label"
          :label="t('auth.me.passkeyName', { n: i + 1 })"
          maxlength="60"
          @change="rename(one.id, ($event.target as HTMLInputElement).value)"
        />
        <span class="soft">
          {{
            one.usedAt
              ? t('auth.me.passkeyUsed', { day: day(one.usedAt) })
              : t('auth.me.passkeySince', { day: day(one.createdAt) })
          }}
        </span>
        <LinkBtn
          :disabled="busy"
          :aria-label="t('auth.me.removePasskey', { name: one.label || i + 1 })"
          @click="remove(one.id)"
        >
          {{ t('auth.me.remove') }}
        </LinkBtn>
      </li>
    </ul>
    <div v-if="hasPasskeys()" class="add">
      <TextField v-model="label" :label="t('auth.me.newPasskeyName')" maxlength="60" />
      <v-btn :disabled="busy" @click="add">{{ t('auth.me.passkey') }}</v-btn>
    </div>
    <p v-else class="soft">{{ t('auth.me.noPasskeys') }}</p>
    <p v-if="problem && !waiting" role="alert" class="tone-danger">{{ problem }}</p>
    <p v-if="said" role="status" class="tone-food">{{ said }}</p>
    <ConfirmMe
      v-if="waiting"
      :has-password="me.hasPassword"
      :has-passkey="passkeys.length > 0"
      @confirmed="waiting?.()"
      @cancel="waiting = null"
    />
  </div>
</template>

<style scoped>
.keys {
  display: grid;
  gap: 12px;
  max-width: 560px;
}
ul {
  margin: 0;
  padding: 0;
  list-style: none;
}
li {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto auto;
  align-items: center;
  gap: 6px 14px;
  padding: 6px 0;
}
.add {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  align-items: center;
  gap: 10px;
}
p {
  margin: 0;
}
@media (max-width: 719px) {
  li,
  .add {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
