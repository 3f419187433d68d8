<script setup lang="ts">
/** The dinner for others: as a file or an address for calendars, and as a page that a guest can read. */
const { mealId } = defineProps<{ mealId: string }>()
const { t } = useI18nText()
const token = ref<string | null>(null)
const failure = ref<ApiFailure | null>(null)
const address = computed(() => (token.value ? `${window.location.origin}/calendar/${token.value}.ics` : ''))

async function ask(method: 'GET' | 'POST' | 'DELETE') {
  failure.value = null
  try {
    const answer = await api<{ token: string | null } | null>('/calendar', { method })
    token.value = answer?.token ?? null
  } catch (error) {
    failure.value = failureOf(error)
  }
}
void ask('GET')

const doorIsThere = useDoorMessages()
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
    <a :href="`/api/meals/${mealId}/calendar`" download="dinner.ics" class="quiet-button">{{ t('meals.download') }}</a>
    <v-btn v-if="!guestUrl" variant="outlined" @click="forGuest">{{ t('meals.forGuest') }}</v-btn>
    <v-btn v-if="!token" variant="outlined" @click="ask('POST')">{{ t('meals.subscribe') }}</v-btn>
    <template v-else>
      <label>
        {{ t('meals.subscribe') }}
        <input :value="address" readonly @focus="($event.target as HTMLInputElement).select()" />
      </label>
      <p class="soft">{{ t('meals.address') }}</p>
      <v-btn variant="text" class="link-button" @click="ask('POST')">{{ t('meals.renew') }}</v-btn>
      <v-btn variant="text" class="link-button" @click="ask('DELETE')">{{ t('meals.revoke') }}</v-btn>
    </template>
    <ShareLink v-if="guestUrl && doorIsThere" :url="guestUrl" :text="t('meals.guestText')" class="guest" />
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
label {
  display: grid;
  flex: 1 1 100%;
  gap: 2px;
}
input {
  min-height: 40px;
  padding: 0 8px;
  border: 1px solid color-mix(in srgb, var(--ink) 45%, transparent);
  border-radius: var(--corner);
  background: none;
  color: inherit;
  font: inherit;
  font-size: 14.5px;
}
p {
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
