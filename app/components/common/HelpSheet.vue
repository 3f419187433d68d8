<script setup lang="ts">
/** What the page is for in five sentences, its words, and every key that does something. */
const emit = defineEmits<{ close: [] }>()
const { t } = useI18nText()
const areThere = useHelpMessages()
const SENTENCES = ['1', '2', '3', '4', '5'] as const
/** The words of each page that a newcomer asks about. */
const WORDS = {
  day: ['portion'],
  pot: ['whistle', 'release', 'closing', 'boil-minute', 'tin'],
  dishes: ['stage', 'portion', 'boil-minute'],
  larder: ['boil-minute', 'portion'],
  kitchen: ['whistle', 'tin'],
  log: ['whistle', 'boil-minute'],
  cook: ['whistle', 'release', 'closing'],
  practice: ['whistle', 'release'],
} as const
const route = useRoute()
/** The room of the address; what has no help of its own is explained as Today. */
const place = computed(() => {
  const [, first = ''] = route.path.split('/')
  return first in WORDS ? (first as keyof typeof WORDS) : 'day'
})
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
  <v-dialog
    :model-value="areThere"
    max-width="560"
    scrollable
    :aria-label="areThere ? t('help.label') : undefined"
    @update:model-value="emit('close')"
  >
    <v-sheet v-if="areThere" class="keys">
      <h2>{{ t('help.title', { page: t(`help.of.${place}.name`) }) }}</h2>
      <ul>
        <li v-for="n in SENTENCES" :key="n">{{ t(`help.of.${place}.${n}`) }}</li>
      </ul>
      <h3>{{ t('help.words') }}</h3>
      <dl>
        <div v-for="word in WORDS[place]" :key="word">
          <dt>
            <strong>{{ t(`help.called.${word}`) }}</strong>
          </dt>
          <dd>{{ t(`help.word.${word}`) }}</dd>
        </div>
      </dl>
      <h3>{{ t('help.keys') }}</h3>
      <template v-for="(keys, where) in KEYS" :key="where">
        <h4 class="soft">{{ t(`keys.where.${where}`) }}</h4>
        <dl>
          <div v-for="[key, what] in keys" :key="what">
            <dt>
              <kbd>{{ key }}</kbd>
            </dt>
            <dd>{{ t(`keys.${what}`) }}</dd>
          </div>
        </dl>
      </template>
      <v-btn variant="flat" color="primary" autofocus @click="emit('close')">{{ t('help.close') }}</v-btn>
    </v-sheet>
  </v-dialog>
</template>

<style scoped>
.keys {
  overflow-y: auto;
  padding: 20px 24px;
}
h2 {
  margin: 0;
  font-size: 18px;
}
h3 {
  margin: 18px 0 4px;
  font-size: 16px;
}
h4 {
  margin: 10px 0 4px;
  font-size: 14px;
  font-weight: 400;
}
ul {
  margin: 10px 0 0;
  padding-inline-start: 18px;
}
li {
  margin-bottom: 4px;
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
