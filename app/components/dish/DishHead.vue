<script setup lang="ts">
import { mdiMinus, mdiPlus, mdiRedo, mdiStar, mdiStarOutline, mdiUndo } from '@mdi/js'
import { BOUNDS } from '~~/core/bounds'
import type { Press } from '~/components/common/PressMenu.vue'

/** What a dish is called, for how many it is looked at, and what can be done with it as a whole. */
const name = defineModel<string>('name', { required: true })
const favourite = defineModel<boolean>('favourite', { required: true })
const servings = defineModel<number>('servings', { required: true })
const { text, state, presses } = defineProps<{
  /** One line of what it comes to. */
  text: string
  state: string
  presses: readonly Press[]
  canUndo: boolean
  canRedo: boolean
}>()
const emit = defineEmits<{ undo: []; redo: [] }>()
const { t } = useI18nText()
const [LEAST, MOST_SERVED] = BOUNDS.servings
const set = (n: number) => (servings.value = Math.max(LEAST, Math.min(MOST_SERVED, Math.round(n) || servings.value)))
const typed = computed({
  get: () => name.value,
  set: (now: string) => now.trim() !== '' && (name.value = now.slice(0, 80)),
})
</script>

<template>
  <div>
    <h1 class="hidden-text">{{ name }}</h1>
    <v-textarea
      :model-value="typed"
      variant="plain"
      rows="1"
      class="name"
      maxlength="80"
      :aria-label="t('dishes.name')"
      @change="typed = ($event.target as HTMLTextAreaElement).value"
      @keydown.enter.prevent="($event.target as HTMLTextAreaElement).blur()"
    />
    <p class="soft sub">{{ text }}</p>
    <div class="bar">
      <IconButton :icon="mdiUndo" :label="t('dishes.undo')" :disabled="!canUndo" @click="emit('undo')" />
      <IconButton :icon="mdiRedo" :label="t('dishes.redo')" :disabled="!canRedo" @click="emit('redo')" />
      <IconButton
        :icon="favourite ? mdiStar : mdiStarOutline"
        :label="t('dishes.favourite', { name })"
        :aria-pressed="favourite"
        @click="favourite = !favourite"
      />
      <PressMenu :label="t('dishes.press')" :presses="presses" />
      <span class="soft state" role="status">{{ state }}</span>
    </div>
    <div class="servings">
      <span>{{ t('dishes.servings') }}</span>
      <IconButton :icon="mdiMinus" :label="t('dishes.fewer')" @click="set(servings - 1)" />
      <v-text-field
        :model-value="servings"
        inputmode="numeric"
        maxlength="3"
        :aria-label="t('dishes.servings')"
        @change="set(Number(($event.target as HTMLInputElement).value))"
      />
      <IconButton :icon="mdiPlus" :label="t('dishes.more')" @click="set(servings + 1)" />
    </div>
  </div>
</template>

<style scoped>
.name :deep(textarea) {
  field-sizing: content;
  resize: none;
  mask-image: none;
  padding: 2px 0;
  font-size: 21px;
  font-weight: 700;
  line-height: 1.2;
}
.sub {
  margin: 0 0 6px;
  font-size: 14px;
}
.bar {
  display: flex;
  align-items: center;
  gap: 2px;
}
.state {
  margin-inline-start: auto;
  font-size: 13px;
}
.servings {
  display: flex;
  align-items: center;
  gap: 4px;
  margin: 4px 0 8px;
  font-size: 14.5px;
}
.servings span {
  flex: 1;
}
.servings .v-text-field {
  flex: 0 0 60px;
}
</style>
