<script setup lang="ts">
import type { AskedAmount } from '~~/shared/pot'

/** One food more for the pot: which one is asked, and nothing goes in unasked. */
const { label } = defineProps<{ label: string }>()
const emit = defineEmits<{ added: [] }>()
const { t } = useI18nText()
const pot = usePotStore()
const kitchen = useKitchenStore()
const asking = ref(false)
const button = useTemplateRef<ComponentPublicInstance>('button')

async function leave() {
  asking.value = false
  await nextTick()
  button.value?.$el.focus()
}
function take(foodId: string, asked: AskedAmount | null) {
  const food = kitchen.food(foodId)
  if (!food) return
  pot.addFood(food, asked)
  void leave()
  emit('added')
}
</script>

<template>
  <div v-if="asking" class="asking">
    <FoodFind :label="t('pot.whichFood')" :most="5" quiet @take="take" @leave="leave" />
    <LinkBtn @click="leave">{{ t('pot.noFoodMore') }}</LinkBtn>
  </div>
  <LinkBtn v-else-if="pot.form.items.length < pot.MOST_FOODS" ref="button" @click="asking = true">
    {{ label }}
  </LinkBtn>
</template>

<style scoped>
.asking {
  display: grid;
  gap: 4px;
  justify-items: start;
  padding: 6px 0;
}
.asking > :first-child {
  width: 100%;
}
</style>
