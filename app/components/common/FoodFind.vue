<script setup lang="ts">
import { until } from '@vueuse/core'
import { plainLetters } from '~~/core/formats/name-key'
import { newItem, type AskedAmount } from '~~/shared/pot'
import type { Asked } from '~/composables/pot/askedFood'

/** What was said besides the food and its amount. */
export interface AskedMore {
  also: readonly string[]
  isUnsoaked: boolean
}
/** Something that is found by its name and is no food. */
export interface OtherFound {
  id: string
  name: string
  hint: string
}

/**
 * A field that finds a food by any of its names, in any language it is listed under, and reads how much of it:
 * “2 cups chickpeas”, arrows, return. As the field of a food that is chosen it shows that one until it is touched.
 */
const {
  label,
  most = 8,
  quiet = false,
  passive = false,
  chosen = null,
  others = [],
} = defineProps<{
  label: string
  most?: number
  /** Shows nothing until something is typed. */
  quiet?: boolean
  /** Leaves the cursor where it is. */
  passive?: boolean
  /** What stands in the field now; the list opens over the page while another is looked for. */
  chosen?: string | null
  /** What else can be found by its name: kept pots and dishes. */
  others?: readonly OtherFound[]
}>()
/** The food that return would take. */
const at = defineModel<string | null>('at', { default: null })
const emit = defineEmits<{
  take: [foodId: string, asked: AskedAmount | null, more: AskedMore]
  other: [id: string]
  leave: []
}>()
const { t, typed, list: list_ } = useI18nText()
const kitchen = useKitchen()
const foods = useNamedFoods()
const { language } = useLanguage()
const listId = useId()

const query = ref(chosen ?? '')
const index = ref(0)
/** Parser and search come when something is typed; it is read then. */
const fetchTools = async () => ({
  ...(await import('~/composables/pot/askedFood')),
  ...(await import('~/composables/common/searchNames')),
  abroad: await otherNames(language.value),
})
const tools = shallowRef<Awaited<ReturnType<typeof fetchTools>> | null>(null)
const isTouched = ref(chosen === null)
let fetching: Promise<unknown> | null = null
async function fetchOnce() {
  tools.value ??= await fetchTools()
}
watch(query, () => {
  index.value = 0
  if (query.value !== (chosen ?? '')) isTouched.value = true
  // Without a network it is tried again with the next letter.
  fetching ??= fetchOnce().catch((error) => {
    console.error(error)
    fetching = null
  })
})
watch(
  () => chosen,
  () => rest(),
)
const asked = computed(() => {
  const words = isTouched.value && query.value !== chosen ? query.value : ''
  return chosen === null && tools.value
    ? tools.value.readAsked(words, kitchen.value)
    : { words, amount: null as Asked['amount'], unknownMeasure: null, isUnsoaked: false, also: [] }
})
/** Foods of which one is likely near to what is in no list. */
const LIKEST = [
  'long-white',
  'brown-long',
  'foxtail-millet',
  'toor-split',
  'brown-lentils',
  'chickpea-white',
  'kidney-red',
  'potato-cubes',
]
const likest = computed(() => LIKEST.map((id) => ({ id, name: useKitchenStore().foodName(id) })))
const { unitsFor } = useUnits()
/** How much is understood, in the words of its unit; empty where the food is not measured so. */
function amountText(food: NamedFood['food']): string {
  const { amount } = asked.value
  if (!amount) return ''
  const item = newItem(food, kitchen.value, amount)
  const unit = unitsFor(food).find(({ value }) => value === item.unit)?.title ?? ''
  return `${typed(item.amount)} ${unit}`
}
const found = computed(() => {
  const { words } = asked.value
  if (!isTouched.value || (quiet && query.value.trim() === '')) return []
  if (words.trim() === '') return foods.value.slice(0, most)
  if (!tools.value) return []
  // What everybody means by just that word goes first: “rice” is white rice.
  const hits = tools.value.searchNames(words, everywhere.value)
  const first = hits.filter(({ food }) => food.id === meant.value)
  const usual = first.length > 0 ? first : everywhere.value.filter(({ food }) => food.id === meant.value)
  return [...usual, ...hits.filter(({ food }) => food.id !== meant.value)].slice(0, most)
})
/** What everybody means by just these words, from where all names are read. */
const { result: meant, working: isMeaning } = useWorked(
  () => (asked.value.words.trim() === '' ? null : asked.value.words),
  (work, words) => work.meantBy(words, {}, language.value),
  'answer',
)
/** Each food with its names in other languages too. */
const everywhere = computed(() =>
  foods.value.map((one) => ({ ...one, abroad: tools.value?.abroad[one.food.id] ?? '' })),
)
const MOST_OTHERS = 3
const otherFound = computed(() => {
  // All that was typed begins words of its name: what is only like it would stand in the way of the foods.
  const begun = plainLetters(query.value).split(/\s+/).filter(Boolean)
  if (begun.join('').length < 2) return []
  const holds = (name: string) => {
    const words = plainLetters(name).split(/[^\p{L}\p{M}\p{N}]+/u)
    return begun.every((part) => words.some((word) => word.startsWith(part)))
  }
  return others.filter(({ name }) => holds(name)).slice(0, MOST_OTHERS)
})
const isMissing = computed(
  () =>
    isTouched.value &&
    tools.value &&
    asked.value.words.trim() !== '' &&
    found.value.length === 0 &&
    otherFound.value.length === 0,
)
const field = useTemplateRef<ComponentPublicInstance & { focus: (options?: FocusOptions) => void }>('field')
// A dinner may stand above it, which is not to be scrolled away.
onMounted(() => {
  // The library would put the role on the frame around it.
  field.value?.$el.querySelector('input').setAttribute('role', 'combobox')
  if (!passive) field.value?.focus({ preventScroll: true })
})
/** As before it was touched. */
function rest() {
  if (chosen === null) return
  isTouched.value = false
  query.value = chosen
}
function touch(event: FocusEvent) {
  if (chosen === null) return
  isTouched.value = true
  selectAll(event)
}
function take(foodId: string) {
  const { amount, also, isUnsoaked } = asked.value
  emit('take', foodId, amount, { also, isUnsoaked })
  rest()
}
/** Who types quickly means what is found for it, also where the search is still on its way. */
async function takeFirst() {
  await fetching
  await nextTick()
  await until(isMeaning).toBe(false)
  await nextTick()
  if (at.value) take(at.value)
}
function leave() {
  rest()
  emit('leave')
}
watchEffect(() => (at.value = found.value[index.value]?.food.id ?? null))
const list = useTemplateRef<HTMLElement>('list')
async function move(by: number) {
  index.value = (index.value + by + found.value.length) % Math.max(1, found.value.length)
  await nextTick()
  list.value?.children[index.value]?.scrollIntoView({ block: 'nearest' })
}
</script>

<template>
  <div class="find" :class="{ inForm: chosen !== null }">
    <v-text-field
      ref="field"
      v-model="query"
      class="field"
      :placeholder="t('app.foodExample')"
      :aria-label="label"
      :aria-expanded="found.length > 0"
      :aria-controls="listId"
      :aria-activedescendant="found.length > 0 ? `${listId}-${index}` : undefined"
      autocomplete="off"
      maxlength="60"
      @keydown.down.prevent="move(1)"
      @keydown.up.prevent="move(-1)"
      @focusin="touch"
      @focusout="rest"
      @keydown.enter.prevent="takeFirst"
      @keydown.esc="leave"
    />
    <div v-if="isMissing" class="soft none" role="status">
      <p>{{ t('app.noFood', { query: asked.words }) }} {{ t('app.noFoodLike') }}</p>
      <v-btn
        v-for="{ id, name } in likest"
        :key="id"
        :to="{ path: `/larder/${id}`, query: { called: asked.words } }"
        @mousedown.prevent
        >{{ name }}</v-btn
      >
    </div>
    <p v-else-if="asked.unknownMeasure" class="soft none" role="status">
      {{ t('app.unknownMeasure', { measure: asked.unknownMeasure }) }}
      <NuxtLink to="/kitchen" class="link-button">{{ t('app.tellMeasure') }}</NuxtLink>
    </p>
    <p v-if="asked.also.length > 0 && found.length > 0" class="soft none" role="status">
      {{ t('app.alsoGoesIn', { also: list_(asked.also) }) }}
    </p>
    <ul v-if="otherFound.length > 0" class="others" :aria-label="t('app.keptFound')">
      <li v-for="one in otherFound" :key="one.id">
        <v-btn variant="text" class="kept" @mousedown.prevent @click="emit('other', one.id)">
          <strong>{{ one.name }}</strong>
          <span class="soft">{{ one.hint }}</span>
        </v-btn>
      </li>
    </ul>
    <ul v-show="found.length > 0" :id="listId" ref="list" role="listbox" :aria-label="label">
      <li
        v-for="({ food, name, aliases }, i) in found"
        :id="`${listId}-${i}`"
        :key="food.id"
        role="option"
        :aria-selected="i === index"
        :class="{ at: i === index }"
        @mousedown.prevent
        @click="take(food.id)"
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
.find:not(.inForm) .field :deep(.v-field__input) {
  min-height: 58px;
  font-size: 20px;
}
.field :deep(input::placeholder) {
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
.none p {
  margin: 0 0 6px;
}
.none .v-btn {
  margin: 0 6px 6px 0;
}
.others li {
  padding: 0;
}
.kept {
  justify-content: start;
  text-transform: none;
}
.kept .soft {
  margin-inline-start: 10px;
}
.inForm {
  position: relative;
}
.inForm ul,
.inForm .none {
  position: absolute;
  z-index: 6;
  inset: calc(100% + 2px) 0 auto;
  max-height: 340px;
  margin: 0;
  overflow-y: auto;
  border: 1px solid color-mix(in srgb, var(--ink) 45%, transparent);
  background: var(--ground);
}
.inForm .none {
  padding: 10px;
}
</style>
