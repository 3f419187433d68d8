<script setup lang="ts">
/** Chooses a food by any of its names, in any language it is listed under; the household's own come first. */
const { label } = defineProps<{ label: string }>()
const model = defineModel<string>({ required: true })
const named = useNamedFoods()
const foods = computed(() => named.value.map(({ food, name, aliases }) => ({ id: food.id, name, aliases })))
const matches = new Map<string, Set<string>>()
watch(foods, () => matches.clear())
function finds(_: string, query: string, item?: { raw: { id: string } }) {
  const found = matches.get(query) ?? new Set(searchNames(query, foods.value).map(({ id }) => id))
  matches.set(query, found)
  return item ? found.has(item.raw.id) : false
}
/** What is typed replaces the food that stands there. */
function selectText({ target }: FocusEvent) {
  if (target instanceof HTMLInputElement) target.select()
}
</script>

<template>
  <v-autocomplete
    :model-value="model"
    :items="foods"
    item-value="id"
    item-title="name"
    :custom-filter="finds"
    :aria-label="label"
    auto-select-first
    @focusin="selectText"
    @update:model-value="(id) => id && (model = id)"
  >
    <template #item="{ props: item, item: entry }">
      <v-list-item v-bind="item" :subtitle="(entry as unknown as { aliases: string }).aliases" />
    </template>
  </v-autocomplete>
</template>
