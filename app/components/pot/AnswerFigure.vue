<script setup lang="ts">
/** One of the plan's great figures, with its unit, what it is for, and what goes with it. */
defineProps<{
  label: string
  figure: string
  unit: string
  tone: 'water' | 'heat' | 'steam'
  /** One of several, after the great ones. */
  small?: boolean
}>()
const open = defineModel<boolean>('open', { default: false })
const { t } = useI18nText()
</script>

<template>
  <section class="answer">
    <h2 class="soft">{{ label }}</h2>
    <div class="line">
      <p :class="['figure', small ? 'small' : 'great', `tone-${tone}`]">
        {{ figure }}<span class="unit">{{ unit }}</span>
      </p>
      <div class="beside">
        <slot name="beside" />
        <button v-if="$slots.why" type="button" class="link-button" :aria-expanded="open" @click="open = !open">
          {{ t('app.why') }}<span class="hidden-text"> {{ label }}</span>
        </button>
      </div>
    </div>
    <div v-if="open && $slots.why" class="unfolded">
      <slot name="why" />
    </div>
  </section>
</template>

<style scoped>
.answer {
  padding-bottom: 10px;
  border-bottom: 1px solid var(--line);
}
h2 {
  margin: 0;
  font-size: 14.5px;
  font-weight: 400;
}
.line {
  display: flex;
  align-items: flex-end;
  justify-content: space-between;
  gap: 12px;
}
.great {
  margin: 2px 0 0;
  font-size: 58px;
  white-space: nowrap;
}
.small {
  margin: 2px 0 0;
  font-size: 40px;
  white-space: nowrap;
}
.small .unit {
  font-size: 20px;
}
.unit {
  margin-left: 8px;
  font-size: 26px;
  font-weight: 600;
}
.beside {
  display: grid;
  justify-items: end;
  text-align: right;
  font-size: 14px;
  line-height: 1.4;
}
.beside :deep(strong) {
  font-size: 15px;
}
.unfolded {
  margin-top: 8px;
}
</style>
