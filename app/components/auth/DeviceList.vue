<script setup lang="ts">
import type { People } from '~~/shared/household'

/** Where somebody is in, and how that is ended. */
const { people, isOwner, meId } = defineProps<{
  people: People
  isOwner: boolean
  meId: string | null
  busy: boolean
}>()
defineEmits<{ end: [id: string]; endOthers: [] }>()
const { t, day, clock } = useI18nText()
const nameOf = (id: string) => people.members.find((one) => one.id === id)?.name ?? ''
const mine = computed(() => people.devices.filter(({ memberId }) => memberId === meId))
</script>

<template>
  <ul>
    <li v-for="one in people.devices" :key="one.id">
      <span>
        <strong>{{ one.label || t('auth.devices.unknown') }}</strong>
        <span class="soft">
          {{ nameOf(one.memberId) }} ·
          {{
            one.id === people.hereId
              ? t('auth.devices.here')
              : t('auth.devices.seen', { time: `${day(one.seenAt)}, ${clock(one.seenAt)}` })
          }}
        </span>
      </span>
      <LinkBtn
        v-if="one.id !== people.hereId && (isOwner || one.memberId === meId)"
        :disabled="busy"
        :aria-label="`${t('auth.devices.signOut')}: ${one.label || t('auth.devices.unknown')}`"
        @click="$emit('end', one.id)"
      >
        {{ t('auth.devices.signOut') }}
      </LinkBtn>
    </li>
  </ul>
  <v-btn v-if="mine.length > 1" :disabled="busy" @click="$emit('endOthers')">
    {{ t('auth.devices.others') }}
  </v-btn>
</template>

<style scoped>
ul {
  margin: 0 0 12px;
  padding: 0;
  list-style: none;
}
li {
  display: flex;
  flex-wrap: wrap;
  justify-content: space-between;
  gap: 4px 16px;
  padding: 9px 0;
  border-top: 1px solid var(--line);
}
strong {
  margin-inline-end: 10px;
}
</style>
