<script setup lang="ts">
import { mdiClose, mdiContentCopy, mdiStar, mdiStarOutline } from '@mdi/js'

/** Something that is kept, on one line: its name and what is in it, and what can be done with it there. */
defineProps<{ name: string; text: string; favourite: boolean; removeLabel: string }>()
const emit = defineEmits<{ open: []; star: []; copy: []; remove: [] }>()
const { t } = useI18nText()
</script>

<template>
  <li>
    <IconButton
      :icon="favourite ? mdiStar : mdiStarOutline"
      :aria-pressed="favourite"
      :label="t('dishes.favourite', { name })"
      @click="emit('star')"
    />
    <RowBtn class="row" @click="emit('open')">
      <strong>{{ name }}</strong>
      <span class="soft">{{ text }}</span>
    </RowBtn>
    <IconButton :icon="mdiContentCopy" :label="t('dishes.copy', { name })" @click="emit('copy')" />
    <IconButton :icon="mdiClose" :label="removeLabel" @click="emit('remove')" />
  </li>
</template>

<style scoped>
li {
  display: grid;
  grid-template-columns: auto minmax(0, 1fr) auto auto;
  align-items: center;
  gap: 6px;
  border-bottom: 1px solid var(--line);
}
.row {
  display: grid;
  gap: 2px;
  min-height: 56px;
  align-content: center;
  padding: 7px 0;
}
.row strong {
  font-size: 17px;
}
</style>
