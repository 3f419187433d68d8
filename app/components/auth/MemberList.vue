<script setup lang="ts">
import type { People } from '~~/shared/household'

/** Who is in, and what an owner may change about it. */
const { people, isOwner, meId } = defineProps<{
  people: People
  isOwner: boolean
  meId: string | null
  busy: boolean
}>()
const emit = defineEmits<{ role: [id: string, role: 'owner' | 'member']; letGo: [id: string] }>()
const { t } = useI18nText()
/** Whom to let go is asked once more, and an owner who would be one no more. */
const asked = ref<string | null>(null)
const asksRole = ref(false)
function letGo(id: string) {
  asked.value = null
  emit('letGo', id)
}
</script>

<template>
  <ul>
    <li v-for="one in people.members" :key="one.id">
      <span class="who">
        <strong>{{ one.name }}</strong>
        <span class="soft">
          {{ t(`auth.people.${one.role}`) }}<template v-if="one.id === meId">, {{ t('auth.people.you') }}</template>
        </span>
      </span>
      <span v-if="asked === one.id" class="acts" role="alert">
        {{ t('auth.people.sureLetGo', { name: one.name }) }}
        <v-btn @click="letGo(one.id)">{{ t('auth.people.yes') }}</v-btn>
        <v-btn @click="asked = null">{{ t('auth.people.no') }}</v-btn>
      </span>
      <span v-else-if="asksRole && one.id === meId" class="acts" role="alert">
        {{ t('auth.people.sureRole') }}
        <v-btn @click="((asksRole = false), emit('role', one.id, 'member'))">{{ t('auth.people.yes') }}</v-btn>
        <v-btn @click="asksRole = false">{{ t('auth.people.no') }}</v-btn>
      </span>
      <span v-else-if="isOwner" class="acts">
        <LinkBtn
          :disabled="busy"
          @click="
            one.id === meId && one.role === 'owner'
              ? (asksRole = true)
              : emit('role', one.id, one.role === 'owner' ? 'member' : 'owner')
          "
        >
          {{ t(one.role === 'owner' ? 'auth.people.makeMember' : 'auth.people.makeOwner') }}
        </LinkBtn>
        <LinkBtn v-if="one.id !== meId" :disabled="busy" @click="asked = one.id">
          {{ t('auth.people.letGo') }}
        </LinkBtn>
      </span>
    </li>
  </ul>
</template>

<style scoped>
ul {
  margin: 0;
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
.who {
  display: flex;
  gap: 10px;
  align-items: baseline;
  min-width: 0;
}
strong {
  overflow-wrap: anywhere;
  font-size: 18px;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 6px 16px;
}
</style>
