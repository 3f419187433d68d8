<script setup lang="ts">
import { useClipboard } from '@vueuse/core'
import { renderSVG } from 'uqr'

/** A link to be sent, copied, or read from the screen by a camera. */
const { url } = defineProps<{ url: string; text: string }>()
const { t } = useI18nText()
const { copy, copied, isSupported } = useClipboard({ legacy: true })
/** Made here from the link alone: nothing in it is from elsewhere. */
const picture = computed(() => `data:image/svg+xml,${encodeURIComponent(renderSVG(url, { border: 2 }))}`)
</script>

<template>
  <div class="link">
    <img :src="picture" :alt="t('auth.people.qr')" width="176" height="176" />
    <div>
      <p>{{ text }}</p>
      <code>{{ url }}</code>
      <p v-if="isSupported">
        <v-btn @click="copy(url)">{{ t('auth.people.copy') }}</v-btn>
        <span v-if="copied" class="tone-food" role="status">{{ t('auth.people.copied') }}</span>
      </p>
    </div>
  </div>
</template>

<style scoped>
.link {
  display: flex;
  flex-wrap: wrap;
  gap: 16px;
  margin: 12px 0;
}
.link > div {
  flex: 1;
  min-width: 220px;
}
img {
  flex: none;
  border: 1px solid var(--line);
}
p {
  margin: 0 0 8px;
}
code {
  display: block;
  margin-bottom: 10px;
  overflow-wrap: anywhere;
  font-size: 14px;
}
span {
  margin-inline-start: 12px;
}
</style>
