<script setup lang="ts">
/** Chooses a food by any of its names, in any language it is listed under; the household's own come first. */
const { label } = defineProps<{ label: string }>()
const model = defineModel<string>({ required: true })
const MOST = 80
const kitchen = useKitchenStore()
</script>

<template>
  <FoodFind
    :label="label"
    :chosen="model === '' ? '' : kitchen.foodName(model)"
    :most="MOST"
    passive
    @take="(foodId) => (model = foodId)"
  />
</template>
