<script setup lang="ts">
/** The dinner for others: as a file or an address for calendars, and as a page that a guest can read. */
const { mealId } = defineProps<{ mealId: string }>()
const { t, day } = useI18nText()
/** The address is told once; afterwards it is only known that there is one, and until when. */
const token = ref<string | null>(null)
const until = ref<number | null>(null)
const failure = ref<ApiFailure | null>(null)
const address = computed(() => (token.value ? `${window.location.origin}/calendar/${token.value}.ics` : ''))

async function ask(method: 'GET' | 'POST' | 'DELETE') {
  failure.value = null
  try {
    const answer = await api<{ token?: string; until: number | null } | null>('/calendar', { method })
    token.value = answer?.token ?? null
    until.value = answer?.until ?? null
  } catch (error) {
    failure.value = failureOf(error)
  }
}
void ask('GET')

const authIsThere = useAuthMessages()
const guestUrl = ref<string | null>(null)
async function forGuest() {
  failure.value = null
  try {
    const made = await api<{ token: string }>('/people/invites', { method: 'POST', body: { mealId } })
    guestUrl.value = `${window.location.origin}/guest/${made.token}`
  } catch (error) {
    failure.value = failureOf(error)
  }
}
</script>

<template>
  <div class="calendar">
    <v-btn :href="`/api/meals/${mealId}/calendar`" download="dinner.ics">{{ t('meals.download') }}</v-btn>
    <v-btn v-if="!guestUrl" @click="forGuest">{{ t('meals.forGuest') }}</v-btn>
    <v-btn v-if="!until" @click="ask('POST')">{{ t('meals.subscribe') }}</v-btn>
    <template v-else>
      <p v-if="!token" class="soft">{{ t('meals.hasAddress', { day: day(until) }) }}</p>
      <v-text-field
        v-else
        :model-value="address"
        :label="t('meals.subscribe')"
        readonly
        @focusin="($event.target as HTMLInputElement).select()"
      />
      <p v-if="token" class="soft">{{ t('meals.address', { day: day(until) }) }}</p>
      <LinkBtn @click="ask('POST')">{{ t('meals.renew') }}</LinkBtn>
      <LinkBtn @click="ask('DELETE')">{{ t('meals.revoke') }}</LinkBtn>
    </template>
    <ShareLink v-if="guestUrl && authIsThere" :url="guestUrl" :text="t('meals.guestText')" class="guest" />
    <p v-if="failure" class="tone-danger" role="alert">
      {{ t(failure.kind === 'network' ? 'errors.network' : 'errors.server') }}
    </p>
  </div>
</template>

<style scoped>
.calendar {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 18px;
  align-items: center;
  padding: 10px 0;
  border-top: 1px solid var(--line);
}
p,
.v-text-field {
  flex: 1 1 100%;
  margin: 0;
}
.guest {
  flex: 1 1 100%;
}
.link-button {
  min-height: 44px;
}
</style>
