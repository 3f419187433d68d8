<script setup lang="ts">
/** Chooses a food by any of its names, in any language it is listed under; the household's own come first. */
const { label } = defineProps<{ label: string }>()
const model = defineModel<string>({ required: true })
const named = useNamedFoods()
const foods = computed(() => named.value.map(({ food, name, aliases }) => ({ id: food.id, name, aliases })))
/** What is typed; the best matches stand first, and the food that is chosen is always among them. */
const query = ref('')
const found = computed(() => searchNames(query.value, foods.value))
const items = computed(() => [...found.value, ...foods.value.filter((food) => !found.value.includes(food))])
const finds = (_: string, __: string, item?: { raw: { id: string } }) =>
  item !== undefined && found.value.some(({ id }) => id === item.raw.id)
</script>

<template>
  <v-autocomplete
    v-model:search="query"
    :model-value="model"
    :items="items"
    item-value="id"
    item-title="name"
    :custom-filter="finds"
    :aria-label="label"
    auto-select-first
    @focusin="selectAll"
    @update:model-value="(id) => id && (model = id)"
  >
    <template #item="{ props: item, item: entry }">
      <v-list-item v-bind="item" :subtitle="(entry as unknown as { aliases: string }).aliases" />
    </template>
  </v-autocomplete>
</template>
