<script setup lang="ts">
/** One dinner, for a guest who was sent its link. */
definePageMeta({ layout: 'auth' })
const { t, day, clock } = useI18nText()
const { attempt, problem } = useAuth()
const dinner = ref<{ household: string; servedAt: number; dishes: string[] } | null>(null)
const token = String(useRoute().params.token)
const look = () => attempt(async () => (dinner.value = await api(`/guest/${encodeURIComponent(token)}`)))
void look()
const title = computed(() =>
  dinner.value ? t('auth.guest.title', { household: dinner.value.household }) : t('app.name'),
)
useHead({ title: () => `${title.value} · Bivvet`, meta: [{ name: 'robots', content: 'noindex' }] })
</script>

<template>
  <AuthSheet :title="title">
    <template v-if="dinner">
      <p class="at">{{ t('auth.guest.at', { day: day(dinner.servedAt), clock: clock(dinner.servedAt) }) }}</p>
      <ul>
        <li v-for="dish in dinner.dishes" :key="dish">{{ dish }}</li>
      </ul>
      <p class="soft">{{ t('auth.guest.text') }}</p>
    </template>
    <template v-else-if="problem">
      <p role="alert" class="tone-danger">{{ problem }}</p>
      <div class="go">
        <v-btn size="large" @click="look">{{ t('auth.again') }}</v-btn>
      </div>
    </template>
  </AuthSheet>
</template>

<style scoped>
.at {
  font-size: 22px;
}
ul {
  margin: 0;
  padding: 0;
  list-style: none;
  font-size: 20px;
}
li {
  padding: 10px 0;
  border-top: 1px solid var(--line);
}
</style>
