<script setup lang="ts">
import { newItem, type AskedAmount } from '~~/shared/pot'
import type { Asked } from '~/composables/askedFood'

/**
 * A field that finds a food by any of its names, in any language it is listed under, and reads how much of it:
 * “2 cups chickpeas”, arrows, return.
 */
const {
  label,
  most = 8,
  quiet = false,
  passive = false,
} = defineProps<{
  label: string
  most?: number
  /** Shows nothing until something is typed. */
  quiet?: boolean
  /** Leaves the cursor where it is. */
  passive?: boolean
}>()
/** The food that return would take. */
const at = defineModel<string | null>('at', { default: null })
const emit = defineEmits<{ take: [foodId: string, asked: AskedAmount | null]; leave: [] }>()
const { t, typed } = useI18nText()
const kitchen = computed(() => useKitchenStore().kitchen!)
const foods = useNamedFoods()
const listId = useId()

const query = ref('')
const index = ref(0)
/** The parser comes when the field is there; what is typed before is read then. */
const read = shallowRef((text: string): Asked => ({ words: text, amount: null }))
void import('~/composables/askedFood').then(({ readAsked }) => {
  read.value = (text) => readAsked(text, kitchen.value)
})
const asked = computed(() => read.value(query.value))
const { unitsFor } = useUnits()
/** How much is understood, in the words of its unit; empty where the food is not measured so. */
function amountText(food: NamedFood['food']): string {
  const { amount } = asked.value
  if (!amount) return ''
  const item = newItem(food, kitchen.value, amount)
  const unit = unitsFor(food).find(({ value }) => value === item.unit)?.title ?? ''
  return `${typed(item.amount)} ${unit}`
}
const found = computed(() =>
  quiet && query.value.trim() === '' ? [] : searchNames(asked.value.words, foods.value).slice(0, most),
)
const field = useTemplateRef<HTMLInputElement>('field')
onMounted(() => !passive && field.value?.focus())
watch(query, () => (index.value = 0))
watchEffect(() => (at.value = found.value[index.value]?.food.id ?? null))
const move = (by: number) => (index.value = (index.value + by + found.value.length) % Math.max(1, found.value.length))
</script>

<template>
  <div class="find">
    <input
      ref="field"
      v-model="query"
      type="text"
      class="field"
      :placeholder="t('app.foodExample')"
      :aria-label="label"
      role="combobox"
      :aria-expanded="found.length > 0"
      :aria-controls="listId"
      :aria-activedescendant="found.length > 0 ? `${listId}-${index}` : undefined"
      autocomplete="off"
      maxlength="60"
      @keydown.down.prevent="move(1)"
      @keydown.up.prevent="move(-1)"
      @keydown.enter.prevent="at && emit('take', at, asked.amount)"
      @keydown.esc="emit('leave')"
    />
    <p v-if="query.trim() !== '' && found.length === 0" class="soft none" role="status">
      {{ t('app.noFood', { query: asked.words }) }}
    </p>
    <ul v-show="found.length > 0" :id="listId" role="listbox" :aria-label="label">
      <li
        v-for="({ food, name, aliases }, i) in found"
        :id="`${listId}-${i}`"
        :key="food.id"
        role="option"
        :aria-selected="i === index"
        :class="{ at: i === index }"
        @click="emit('take', food.id, asked.amount)"
      >
        <span class="name"
          ><strong>{{ name }}</strong>
          <span v-if="asked.amount" class="figure tone-food">{{ amountText(food) }}</span></span
        >
        <span class="soft">{{ aliases }}</span>
      </li>
    </ul>
  </div>
</template>

<style scoped>
.field {
  width: 100%;
  min-height: 58px;
  padding: 8px 16px;
  border: 1px solid color-mix(in srgb, var(--ink) 45%, transparent);
  border-radius: var(--corner);
  background: none;
  color: inherit;
  font: inherit;
  font-size: 20px;
}
.field::placeholder {
  color: var(--ink-soft);
  opacity: 1;
}
ul {
  margin: 4px 0 0;
  padding: 0;
  list-style: none;
}
li {
  display: grid;
  padding: 8px 10px;
  border-bottom: 1px solid var(--line);
  cursor: pointer;
}
li .name {
  display: flex;
  justify-content: space-between;
  gap: 12px;
}
.figure {
  font-size: 19px;
}
li .soft {
  font-size: 14px;
}
.at {
  background: var(--ground-raised);
  box-shadow: inset 3px 0 var(--food);
}
.none {
  margin: 8px 0;
}
</style>
