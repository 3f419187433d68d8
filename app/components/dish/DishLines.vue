<script setup lang="ts">
import { mdiDrag } from '@mdi/js'
import { v4 as uuid } from 'uuid'
import { withLineAt, withoutLine } from '~~/core/dish/arrange'
import { usualStage } from '~~/core/dish/usual'
import type { DishLine } from '~~/core/dish/dish.schema'
import type { ReadLine } from '~~/core/formats/line'
import type { DishAnswer } from '~~/core/dish/dish'
import { MOST } from '~~/core/bounds'
import { foodOf } from '~~/shared/kitchen'
import { dishRequestOf, type DishDocument } from '~~/shared/dish'
import { isRefused } from '~~/core/safety/rules'
import { isPast, lineOfDish, lineOfPortion } from '~~/shared/portion'
import { vDrag } from '~/composables/common/drag'

/** The ingredients as they were typed: what is understood of each, and where it goes. */
const dish = defineModel<DishDocument>({ required: true })
const { answer, dishId } = defineProps<{ answer: DishAnswer | null; dishId: string }>()
const emit = defineEmits<{ ask: [line: string]; forgot: [line: string] }>()
const { t, inSentence, problemText, dayOf, number } = useI18nText()
const { thing, lineName, amount } = useDishWords()
const kitchen = useKitchen()

const own = useOwnIngredients()
const measuring = computed(() => ({
  decimal: kitchen.value.likes.decimal,
  cupMl: useKitchenStore().cup.volumeMl,
  measures: kitchen.value.measures.map(({ id, name, volumeMl }) => ({ id, name, volumeMl })),
  foods: kitchen.value.foods.map(foodOf),
  ingredients: [...own.value.values()],
}))
const ownOf = (id: string | null | undefined) => [...own.value.values()].find((one) => one.id === id) ?? null
const watchedIn = useWatchedFood()
/**
 * What was read of a line: something of a table by its id, or the household's own with all that it has told of it. What
 * must not be eaten undercooked is never taken for an own thing: it is asked about.
 */
function understood({ typed: text, what, maybe }: ReadLine): Pick<DishLine, 'what' | 'own' | 'maybe'> {
  const told = ownOf(what ?? maybe)
  const watched = told && watchedIn(`${told.name}, ${text}`)
  if (watched) return { what: null, maybe: watched.food.id }
  if (what === null) return { what, ...(maybe ? { maybe } : {}) }
  return told ? { what: null, own: { ...told } } : { what }
}
const { language } = useLanguage()
const typed = ref('')
const busy = ref(false)
const failed = ref(false)
/** Reads what was typed, several lines at once too, and adds them. */
async function add() {
  const texts = typed.value
    .split(/\r?\n/)
    .map((one) => one.trim())
    .filter(Boolean)
    .slice(0, MOST.dishLines - dish.value.lines.length)
  if (texts.length === 0) return
  busy.value = true
  failed.value = false
  try {
    const read = await useWorker('answer').readLines(texts, toPlain(measuring.value), language.value)
    for (const one of read)
      if (!one.isHeading)
        dish.value.lines.push({ id: uuid(), typed: one.typed.slice(0, 300), ...understood(one), g: one.g })
    typed.value = ''
  } catch {
    failed.value = true
  } finally {
    busy.value = false
  }
}
/** A line that was changed is read anew; where it goes stays. */
async function retype(line: DishLine, text: string) {
  if (text.trim() === '' || text === line.typed) return
  const [read] = await useWorker('answer').readLines([text], toPlain(measuring.value), language.value)
  Object.assign(line, {
    typed: text.slice(0, 300),
    g: read!.g,
    maybe: undefined,
    own: undefined,
    ...understood(read!),
    portionId: undefined,
    dishId: undefined,
    kept: undefined,
  })
  // Portions that were said of the amount before may not fit the new one.
  const parts = dish.value.stages.flatMap(({ takes }) => takes.filter((take) => take.line === line.id))
  if (parts.length === 1) delete parts[0]!.g
}
const isIt = (line: DishLine) => {
  const told = ownOf(line.maybe)
  Object.assign(line, told ? { what: null, own: { ...told } } : { what: line.maybe ?? null })
  delete line.maybe
}
const list = useTemplateRef<HTMLElement>('list')
/** What had the focus is gone with its line: the next line has it then, or the field for new ones. */
async function remove(id: string) {
  const index = dish.value.lines.findIndex((line) => line.id === id)
  Object.assign(dish.value, withoutLine(dish.value, id))
  const next = dish.value.lines[Math.min(index, dish.value.lines.length - 1)]
  await nextTick()
  const at = next ? `[data-open="${next.id}"]` : '.type textarea'
  list.value?.querySelector<HTMLElement>(at)?.focus()
}

/** Where a line goes: one stage, several portions, or none yet. */
const stagesOf = (id: string) => dish.value.stages.filter(({ takes }) => takes.some(({ line }) => line === id))
const putInto = (id: string, stageId: string) => (dish.value.stages = withLineAt(dish.value.stages, id, stageId))
const usual = (line: DishLine) => usualStage(line, dish.value, { foods: measuring.value.foods })
const homeless = computed(() => dish.value.lines.filter(({ id }) => stagesOf(id).length === 0))
function putAll() {
  for (const line of homeless.value) {
    const to = usual(line)
    if (to) putInto(line.id, to)
  }
}
const choices = (id: string) => {
  const into = stagesOf(id)
  return [
    ...(into.length > 1 ? [{ value: 'parts', title: t('dishes.lines.parts', { n: into.length }) }] : []),
    { value: '', title: t('dishes.lines.nowhere') },
    ...dish.value.stages.map(({ id: value, kind }, i) => ({ value, title: `${i + 1} · ${t(`dishes.kinds.${kind}`)}` })),
  ]
}
const chosen = (id: string) => {
  const into = stagesOf(id)
  return into.length > 1 ? 'parts' : (into[0]?.id ?? '')
}
const questionOf = (index: number) => answer?.questions.find(({ path }) => path === `lines.${index}`)

/** Something that was kept goes in as it is: cooked, wet and salted already. */
const kept = usePortionsStore()
void kept.load()
const nowMs = serverNow()
const { today } = useToday()
const fromKept = computed(() =>
  (kept.portions ?? []).map(({ id, content: portion }) => ({
    value: id,
    title: t('dishes.lines.kept', {
      name: portion.name,
      day: dayOf(portion.keptOn),
      n: number(portion.left),
    }),
  })),
)
function addKept(id: string) {
  const found = kept.portions?.find((one) => one.id === id)
  if (!found) return
  const typedAs = t('dishes.lines.keptTyped', {
    g: amount(found.content.portionG),
    name: inSentence(found.content.name),
  })
  dish.value.lines.push(lineOfPortion(uuid(), id, found.content, typedAs))
}
/** What another of the household's dishes makes goes in as it is when it is done, for as many as this one is for. */
const dishes = useDishesStore()
void dishes.load()
const fromDishes = computed(() =>
  (dishes.dishes ?? []).filter(({ id }) => id !== dishId).map(({ id, content: of }) => ({ value: id, title: of.name })),
)
async function addDish(id: string) {
  const other = dishes.dishes?.find((one) => one.id === id)?.content
  const request = other && dishRequestOf(other, kitchen.value, nowMs, useLearntStore().believed)
  if (!request) return
  busy.value = true
  failed.value = false
  try {
    const made = await useWorker('answer').dish(JSON.parse(JSON.stringify(request)))
    const isSafe = made.ok && !isRefused(made.value.cautions) && made.value.massG > 0
    undone.value = isSafe ? null : other.name
    if (!isSafe) return
    const g = Math.round((made.value.massG / other.servings) * dish.value.servings)
    const typedAs = t('dishes.lines.madeTyped', { g: amount(g), name: inSentence(other.name) })
    dish.value.lines.push(lineOfDish(uuid(), { id, name: other.name }, made.value, g, typedAs))
  } catch {
    failed.value = true
  } finally {
    busy.value = false
  }
}
/** A dish that cannot be worked out, or must not be cooked as it is. */
const undone = ref<string | null>(null)
/** Of a line that was kept too long. */
const pastOf = ({ portionId }: DishLine) => {
  const found = kept.portions?.find(({ id }) => id === portionId)
  return found && isPast(found.content, today(nowMs))
    ? t('dishes.lines.past', { day: dayOf(found.content.until) })
    : null
}

const { carry, isCarried } = useDishCarry()
const opened = ref<string | null>(null)
</script>

<template>
  <section ref="list" :aria-label="t('dishes.lines.title')">
    <p v-if="dish.lines.length === 0" class="soft empty">{{ t('dishes.lines.empty') }}</p>
    <ul class="lines">
      <li v-for="(line, i) in dish.lines" :key="line.id" :class="{ carried: isCarried('line', line.id) }">
        <div class="main">
          <v-btn
            variant="text"
            class="figure g"
            :aria-label="t('dishes.lines.open', { name: lineName(line) })"
            :title="t('dishes.lines.open', { name: lineName(line) })"
            :aria-expanded="opened === line.id"
            :data-open="line.id"
            @click="opened = opened === line.id ? null : line.id"
          >
            {{ line.g === null ? '–' : amount(line.g) }}
          </v-btn>
          <v-textarea
            :model-value="line.typed"
            variant="plain"
            rows="1"
            maxlength="300"
            :aria-label="t('dishes.lines.line', { n: i + 1 })"
            @change="retype(line, ($event.target as HTMLTextAreaElement).value)"
            @keydown.enter.prevent="($event.target as HTMLTextAreaElement).blur()"
          />
          <!-- By keys it goes into a stage by its field. -->
          <v-icon
            v-drag="carry({ kind: 'line', id: line.id, name: lineName(line) })"
            :icon="mdiDrag"
            class="grip"
            :title="t('dishes.lines.drag', { name: lineName(line) })"
            :data-grip="line.id"
          />
        </div>
        <p v-if="line.dishId" class="ask">
          <NuxtLink :to="`/dishes/${line.dishId}`">{{ t('dishes.lines.asDish') }}</NuxtLink>
        </p>
        <p v-if="pastOf(line)" class="ask tone-danger">{{ pastOf(line) }}</p>
        <p v-if="line.maybe" class="ask">
          {{ t('dishes.lines.maybe', { name: ownOf(line.maybe)?.name ?? thing(line.maybe) }) }}
          <LinkBtn @click="isIt(line)">{{ t('dishes.lines.yes') }}</LinkBtn>
        </p>
        <p v-else-if="questionOf(i)" class="ask">
          {{ problemText(questionOf(i)!) }}
          <LinkBtn v-if="stagesOf(line.id).length === 0 && usual(line)" @click="putInto(line.id, usual(line)!)">
            {{ t('dishes.lines.usual') }}
          </LinkBtn>
        </p>
        <div v-if="opened !== line.id && stagesOf(line.id).length === 0 && dish.stages.length > 0" class="where">
          <PickField
            :model-value="chosen(line.id)"
            :label="t('dishes.lines.goes')"
            :choices="choices(line.id)"
            @update:model-value="(to) => putInto(line.id, String(to))"
          />
        </div>
        <LineOpen
          v-if="opened === line.id"
          v-model="dish.lines[i]!"
          :places="choices(line.id)"
          :place="chosen(line.id)"
          @put="(to) => putInto(line.id, to)"
          @ask="emit('ask', line.id)"
          @forgot="emit('forgot', line.id)"
          @remove="remove(line.id)"
        />
      </li>
    </ul>
    <v-btn v-if="homeless.length > 1 && dish.stages.length > 0" @click="putAll">
      {{ t('dishes.lines.usualAll') }}
    </v-btn>
    <form class="type" @submit.prevent="add">
      <v-textarea
        v-model="typed"
        rows="2"
        auto-grow
        max-rows="12"
        maxlength="12000"
        :aria-label="t('dishes.lines.type')"
        :placeholder="t('dishes.lines.type')"
        @keydown.enter.exact.prevent="add"
      />
      <v-btn type="submit" :disabled="busy || typed.trim() === ''">
        {{ t('dishes.lines.add') }}
      </v-btn>
    </form>
    <PickField
      v-if="fromKept.length > 0"
      model-value=""
      class="from"
      :label="t('dishes.lines.fromKept')"
      :choices="fromKept"
      @update:model-value="(id) => id && addKept(String(id))"
    />
    <PickField
      v-if="fromDishes.length > 0"
      model-value=""
      class="from"
      :label="t('dishes.lines.fromDish')"
      :choices="fromDishes"
      @update:model-value="(id) => id && void addDish(String(id))"
    />
    <p v-if="undone" class="tone-danger" role="alert">{{ t('dishes.lines.notMade', { name: undone }) }}</p>
    <p v-if="failed" class="tone-danger" role="alert">{{ t('errors.computing') }}</p>
  </section>
</template>

<style scoped>
.lines {
  margin: 0 0 10px;
  padding: 0;
  list-style: none;
}
.lines li {
  padding: 3px 0;
  border-top: 1px solid var(--line);
}
.lines li:last-child {
  border-bottom: 1px solid var(--line);
}
.carried {
  opacity: 0.5;
}
.main {
  display: grid;
  grid-template-columns: 66px minmax(0, 1fr) 32px;
  align-items: center;
}
.g {
  justify-content: start;
  min-width: 0;
  padding: 0 2px;
  font-size: 17px;
  letter-spacing: 0;
}
.main :deep(textarea) {
  field-sizing: content;
  resize: none;
  min-height: 34px;
  padding: 6px 4px;
  font-size: 14.5px;
  line-height: 1.3;
}
.main :deep(textarea:hover) {
  background: var(--ground-raised);
}
.grip {
  width: 32px;
  height: 34px;
  color: var(--ink-soft);
  font-size: 20px;
  cursor: grab;
  touch-action: none;
  user-select: none;
}
.ask {
  margin: 0 0 4px;
  padding-inline-start: 8px;
  border-inline-start: 3px solid var(--heat);
  font-size: 13.5px;
}
.where {
  margin: 8px 0 6px;
}
.type {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  align-items: end;
  gap: 8px;
  margin-top: 10px;
}
.empty {
  margin: 0 0 10px;
}
.from {
  margin-top: 16px;
}
@media (max-width: 719px), (pointer: coarse) {
  .main {
    grid-template-columns: 66px minmax(0, 1fr) 44px;
  }
  .main :deep(textarea),
  .g,
  .grip {
    min-height: 44px;
  }
  .grip {
    width: 44px;
  }
}
</style>
