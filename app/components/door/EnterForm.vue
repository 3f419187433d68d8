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
        <button type="submit" class="quiet-button solid large" :disabled="busy || !name || !password">
          {{ t('door.enter.go') }}
        </button>
        <button v-if="hasPasskeys()" type="button" class="quiet-button large" :disabled="busy" @click="goByPasskey">
          {{ t('door.enter.passkey') }}
        </button>
        <button v-if="canFound" type="button" class="link-button" @click="$emit('found')">
          {{ t('door.enter.found') }}
        </button>
      </div>
    </form>
    <p v-if="!isSecurePlace()" class="soft">{{ t('door.plain') }}</p>
  </DoorSheet>
</template>
