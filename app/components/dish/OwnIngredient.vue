<script setup lang="ts">
import { INGREDIENTS, findIngredient } from '~~/core/ingredient/ingredients'
import type { Ingredient } from '~~/core/ingredient/ingredient.schema'

/**
 * Something that is in no table, as the household knows it: what it is most like, and where it differs from that. It
 * goes with the lines that use it.
 */
const own = defineModel<Ingredient | undefined>({ required: true })
const { id, name } = defineProps<{ id: string; name: string }>()
const { t } = useI18nText()
const { thing } = useDishWords()

const byName = computed(() => new Map(INGREDIENTS.map(({ id: one }) => [thing(one), one])))
const like = ref('')
function takeAfter() {
  const found = findIngredient(byName.value.get(like.value.trim()) ?? '')
  if (found) own.value = { ...found, id, name }
}
watch(
  () => name,
  (now) => own.value && now && (own.value = { ...own.value, name: now }),
)

const percent = (key: 'water' | 'salt' | 'fat') =>
  computed({
    get: () => (own.value?.[key] ?? 0) * 100,
    set: (n: number) => own.value && (own.value = { ...own.value, [key]: n / 100 }),
  })
const [water, salt, fat] = [percent('water'), percent('salt'), percent('fat')]
const isTooMuch = computed(() => water.value + salt.value + fat.value > 100.05)
const sour = computed({
  get: () => own.value?.sour ?? false,
  set: (is: boolean) => own.value && (own.value = { ...own.value, sour: is }),
})
</script>

<template>
  <div class="own">
    <v-combobox
      v-model="like"
      :items="[...byName.keys()]"
      :label="t(own ? 'dishes.own.likeNow' : 'dishes.own.like')"
      maxlength="80"
      @update:model-value="takeAfter"
    />
    <template v-if="own">
      <p class="soft">{{ t('dishes.own.why') }}</p>
      <div class="shares">
        <NumberField v-model="water" :label="t('dishes.own.water')" suffix="%" bound="percent" :digits="1" />
        <NumberField v-model="salt" :label="t('dishes.own.salt')" suffix="%" bound="percent" :digits="1" />
        <NumberField v-model="fat" :label="t('dishes.own.fat')" suffix="%" bound="percent" :digits="1" />
      </div>
      <p v-if="isTooMuch" class="tone-danger" role="alert">{{ t('dishes.own.tooMuch') }}</p>
      <v-checkbox v-model="sour" :label="t('dishes.own.sour')" />
    </template>
  </div>
</template>

<style scoped>
.own {
  display: grid;
  gap: 6px;
  margin: 4px 0;
  padding-inline-start: 12px;
  border-inline-start: 2px solid var(--line);
}
.own > p {
  margin: 0;
}
.shares {
  display: grid;
  grid-template-columns: repeat(3, minmax(0, 1fr));
  gap: 8px;
  margin-top: 8px;
}
</style>
