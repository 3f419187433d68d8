<script setup lang="ts">
import type { Door } from '~~/shared/household'

/** What stands in the place of a screen while nobody is in at this device, or the household was taken away. */
const { leaving } = defineProps<{ leaving: boolean }>()
const { t } = useI18nText()
const areThere = useDoorMessages()
const door = ref<Door | null>(null)
const founding = ref(false)
const { attempt, problem, busy } = useDoor()
const look = () => attempt(async () => (door.value = await api<Door>('/door')))
if (!leaving) void look()
/** Where somebody wanted to go is where they are afterwards. */
const cameIn = () => beginAnew(useRoute().fullPath)
const keep = async () => (await attempt(() => api('/household/keep', { method: 'POST' }))) && window.location.reload()
const leave = async () => (await attempt(() => api('/door/leave', { method: 'POST' }))) && beginAnew()
</script>

<template>
  <template v-if="areThere">
    <DoorSheet v-if="leaving" :title="t('door.leaving.title')" :text="t('door.leaving.text')">
      <p v-if="problem" role="alert" class="tone-danger">{{ problem }}</p>
      <div class="go">
        <v-btn variant="flat" color="primary" size="large" :disabled="busy" @click="keep">
          {{ t('door.leaving.keep') }}
        </v-btn>
        <v-btn size="large" :disabled="busy" @click="leave">
          {{ t('door.leaving.leave') }}
        </v-btn>
      </div>
    </DoorSheet>
    <FoundForm v-else-if="door?.isFirst || founding" :is-first="door!.isFirst" @in="cameIn" @back="founding = false" />
    <EnterForm v-else-if="door" :can-found="door.canFound" @in="cameIn" @found="founding = true" />
    <DoorSheet v-else-if="problem" :title="t('door.enter.title')">
      <p role="alert" class="tone-danger">{{ problem }}</p>
      <div class="go">
        <v-btn size="large" @click="look">{{ t('door.again') }}</v-btn>
      </div>
    </DoorSheet>
  </template>
</template>
