<script setup lang="ts">
import type { Doubt, ReadLine } from '~~/core/formats/line'
import type { ImportedDish } from '~~/core/formats/recipe-dish'
import { STAGE_KINDS } from '~~/core/dish/names'
import { vesselOf } from '~~/core/dish/stages'
import { INGREDIENTS } from '~~/core/ingredient/ingredients'
import { inUse } from '~~/shared/kitchen'

/** A recipe beside what became of it: what has to be asked first, then every line and step, each corrected in place. */
const { text, found, busy, reread } = defineProps<{
  text: string
  found: ImportedDish
  busy: boolean
  /** Reads one line anew, with a measure more that it may be told in. */
  reread: (typed: string, measure?: { name: string; volumeMl: number }) => Promise<ReadLine>
}>()
const emit = defineEmits<{ keep: [dish: ImportedDish['dish']]; again: [] }>()
const { t, inSentence, list, number, duration } = useI18nText()
const { thing, lineName, amount, writtenFigure } = useDishWords()
const kitchen = useKitchenStore()
const foods = useNamedFoods()

const textLines = computed(() => text.split('\n').filter((line) => line.trim() !== '').length)
// It begins at its top, wherever the text was scrolled to.
onMounted(() => window.scrollTo(0, 0))

const copy = () => JSON.parse(JSON.stringify(found)) as ImportedDish
const now = ref(copy())
watch(
  () => found,
  () => (now.value = copy()),
)
const dish = computed(() => now.value.dish)
const lines = computed(() => now.value.lines)

/** Lines of which something has to be asked, by their place. */
const asked = computed(() =>
  lines.value.flatMap((line, index) => (line.doubt === null ? [] : [{ line, index, doubt: line.doubt }])),
)
const openStages = computed(
  () => new Set(now.value.steps.flatMap(({ isOpen, stages }) => (isOpen ? stages : [])).filter(needsMinutes)),
)
function needsMinutes(id: string) {
  const stage = dish.value.stages.find((one) => one.id === id)
  return stage !== undefined && (stage.kind === 'rest' || stage.kind === 'simmer') && stage.minutes === undefined
}
const counts = computed(() => {
  const open = asked.value.length
  const steps = now.value.steps.length
  const openSteps = now.value.steps.filter(({ stages }) => stages.some((id) => openStages.value.has(id))).length
  return [
    t('dishes.look.lines', {
      n: number(lines.value.length),
      read: number(lines.value.length - open),
      open: number(open),
    }),
    t('dishes.look.steps', { n: number(steps), read: number(steps - openSteps), open: number(openSteps) }),
  ].join(' · ')
})

// ---- answers
function become(index: number, change: Partial<ReadLine>) {
  const line = { ...lines.value[index]!, ...change }
  now.value.lines[index] = line
  const { typed, what, g, maybe } = line
  const { id } = dish.value.lines[index]!
  now.value.dish.lines[index] = { id, typed, what, g, ...(maybe && what === null ? { maybe } : {}) }
}
/** It is what it may be; its weight stands already. */
const isThat = (index: number) => {
  const { maybe, amountOpen } = lines.value[index]!
  become(index, { what: maybe, maybe: null, doubt: amountOpen ? 'amount' : null })
}
/** It stays in the dish by its own words, and counts for nothing. */
const asTyped = (index: number) => become(index, { what: null, maybe: null, doubt: null })
const notMeasured = (index: number) => become(index, { g: null, amountOpen: false, measure: null, doubt: null })
const things = computed(() =>
  [
    ...INGREDIENTS.map(({ id }) => ({ value: id, title: thing(id) })),
    ...foods.value.map(({ food, name }) => ({ value: food.id, title: name })),
  ].sort((a, b) => a.title.localeCompare(b.title)),
)
async function isThing(index: number, id: string | null) {
  if (!id) return
  const { typed, amountOpen, g } = lines.value[index]!
  // Read anew as that, so that its cups and pieces weigh what it weighs.
  const again = await reread(`${typed.replace(/^([^\p{L}]*).*$/u, '$1')} ${thing(id)}`)
  become(index, {
    what: id,
    maybe: null,
    g: g ?? again.g,
    doubt: (g ?? again.g) === null && amountOpen ? 'amount' : null,
  })
}
/** Measures of this kitchen, and those that a vessel of that name usually holds. */
const USUAL_ML = [150, 200, 250]
const measures = computed(() => [
  ...inUse(kitchen.loaded.measures).map(({ name, volumeMl }) => ({ name, ml: volumeMl })),
  ...USUAL_ML.map((ml) => ({ name: '', ml })),
])
async function holds(index: number, volumeMl: number) {
  const { typed, measure } = lines.value[index]!
  become(index, await reread(typed, { name: measure!, volumeMl }))
}
async function retype(index: number, typed: string) {
  if (typed.trim() === '' || typed === lines.value[index]!.typed) return
  become(index, await reread(typed.trim().slice(0, 300)))
}
function weigh(index: number, grams: string) {
  const g = Number(grams.replace(',', '.'))
  if (Number.isFinite(g) && g > 0) become(index, { g, amountOpen: false, doubt: null })
}
const question = (line: ReadLine, doubt: Doubt) =>
  doubt === 'what' && line.maybe
    ? t('dishes.look.isIt', { name: inSentence(thing(line.maybe)) })
    : t(`dishes.look.ask.${doubt}`, { measure: line.measure ?? '' })

const kinds = computed(() => STAGE_KINDS.map((value) => ({ value, title: t(`dishes.kinds.${value}`) })))
function lasts(id: string, minutes: number | null) {
  const stage = now.value.dish.stages.find((one) => one.id === id)!
  if (minutes !== null && Number.isFinite(minutes) && minutes >= 0) stage.minutes = Math.min(minutes, 4320)
}
function leaveOut(id: string) {
  const { stages } = now.value.dish
  const gone = stages.find((one) => one.id === id)!
  // What came into it goes on to where it went.
  for (const stage of stages) {
    const at = stage.from.findIndex((from) => from.stage === id)
    if (at < 0) continue
    stage.from.splice(at, 1, ...gone.from)
    stage.takes.push(...gone.takes.filter(({ line }) => !stage.takes.some((one) => one.line === line)))
  }
  now.value.dish.stages = stages.filter((one) => one.id !== id)
}
const goesIn = (takes: readonly { line: string }[]) =>
  list(takes.flatMap(({ line }) => dish.value.lines.find(({ id }) => id === line) ?? []).map(lineName))
/** Lines that no step names: they are put somewhere on the dish's page. */
const placed = computed(() => new Set(dish.value.stages.flatMap(({ takes }) => takes.map(({ line }) => line))))
const LATER_MINUTES = [5, 10]
const writtenOf = (id: string) => now.value.written.find(({ stage }) => stage === id)?.figure ?? null
const toneOf = (index: number) => (lines.value[index]?.doubt ? 'ask' : 'food')
const stepTone = (stages: readonly string[]) =>
  stages.length === 0 ? 'none' : stages.some((id) => openStages.value.has(id)) ? 'ask' : 'water'
</script>

<template>
  <div class="look">
    <section class="came">
      <h1>{{ t('dishes.look.came') }}</h1>
      <p class="soft">{{ t('dishes.look.cameHow', { n: number(textLines) }, textLines) }}</p>
      <ul :aria-label="t('dishes.look.ingredients')">
        <li v-for="(line, i) in lines" :key="i">
          <span :class="toneOf(i)">{{ line.typed }}</span>
        </li>
      </ul>
      <ol :aria-label="t('dishes.look.stages')">
        <li v-for="(step, i) in now.steps" :key="i">
          <span :class="stepTone(step.stages)">{{ step.text }}</span>
        </li>
      </ol>
      <p v-if="now.leftOut.length > 0" class="tone-danger">
        {{ t('dishes.look.leftOut', { what: list(now.leftOut) }) }}
      </p>
    </section>

    <section class="read">
      <v-text-field v-model="dish.name" :label="t('dishes.name')" maxlength="80" class="name" />
      <p class="soft" role="status">{{ counts }}</p>
      <p v-for="kind in now.missing" :key="kind" class="missing">{{ t(`dishes.look.missing.${kind}`) }}</p>
      <template v-if="asked.length > 0 || openStages.size > 0">
        <h2>{{ t('dishes.look.first') }}</h2>
        <div
          v-for="{ line, index, doubt } in asked"
          :key="`ask-${index}`"
          class="ask-box"
          role="group"
          :aria-label="line.typed"
        >
          <p>
            <strong>{{ line.typed }}</strong>
            <span>{{ question(line, doubt) }}</span>
          </p>
          <template v-if="doubt === 'what'">
            <v-btn v-if="line.maybe" @click="isThat(index)">{{ t('dishes.lines.yes') }}</v-btn>
            <v-autocomplete
              :items="things"
              :label="t('dishes.look.another')"
              class="another"
              @update:model-value="(id: string | null) => isThing(index, id)"
            />
            <v-btn variant="text" @click="asTyped(index)">{{ t('dishes.look.asTyped') }}</v-btn>
          </template>
          <template v-else-if="doubt === 'measure'">
            <v-btn v-for="{ name, ml } in measures" :key="name + ml" @click="holds(index, ml)">
              {{
                name === '' ? t('dishes.look.ml', { ml: number(ml) }) : t('dishes.look.own', { ml: number(ml), name })
              }}
            </v-btn>
            <v-btn variant="text" @click="notMeasured(index)">{{ t('dishes.look.notMeasured') }}</v-btn>
          </template>
          <template v-else>
            <v-text-field
              :label="t('dishes.look.grams')"
              :model-value="line.g === null ? '' : number(line.g)"
              inputmode="decimal"
              maxlength="8"
              class="grams"
              @change="(event: Event) => weigh(index, (event.target as HTMLInputElement).value)"
            />
            <v-btn v-if="line.g !== null" @click="become(index, { doubt: null, amountOpen: false })">
              {{ t('dishes.look.right', { g: amount(line.g) }) }}
            </v-btn>
            <v-btn variant="text" @click="notMeasured(index)">{{ t('dishes.look.notMeasured') }}</v-btn>
          </template>
        </div>
        <div
          v-for="stage in dish.stages.filter(({ id }) => openStages.has(id))"
          :key="`open-${stage.id}`"
          class="ask-box"
          role="group"
          :aria-label="stage.until"
        >
          <p>
            <strong>{{ stage.until }}</strong>
            {{ t('dishes.look.howLong', { kind: inSentence(t(`dishes.kinds.${stage.kind}`)) }) }}
          </p>
          <v-btn v-for="n in LATER_MINUTES" :key="n" @click="lasts(stage.id, n)">
            {{ duration(n) }}
          </v-btn>
          <v-btn variant="text" @click="leaveOut(stage.id)">{{ t('dishes.look.leaveOut') }}</v-btn>
        </div>
      </template>

      <h2>{{ t('dishes.look.ingredients') }}</h2>
      <ul class="rows">
        <li v-for="(line, i) in lines" :key="i">
          <span class="figure tone-food">{{ line.g === null ? '' : amount(line.g) }}</span>
          <span>
            <strong v-if="line.what">{{ lineName(dish.lines[i]!) }}</strong>
            <strong v-else class="soft">{{ t('dishes.look.unknown') }}</strong>
            <span v-if="!placed.has(dish.lines[i]!.id)" class="tone-heat nowhere">{{ t('dishes.look.nowhere') }}</span>
            <v-text-field
              :model-value="line.typed"
              :aria-label="t('dishes.look.typed', { line: line.typed })"
              variant="plain"
              density="compact"
              hide-details
              maxlength="300"
              class="typed"
              @change="(event: Event) => retype(i, (event.target as HTMLInputElement).value)"
            />
          </span>
        </li>
      </ul>
    </section>

    <section class="steps">
      <h2>{{ t('dishes.look.stages') }}</h2>
      <ol>
        <li v-for="stage in dish.stages" :key="stage.id">
          <VesselPicture :kind="stage.kind" :vessel="vesselOf(stage)" class="picture" />
          <div>
            <v-select
              v-model="stage.kind"
              :items="kinds"
              :aria-label="t('dishes.look.kind')"
              variant="plain"
              density="compact"
              hide-details
              class="kind"
            />
            <p v-if="stage.takes.length > 0">{{ goesIn(stage.takes) }}</p>
            <p class="soft">{{ stage.until }}</p>
            <p v-if="writtenOf(stage.id)" class="soft">
              {{ t('dishes.look.written', { figure: writtenFigure(writtenOf(stage.id)!) }) }}
            </p>
          </div>
          <v-text-field
            v-if="stage.kind !== 'pot'"
            :model-value="stage.minutes ?? ''"
            :label="t('dishes.look.minutes')"
            inputmode="decimal"
            maxlength="5"
            density="compact"
            class="minutes"
            @change="(event: Event) => lasts(stage.id, Number((event.target as HTMLInputElement).value))"
          />
        </li>
      </ol>
      <v-btn variant="flat" color="primary" size="large" block :disabled="busy" @click="emit('keep', dish)">
        {{ t('dishes.look.keep') }}
      </v-btn>
      <p class="soft">{{ t('dishes.look.stays') }}</p>
      <v-btn variant="text" @click="emit('again')">{{ t('dishes.look.again') }}</v-btn>
    </section>
  </div>
</template>

<style scoped>
.look {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1.2fr) minmax(0, 1fr);
}
section {
  min-width: 0;
  padding: 16px 24px 40px;
}
.read {
  border-inline: 1px solid var(--line);
}
h1 {
  margin: 0;
  font-size: 21px;
}
h2 {
  margin: 16px 0 8px;
  padding-bottom: 4px;
  border-bottom: 2px solid var(--ink);
  font-size: 15px;
  font-weight: 400;
}
p {
  margin: 0 0 6px;
}
ul,
ol {
  margin: 0 0 14px;
  padding: 0;
  list-style: none;
}
.came li {
  margin-bottom: 5px;
  line-height: 1.5;
}
.came span {
  padding: 1px 3px;
  box-decoration-break: clone;
}
.food {
  background: color-mix(in srgb, var(--food) 20%, transparent);
}
.water {
  background: color-mix(in srgb, var(--water) 16%, transparent);
}
.ask {
  background: color-mix(in srgb, var(--heat) 26%, transparent);
}
.ask-box {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 6px 8px;
  margin-bottom: 8px;
  padding: 10px 12px;
  border-inline-start: 4px solid var(--heat);
  background: var(--ground-raised);
}
.ask-box p {
  flex: 1 1 100%;
  margin: 0;
}
.ask-box strong {
  margin-inline-end: 6px;
}
.another {
  flex: 1 1 180px;
}
.grams {
  flex: 0 1 130px;
}
.rows li,
.steps li {
  display: grid;
  grid-template-columns: 74px minmax(0, 1fr);
  gap: 0 12px;
  padding: 6px 0;
  border-bottom: 1px solid var(--line);
}
.rows .figure {
  font-size: 18px;
  text-align: end;
}
.typed :deep(input) {
  min-height: 30px;
  padding: 0;
  color: var(--ink-soft);
  font-size: 14px;
}
.nowhere {
  margin-inline-start: 8px;
  font-size: 14px;
}
.steps li {
  grid-template-columns: 40px minmax(0, 1fr) 96px;
  align-items: start;
}
.picture {
  width: 40px;
  margin-top: 8px;
}
.kind :deep(.v-select__selection-text) {
  font-weight: 700;
}
.steps p {
  margin: 0;
  font-size: 14.5px;
}
.missing {
  padding-inline-start: 10px;
  border-inline-start: 3px solid var(--heat);
}
@media (max-width: 719px), (pointer: coarse) {
  .look :deep(input) {
    min-height: 44px;
  }
}
@media (max-width: 1020px) {
  .look {
    grid-template-columns: minmax(0, 1fr);
  }
  section {
    padding: 12px 16px 20px;
  }
  .read {
    border-inline: 0;
  }
  .came {
    order: 3;
  }
}
</style>
