<script setup lang="ts">
/** Coming in by name and password, or by a passkey. */
defineProps<{ canFound: boolean }>()
const emit = defineEmits<{ in: []; found: [] }>()
const { t } = useI18nText()
const { busy, problem, enter, enterByPasskey } = useDoor()
const name = ref('')
const password = ref('')
const go = async () => (await enter(name.value, password.value)) && emit('in')
const goByPasskey = async () => (await enterByPasskey()) && emit('in')
</script>

<template>
  <DoorSheet :title="t('door.enter.title')" :text="t('door.enter.text')">
    <form @submit.prevent="go">
      <TextField v-model="name" :label="t('door.enter.name')" autocomplete="username" autofocus />
      <TextField v-model="password" type="password" :label="t('door.enter.password')" autocomplete="current-password" />
      <p v-if="problem" role="alert" class="tone-danger">{{ problem }}</p>
      <div class="go">
        <v-btn variant="flat" color="primary" size="large" type="submit" :disabled="busy || !name || !password">
          {{ t('door.enter.go') }}
        </v-btn>
        <v-btn v-if="hasPasskeys()" size="large" :disabled="busy" @click="goByPasskey">
          {{ t('door.enter.passkey') }}
        </v-btn>
        <LinkBtn v-if="canFound" @click="$emit('found')">
          {{ t('door.enter.found') }}
        </LinkBtn>
      </div>
    </form>
    <p v-if="!isSecurePlace()" class="soft">{{ t('door.plain') }}</p>
  </DoorSheet>
</template>
