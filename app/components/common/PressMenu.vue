<script setup lang="ts">
import { onClickOutside } from '@vueuse/core'

/** A button, and under it the further things that can be done: by the arrows too, Escape goes back to the button. */
export interface Press {
  text: string
  note?: string | undefined
  disabled?: boolean
  /** It is what holds now. */
  chosen?: boolean
  act: () => void
}
const {
  label,
  presses,
  look = 'quiet-button',
  upwards = false,
} = defineProps<{
  label: string
  presses: readonly Press[]
  /** The class of the button. */
  look?: string
  upwards?: boolean
}>()
const id = useId()
const isOpen = ref(false)
const whole = useTemplateRef<HTMLElement>('whole')
const button = useTemplateRef<HTMLButtonElement>('button')
const list = useTemplateRef<HTMLElement>('list')
onClickOutside(whole, () => (isOpen.value = false))

async function toggle() {
  isOpen.value = !isOpen.value
  if (!isOpen.value) return
  await nextTick()
  items()[0]?.focus()
}
const items = () => [...(list.value?.querySelectorAll<HTMLButtonElement>('button:not(:disabled)') ?? [])]
function move(by: number) {
  const all = items()
  const at = all.indexOf(document.activeElement as HTMLButtonElement)
  all[(at + by + all.length) % all.length]?.focus()
}
function close() {
  isOpen.value = false
  button.value?.focus()
}
function press({ act }: Press) {
  close()
  act()
}
</script>

<template>
  <div ref="whole" class="whole" @keydown.esc.stop="close">
    <button
      ref="button"
      type="button"
      :class="['open', look]"
      aria-haspopup="menu"
      :aria-expanded="isOpen"
      :aria-controls="isOpen ? id : undefined"
      @click="toggle"
    >
      <slot>{{ label }}</slot>
    </button>
    <ul
      v-if="isOpen"
      :id="id"
      ref="list"
      role="menu"
      :aria-label="label"
      :class="{ upwards }"
      @keydown.down.prevent="move(1)"
      @keydown.up.prevent="move(-1)"
      @keydown.home.prevent="items()[0]?.focus()"
      @keydown.end.prevent="items().at(-1)?.focus()"
      @keydown.tab="isOpen = false"
    >
      <li v-for="one in presses" :key="one.text" role="none">
        <button
          type="button"
          role="menuitem"
          :disabled="one.disabled"
          :class="{ chosen: one.chosen }"
          @click="press(one)"
        >
          {{ one.text }}
          <span v-if="one.note" class="soft">{{ one.note }}</span>
        </button>
      </li>
    </ul>
  </div>
</template>

<style scoped>
.whole {
  position: relative;
  display: flex;
}
.open {
  flex: 1;
  justify-content: center;
}
ul {
  position: absolute;
  z-index: 6;
  inset: calc(100% + 4px) 0 auto auto;
  min-width: max(230px, 100%);
  max-height: min(420px, 60vh);
  overflow-y: auto;
  margin: 0;
  padding: 4px 0;
  border: 1px solid color-mix(in srgb, var(--ink) 45%, transparent);
  border-radius: var(--corner);
  background: var(--ground-raised);
  list-style: none;
}
ul.upwards {
  inset: auto 0 calc(100% + 4px) auto;
}
li button {
  display: grid;
  width: 100%;
  min-height: 44px;
  align-content: center;
  padding: 6px 14px;
  border: 0;
  background: none;
  color: inherit;
  font: inherit;
  text-align: left;
  cursor: pointer;
}
li button:hover:not(:disabled),
li button:focus-visible {
  background: var(--ground);
}
li button:focus-visible {
  outline-offset: -3px;
}
li button:disabled {
  color: var(--ink-soft);
  cursor: default;
}
li .soft {
  font-size: 13.5px;
}
.chosen {
  font-weight: 700;
  box-shadow: inset 3px 0 var(--ink);
}
</style>
