<script setup lang="ts">
/** Who is in the household, who is let in, at which devices, and what becomes of all of it. */
const { t, day, clock } = useI18nText()
const { people, failure, load, change, invite, busy, problem, attempt } = usePeople()
const who = useHouseholdStore()
const outbox = useOutbox()
const me = computed(() => people.value?.members.find(({ id }) => id === who.member?.id) ?? null)
const isOwner = computed(() => me.value?.role === 'owner')
const isOpen = computed(() => people.value?.hereId === null)
const link = ref<{ url: string; expiresAt: number } | null>(null)
const letIn = async () => (link.value = await invite())
const time = (ms: number) => `${day(ms)}, ${clock(ms)}`

/** What the kitchen was before; taken again it is a change like any other. */
const looksBack = ref(false)
const { draft } = useKitchenDraft()
function takeEarlier(content: unknown) {
  draft.value = content as typeof draft.value
  void navigateTo('/kitchen')
}

/** Going out with something unsent is asked once more. */
const sureAsked = ref(false)
/** And so it is for whoever has no way to come back. */
const hasWayIn = computed(() => me.value !== null && (me.value.hasPassword || me.value.passkeys > 0))
const asksLeave = ref(false)
async function leave() {
  if (!sureAsked.value && outbox.entries.length + outbox.starts.length > 0) {
    sureAsked.value = true
    return
  }
  if (!asksLeave.value && !hasWayIn.value) {
    asksLeave.value = true
    return
  }
  if (await attempt(() => api('/auth/leave', { method: 'POST', query: { sure: '1' } }))) await beginAnew()
}
useHead({ title: () => `${t('auth.people.title')} · Bivvet` })
</script>

<template>
  <section class="people">
    <NuxtLink to="/kitchen" class="soft link-button back">{{ t('app.nav.kitchen') }}</NuxtLink>
    <h1>{{ t('auth.people.title') }}</h1>
    <StateNotice v-if="failure && !people" :failure="failure" @retry="load" />
    <p v-else-if="!people" class="soft" role="status">{{ t('app.loading') }}</p>
    <template v-else>
      <p v-if="isOpen" class="soft">{{ t('auth.people.open') }}</p>
      <MemberList
        :people="people"
        :is-owner="isOwner && !isOpen"
        :me-id="isOpen ? null : (me?.id ?? null)"
        :busy="busy"
        @role="(id, role) => change(`members/${id}`, 'PATCH', { role })"
        @let-go="(id) => change(`members/${id}`, 'DELETE')"
      />
      <p v-if="problem" role="alert" class="tone-danger">{{ problem }}</p>
      <p v-if="isOwner">
        <v-btn variant="flat" color="primary" :disabled="busy" @click="letIn">
          {{ t('auth.people.invite') }}
        </v-btn>
      </p>
      <ShareLink v-if="link" :url="link.url" :text="t('auth.people.inviteText', { time: time(link.expiresAt) })" />
      <template v-if="people.invites.length > 0">
        <p class="soft">{{ t('auth.people.links', { n: people.invites.length }, people.invites.length) }}</p>
        <ul>
          <li v-for="one in people.invites" :key="one.id">
            <span class="soft">
              {{
                one.mealId
                  ? t('auth.people.guestLink', { time: time(one.expiresAt) })
                  : t('auth.people.until', { time: time(one.expiresAt) })
              }}
            </span>
            <LinkBtn :disabled="busy" @click="change(`invites/${one.id}`, 'DELETE')">
              {{ t('auth.people.takeBack') }}
            </LinkBtn>
          </li>
        </ul>
      </template>
      <template v-if="me && !isOpen">
        <h2>{{ t('auth.me.title') }}</h2>
        <MeForm :key="me.id" :me="me" @changed="load" />
        <h2>{{ t('auth.me.passkeysTitle') }}</h2>
        <PasskeyList :me="me" :passkeys="people.passkeys" @changed="load" />
        <h2>{{ t('auth.devices.title') }}</h2>
        <DeviceList
          :people="people"
          :is-owner="isOwner"
          :me-id="me.id"
          :busy="busy"
          @end="(id) => change(`devices/${id}`, 'DELETE')"
          @end-others="change('devices', 'DELETE')"
        />
        <template v-if="people.events.length > 0">
          <h2>{{ t('auth.events.title') }}</h2>
          <p class="soft">{{ t('auth.events.text') }}</p>
          <ul>
            <li v-for="one in people.events" :key="one.id">
              <span>{{ t(`auth.events.${one.kind}`, { name: one.label || t('auth.devices.unknown') }) }}</span>
              <span class="soft">{{ time(one.at) }}</span>
            </li>
          </ul>
        </template>
        <p v-if="sureAsked" role="alert" class="tone-danger">{{ t('auth.devices.sureUnsent') }}</p>
        <p v-if="asksLeave" role="alert" class="tone-danger">
          {{ t(isOwner && people.members.length === 1 ? 'auth.devices.sureLast' : 'auth.devices.sureNoWay') }}
        </p>
        <p>
          <v-btn :disabled="busy" @click="leave">
            {{ t('auth.devices.leave') }}
          </v-btn>
        </p>
      </template>
      <p v-if="!isSecurePlace()" class="soft">{{ t('auth.plain') }}</p>
      <h2>{{ t('auth.end.title') }}</h2>
      <LazyEarlierVersions
        v-if="looksBack && who.household"
        :id="who.household.id"
        kind="kitchen"
        @take="takeEarlier"
      />
      <p v-else>
        <LinkBtn @click="looksBack = true">{{ t('auth.end.kitchenBefore') }}</LinkBtn>
      </p>
      <HouseholdEnd :is-owner="isOwner" :is-open="isOpen" />
    </template>
  </section>
</template>

<style scoped>
.people {
  max-width: 760px;
  padding: 18px 24px 48px;
}
.back {
  color: inherit;
}
h1 {
  margin: 6px 0 10px;
  font-size: 26px;
}
h2 {
  margin: 32px 0 12px;
  font-size: 18px;
}
ul {
  margin: 0 0 8px;
  padding: 0;
  list-style: none;
}
li {
  display: flex;
  justify-content: space-between;
  gap: 16px;
  padding: 7px 0;
  border-top: 1px solid var(--line);
}
@media (max-width: 719px) {
  .people {
    padding: 14px 16px 40px;
  }
}
</style>
