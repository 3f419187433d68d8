<script setup lang="ts">
/** A line that is typed, with its name on the frame, its unit at the end, and what is wrong with it underneath. */
defineOptions({ inheritAttrs: false })
const {
  label,
  hideLabel = false,
  suffix = '',
  error = null,
  autofocus = false,
} = defineProps<{
  label: string
  /** Read out only: its row names it already. */
  hideLabel?: boolean
  suffix?: string
  /** What is wrong; true where that is said elsewhere. */
  error?: string | boolean | null
  autofocus?: boolean
}>()
const model = defineModel<string>({ required: true })
const id = useId()
const input = useTemplateRef<HTMLInputElement>('input')
onMounted(() => autofocus && input.value?.focus())
const attrs = useAttrs()
/** All but the class is the line's own. */
const own = () => Object.fromEntries(Object.entries(attrs).filter(([name]) => name !== 'class'))
</script>

<template>
  <div :class="['text', $attrs.class]">
    <label :for="id" :class="hideLabel ? 'hidden-text' : 'name'">{{ label }}</label>
    <div class="frame" :class="{ wrong: error }">
      <input
        :id="id"
        ref="input"
        v-model="model"
        type="text"
        autocomplete="off"
        v-bind="own()"
        :aria-invalid="error ? true : undefined"
        :aria-describedby="typeof error === 'string' ? `${id}-error` : undefined"
      />
      <span v-if="suffix" class="soft suffix">{{ suffix }}</span>
    </div>
    <p v-if="typeof error === 'string'" :id="`${id}-error`" class="tone-danger" role="alert">{{ error }}</p>
  </div>
</template>

<style scoped>
.text {
  position: relative;
  min-width: 0;
}
.name {
  position: absolute;
  top: -8px;
  left: 12px;
  max-width: calc(100% - 24px);
  padding: 0 4px;
  overflow: hidden;
  background: var(--ground);
  color: var(--ink-soft);
  font-size: 12px;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.frame {
  display: flex;
  align-items: center;
  min-height: 40px;
  border: 1px solid color-mix(in srgb, var(--ink) 35%, transparent);
  border-radius: 4px;
}
.frame:hover {
  border-color: var(--ink);
}
.frame:focus-within {
  outline: 3px solid var(--water);
  outline-offset: -2px;
}
.wrong {
  border-color: var(--danger);
}
input {
  flex: 1;
  align-self: stretch;
  width: 100%;
  min-width: 0;
  padding: 4px 0 4px 14px;
  border: 0;
  outline: none;
  background: none;
  color: inherit;
  font: inherit;
}
input::placeholder {
  color: var(--ink-soft);
  opacity: 1;
}
.suffix {
  padding: 0 12px 0 6px;
  white-space: nowrap;
}
p {
  margin: 3px 0 0;
  font-size: 13px;
}
@media (max-width: 719px), (pointer: coarse) {
  input {
    min-height: 44px;
  }
}
</style>
