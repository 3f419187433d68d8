<script setup lang="ts">
import type { NuxtError } from '#app'

/** Where there is no page, and where one failed: never the one for the other. */
const { error } = defineProps<{ error: NuxtError }>()
const { t } = useI18nText()
const isMissing = computed(() => error.statusCode === 404)
if (!isMissing.value) console.error(error)
</script>

<template>
  <v-app>
    <main>
      <EmptyNotice
        :title="t(isMissing ? 'app.notFound' : 'app.failed')"
        :text="t(isMissing ? 'app.notFoundText' : 'app.failedText')"
        @click="clearError({ redirect: '/pot' })"
      />
    </main>
  </v-app>
</template>
