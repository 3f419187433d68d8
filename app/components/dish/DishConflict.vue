<script setup lang="ts">
import type { mergedDish } from '~~/shared/merge-dish'

/** Another device has changed the dish meanwhile: what both have changed, and the ways out. */
const { both } = defineProps<{ both: ReturnType<typeof mergedDish> | null }>()
const emit = defineEmits<{ together: []; theirs: []; ours: [] }>()
const { t, list } = useI18nText()
const { lineName } = useDishWords()

/** What both have changed, each by its name. */
const clashes = computed(() => {
  const names = both?.clashes.map((one) => {
    if (one.what === 'line') return lineName(one.line)
    return one.what === 'stage' ? t(`dishes.kinds.${one.stage.kind}`) : t(`dishes.conflict.${one.what}`)
  })
  return names && names.length > 0 ? list([...new Set(names)]) : null
})
</script>

<template>
  <div class="notice" role="alert">
    <p>{{ t('dishes.conflict.text') }}</p>
    <p v-if="clashes">{{ t('dishes.conflict.both', { list: clashes }) }}</p>
    <v-btn v-if="both" variant="flat" color="primary" @click="emit('together')">{{
      t('dishes.conflict.together')
    }}</v-btn>
    <v-btn @click="emit('theirs')">{{ t('dishes.conflict.theirs') }}</v-btn>
    <v-btn @click="emit('ours')">{{ t('dishes.conflict.ours') }}</v-btn>
  </div>
</template>

<style scoped>
.notice {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px;
  margin-bottom: 12px;
  padding-inline-start: 12px;
  border-inline-start: 3px solid var(--danger);
}
.notice p {
  flex-basis: 100%;
  margin: 0;
}
</style>
