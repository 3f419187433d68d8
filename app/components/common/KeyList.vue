<script setup lang="ts">
/** Every key that does something, by where it does it. */
const emit = defineEmits<{ close: [] }>()
const { t } = useI18nText()
const KEYS = {
  everywhere: [
    ['?', 'keys'],
    ['/', 'search'],
  ],
  pot: [
    ['Ctrl Z', 'undo'],
    ['Ctrl Shift Z', 'redo'],
    ['Ctrl S', 'keep'],
    ['↑ ↓', 'water'],
    ['← →', 'strip'],
    ['Esc', 'back'],
  ],
  cook: [
    ['Space', 'count'],
    ['U', 'takeBack'],
  ],
  dinner: [
    ['← →', 'minute'],
    ['Shift ← →', 'fiveMinutes'],
    ['L', 'lock'],
    ['Del', 'free'],
  ],
} as const
</script>

<template>
  <v-dialog :model-value="true" max-width="460" :aria-label="t('keys.title')" @update:model-value="emit('close')">
    <v-sheet class="keys">
      <h2>{{ t('keys.title') }}</h2>
      <template v-for="(keys, where) in KEYS" :key="where">
        <h3 class="soft">{{ t(`keys.where.${where}`) }}</h3>
        <dl>
          <div v-for="[key, what] in keys" :key="what">
            <dt>
              <kbd>{{ key }}</kbd>
            </dt>
            <dd>{{ t(`keys.${what}`) }}</dd>
          </div>
        </dl>
      </template>
      <v-btn variant="flat" color="primary" autofocus @click="emit('close')">{{ t('keys.close') }}</v-btn>
    </v-sheet>
  </v-dialog>
</template>

<style scoped>
.keys {
  padding: 20px 24px;
}
h2 {
  margin: 0;
  font-size: 18px;
}
h3 {
  margin: 14px 0 4px;
  font-size: 14px;
  font-weight: 400;
}
dl {
  margin: 0;
}
dl div {
  display: grid;
  grid-template-columns: 118px 1fr;
  padding: 4px 0;
  border-top: 1px solid var(--line);
}
dd {
  margin: 0;
}
kbd {
  font-family: var(--figure-family);
  font-size: 17px;
  font-weight: 600;
}
.keys :deep(.v-btn) {
  margin-top: 16px;
}
</style>
