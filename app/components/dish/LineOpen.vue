<script setup lang="ts">
import { LENGTH } from '~~/core/bounds'
import type { DishLine } from '~~/core/dish/dish.schema'
import { INGREDIENTS } from '~~/core/ingredient/ingredients'

/** A line that was opened: what it is, what it weighs, where it goes, and what can be done about it. */
const line = defineModel<DishLine>({ required: true })
const { places, place } = defineProps<{
  /** The stages it can go into, and the one it is in; `parts` where it is in several. */
  places: readonly { value: string; title: string }[]
  place: string
}>()
const emit = defineEmits<{ put: [stage: string]; ask: []; forgot: []; remove: [] }>()
const { t, inSentence } = useI18nText()
const { thing, lineName } = useDishWords()
const foods = useNamedFoods()

/** Every food and ingredient by its name. */
const byName = computed(
  () =>
    new Map([
      ...INGREDIENTS.map(({ id }) => [thing(id), id] as const),
      ...foods.value.map(({ food, name }) => [name, food.id] as const),
    ]),
)
const ownByName = useOwnIngredients()
const text = ref(line.value.what ? thing(line.value.what) : (line.value.own?.name ?? ''))
const name = computed(() => text.value.trim().slice(0, LENGTH.name))
const isUnknown = computed(() => name.value !== '' && !byName.value.has(name.value) && !line.value.portionId)
const watchedIn = useWatchedFood()
const watched = computed(() => (isUnknown.value ? watchedIn(`${name.value}, ${line.value.typed}`) : null))
function becomeWatched() {
  const { food, name: called } = watched.value!
  become({ what: food.id })
  text.value = called
}
function choose() {
  const id = byName.value.get(name.value)
  const own = ownByName.value.get(name.value)
  if (id) become({ what: id })
  else if (own && !watched.value) become({ what: null, own: { ...own } })
}
function become({ what, own }: Pick<DishLine, 'what' | 'own'>) {
  line.value.what = what
  if (own) line.value.own = own
  else delete line.value.own
  delete line.value.maybe
  delete line.value.kept
}
const own = computed({ get: () => line.value.own, set: (now) => become({ what: null, own: now }) })
const g = computed({ get: () => line.value.g ?? 0, set: (value: number) => (line.value.g = value) })
const isWeighed = computed({
  get: () => line.value.g !== null,
  set: (is: boolean) => (line.value.g = is ? 0 : null),
})
</script>

<template>
  <div class="open">
    <v-combobox
      v-model="text"
      :items="[...ownByName.keys(), ...byName.keys()]"
      :label="t('dishes.lines.what')"
      maxlength="80"
      @update:model-value="choose"
    />
    <p v-if="watched">
      {{ t('dishes.lines.maybe', { name: inSentence(watched.name) }) }}
      <LinkBtn @click="becomeWatched">{{ t('dishes.lines.yes') }}</LinkBtn>
      {{ t('dishes.own.watched') }}
    </p>
    <LazyOwnIngredient v-else-if="isUnknown" :id="`own-${line.id}`.slice(0, LENGTH.id)" v-model="own" :name="name" />
    <div class="weight">
      <NumberField
        v-if="isWeighed"
        v-model="g"
        :label="t('dishes.lines.weight')"
        quantity="weight"
        bound="lineG"
        :digits="1"
      />
      <v-checkbox v-model="isWeighed" :label="t('dishes.lines.isWeighed')" />
    </div>
    <PickField
      :model-value="place"
      :label="t('dishes.lines.goes')"
      :choices="places"
      @update:model-value="(to) => to !== 'parts' && emit('put', String(to))"
    />
    <div class="presses">
      <LinkBtn v-if="line.what" @click="emit('ask')">
        {{ t('dishes.lines.whatElse') }}
      </LinkBtn>
      <LinkBtn @click="emit('forgot')">{{ t('dishes.lines.forgot') }}</LinkBtn>
      <LinkBtn :aria-label="t('dishes.lines.remove', { name: lineName(line) })" @click="emit('remove')">
        {{ t('dishes.lines.removeIt') }}
      </LinkBtn>
    </div>
  </div>
</template>

<style scoped>
.open {
  display: grid;
  gap: 6px;
  margin: 6px 0 8px;
  font-size: 14px;
}
.weight {
  display: grid;
  gap: 4px;
  margin-top: 8px;
}
.presses {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 4px 14px;
}
</style>
