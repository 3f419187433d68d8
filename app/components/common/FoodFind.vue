<script setup lang="ts">
/** A field that finds a food by any of its names, in any language it is listed under: type, arrows, return. */
const {
  label,
  most = 8,
  quiet = false,
} = defineProps<{
  label: string
  most?: number
  /** Shows nothing until something is typed. */
  quiet?: boolean
}>()
/** The food that return would take. */
const at = defineModel<string | null>('at', { default: null })
const emit = defineEmits<{ take: [foodId: string] }>()
const { t } = useI18nText()
const foods = useNamedFoods()
const listId = useId()

const query = ref('')
const index = ref(0)
const found = computed(() =>
  quiet && query.value.trim() === '' ? [] : searchNames(query.value, foods.value).slice(0, most),
)
watch(query, () => (index.value = 0))
watchEffect(() => (at.value = found.value[index.value]?.food.id ?? null))
const move = (by: number) => (index.value = (index.value + by + found.value.length) % Math.max(1, found.value.length))
</script>

<template>
  <div class="find">
    <input
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
      autofocus
      maxlength="60"
      @keydown.down.prevent="move(1)"
      @keydown.up.prevent="move(-1)"
      @keydown.enter.prevent="at && emit('take', at)"
    />
    <p v-if="query.trim() !== '' && found.length === 0" class="soft none" role="status">
      {{ t('app.noFood', { query }) }}
    </p>
    <ul v-show="found.length > 0" :id="listId" role="listbox" :aria-label="label">
      <li
        v-for="({ food, name, aliases }, i) in found"
        :id="`${listId}-${i}`"
        :key="food.id"
        role="option"
        :aria-selected="i === index"
        :class="{ at: i === index }"
        @click="emit('take', food.id)"
      >
        <strong>{{ name }}</strong>
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
