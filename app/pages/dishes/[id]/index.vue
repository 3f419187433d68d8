<script setup lang="ts">
import { mdiArrowDown } from '@mdi/js'
import { useMediaQuery } from '@vueuse/core'
import { v4 as uuid } from 'uuid'
import { MOST } from '~~/core/bounds'
import { joined, joinsWith, moved, parted, without, withLineAt, withStandIn } from '~~/core/dish/arrange'
import type { Dish } from '~~/core/dish/dish.schema'
import type { StandIn } from '~~/core/dish/instead'
import { instructionsOfDish } from '~~/core/guide/dish'
import { STAGE_KINDS, type StageKind } from '~~/core/dish/names'
import { STAGES } from '~~/core/dish/stages'
import { dishOf, dishRequestOf, newStage, type DishDocument } from '~~/shared/dish'

/** A dish: its ingredients as typed, what is done with them in order, and what becomes of it. */
const { t, inSentence, list, number, weight, problemText } = useI18nText()
const { language } = useLanguage()
const words = useStepWords()
const { lineName, thing } = useDishWords()
const route = useRoute()
const id = String(route.params.id)
const kitchen = useKitchen()
const learnt = useLearntStore()
const dishes = useDishesStore()
void dishes.load()
const draft = useDishDraft(id)
const { dish, favourite, state, failure, theirs, both, canUndo, canRedo } = draft
const progress = useBegunStore()
const isBegun = computed(() => (progress.all[id]?.at ?? Infinity) < (dish.value?.stages.length ?? 0))
useHead({ title: () => `${dish.value?.name ?? t('app.nav.dishes')} · Bivvet` })

const { wanted, cookedWith, cookerId, proposal, whole } = useProposal(dish)
const stageList = useTemplateRef<HTMLElement>('stageList')
/** On a phone they stand below the whole list. */
function toStages() {
  stageList.value?.scrollIntoView({ block: 'start' })
  stageList.value?.focus({ preventScroll: true })
}
async function takeProposal() {
  if (!dish.value || !proposal.value) return
  dish.value.stages = proposal.value.stages
  await nextTick()
  stageList.value?.focus()
}

// Read as a whole: whatever is changed in it asks anew.
const request = computed(
  () =>
    whole.value &&
    dishRequestOf(JSON.parse(JSON.stringify(whole.value)) as DishDocument, kitchen.value, serverNow(), learnt.believed),
)
const { result: outcome, failed } = useWorked(request, (work, asked) => work.dish(asked), 'answer')

/** What other choices would change, where stages are proposed. */
const costAsk = computed(() =>
  request.value && proposal.value
    ? { request: request.value, wanted: wanted.value, cookedWith: cookedWith.value }
    : null,
)
const { result: costs } = useWorked(costAsk, (work, asked) =>
  work.optionCosts(asked.request, asked.wanted, asked.cookedWith),
)

const { straight, scaledTo, shownFor, keep: keepScaled, back: backFromScaled } = useDishFor(dish, request)
const answer = computed(() => scaledTo.value?.answer ?? (outcome.value?.ok ? outcome.value.value : null))
const problems = computed(() => (outcome.value && !outcome.value.ok ? outcome.value.problems : []))
/** What is shown: the dish, or it for another number. */
const shown = computed<DishDocument | null>(() =>
  dish.value && scaledTo.value ? { ...scaledTo.value.dish, shape: dish.value.shape } : whole.value,
)
const most = computed(() =>
  Math.max(
    1,
    ...(answer.value?.stages ?? []).map(({ liquid }) => liquid.beforeG + liquid.pouredG + liquid.givenG + liquid.backG),
  ),
)
/** The answer that stands is of these stages, and not of those before them. */
const isOfThese = computed(() => {
  const ids = (stages: readonly { id: string }[] = []) => stages.map(({ id: of }) => of).join()
  return ids(answer.value?.stages) === ids(shown.value?.stages)
})
/** Everything that is done, stage by stage. */
const told = computed(() =>
  request.value && shown.value && answer.value && isOfThese.value
    ? instructionsOfDish({ ...request.value, dish: dishOf(shown.value) }, answer.value)
    : [],
)
const stepsOf = (stageId: string) =>
  told.value.filter((one) => one.do !== 'serve' && 'stage' in one.from && one.from.stage === stageId)
const answerAt = (stageId: string) => answer.value?.stages.find((one) => one.id === stageId) ?? null
const refused = computed(() => answer.value?.cautions.filter(({ severity }) => severity === 'refuse') ?? [])
const canCook = computed(
  () =>
    (answer.value?.stages ?? []).length > 0 &&
    refused.value.length === 0 &&
    answer.value!.stages.every((one) => one.problems.length === 0),
)
const ofWhole = computed(
  () =>
    answer.value?.cautions.filter(({ id: of }) =>
      ['never-cooked', 'much-salt', 'cool-in-time', 'lectin-not-done', 'meat-never-cooked', 'keep-hot'].includes(of),
    ) ?? [],
)

/** What another device has changed too, each by its name. */
const clashes = computed(() => {
  const names = both.value?.clashes.map((one) => {
    if (one.what === 'line') return lineName(one.line)
    return one.what === 'stage' ? t(`dishes.kinds.${one.stage.kind}`) : t(`dishes.conflict.${one.what}`)
  })
  return names && names.length > 0 ? list([...new Set(names)]) : null
})

const editing = ref<string | null>(null)
const adding = ref(false)
function addStage(kind: StageKind) {
  if (!dish.value || dish.value.stages.length >= MOST.dishStages) return
  const last = dish.value.stages.at(-1)
  const stage = newStage(uuid(), kind, STAGES[kind].beginsAnew ? null : (last?.id ?? null), kitchen.value)
  dish.value.stages.push(stage)
  editing.value = stage.id
  adding.value = false
}
/** Moving a row takes the focus from the press that moved it. */
async function moveStage(index: number, to: number) {
  const focused = document.activeElement
  dish.value!.stages = moved(dish.value!.stages, index, to)
  await nextTick()
  if (focused instanceof HTMLElement) focused.focus()
}
async function changeStages(to: DishDocument['stages']) {
  dish.value!.stages = to
  if (!to.some(({ id: of }) => of === editing.value)) editing.value = null
  await nextTick()
  stageList.value?.focus()
}
async function removeStage(index: number) {
  await changeStages(without(dish.value!.stages, index))
}
const moveLine = (line: string, to: string) => (dish.value!.stages = withLineAt(dish.value!.stages, line, to))
const indexOf = (stageId: string) => dish.value!.stages.findIndex(({ id: of }) => of === stageId)
const { carried } = provideDishCarry((load, onto) => {
  if (load.kind === 'line') return moveLine(load.id, onto)
  // The same thing twice, one after the other: put onto each other they become one.
  const joins = [load.id, onto].find((of) => [load.id, onto].includes(joinsWith(dish.value!.stages, of)?.id ?? ''))
  if (joins) void changeStages(joined(dish.value!.stages, joins))
  else void moveStage(indexOf(load.id), indexOf(onto))
})

const helped = ref<{ line: string; what: 'instead' | 'forgotten' } | null>(null)
function takeInstead({ parts }: StandIn) {
  become(withStandIn(dish.value!, helped.value!.line, parts))
  helped.value = null
}
/** Other lines and stages; a line that came in is called by what it is and weighs. */
function become({ lines, stages }: Pick<Dish, 'lines' | 'stages'>) {
  const before = new Set(dish.value!.lines.map(({ id: of, what }) => `${of} ${what}`))
  dish.value!.stages = stages
  dish.value!.lines = lines.map((line) => {
    if (before.has(`${line.id} ${line.what}`)) return line
    const name = inSentence(thing(line.what!))
    return { ...line, typed: line.g === null ? name : t('dishes.of', { name, g: weight(line.g) }) }
  })
}
async function takeWay(way: Dish) {
  become(way)
  await nextTick()
  stageList.value?.focus()
}
/** How it is to come out; as it does where nobody says. */
const consistency = computed({
  get: () => dish.value?.wanted,
  set: (to) => {
    if (to) dish.value!.wanted = to
    else delete dish.value!.wanted
  },
})

async function copyIt() {
  const kept = await dishes.add({
    content: { ...dish.value!, name: t('dishes.copyOf', { name: dish.value!.name }).slice(0, 80) },
  })
  await navigateTo(`/dishes/${kept.id}`)
}
async function takeOff() {
  const kept = await dishes.fetchOne(id)
  await dishes.remove(kept)
  useTakenOff().value = kept
  await navigateTo({ path: '/dishes', query: { removed: id } })
}
const FETCHED_MS = 60_000
async function send() {
  const { recipeOfDish } = await import('~~/core/formats/write-recipe')
  const cooked = outcome.value?.ok ? outcome.value.value : null
  const used = kitchen.value.cookers.filter(({ id: of }) => dish.value!.stages.some(({ pot }) => pot?.cookerId === of))
  const cookers = used.map(({ name: called, cooker }) =>
    t(`steps.cookers.${cooker.appliance.kind}`, { name: called, litres: number(cooker.body.capacityL) }),
  )
  const recipe = recipeOfDish(dishOf(dish.value!), cooked, {
    steps: dish.value!.stages.map((stage) => ({
      name: t(`dishes.kinds.${stage.kind}`),
      sentences: stepsOf(stage.id).map(words.sentence),
    })),
    workedOutFor: t('steps.workedOutFor', {
      name: dish.value!.name,
      cookers: list(cookers),
      altitude: number(kitchen.value.altitudeM),
    }),
    cookers,
    author: kitchen.value.name,
    language: language.value,
  })
  const link = document.createElement('a')
  link.href = URL.createObjectURL(new Blob([JSON.stringify(recipe, null, 2)], { type: 'application/ld+json' }))
  link.download = `${dish.value!.name.toLowerCase().replace(/[^\p{L}\p{N}]+/gu, '-')}.recipe.json`
  link.click()
  setTimeout(() => URL.revokeObjectURL(link.href), FETCHED_MS)
}
const print = () => window.print()
/** What is on paper alone need not follow each key. */
const isPrinted = useMediaQuery('print')
/** Whether what it was before stands there. */
const looksBack = ref(false)
const tellDish = ({ servings, lines, stages }: DishDocument) =>
  t('dishes.inShort', { servings, lines: lines.length, stages: stages.length })
function takeEarlier(content: unknown) {
  dish.value = content as DishDocument
  looksBack.value = false
}
const more = computed(() => [
  { text: t('dishes.print'), act: print },
  { text: t('dishes.send'), act: send },
  { text: t('dishes.copyIt'), act: copyIt },
  { text: t('edit.versions.title'), act: () => (looksBack.value = !looksBack.value) },
  { text: t('dishes.takeOff'), act: takeOff },
])
useUndoKeys(draft)
const name = computed({ get: () => dish.value?.name ?? '', set: (text: string) => (dish.value!.name = text) })
</script>

<template>
  <div v-if="state === 'missing'" class="lost">
    <p role="alert">{{ t('dishes.missing') }}</p>
    <v-btn to="/dishes" size="large">{{ t('dishes.backToDishes') }}</v-btn>
  </div>
  <StateNotice v-else-if="!dish && failure" :failure="failure" @retry="draft.load" />
  <p v-else-if="!dish || !shown" class="soft lost" role="status">{{ t('app.loading') }}</p>
  <div v-else class="dish">
    <DishSheet v-if="isPrinted && answer" :dish="shown" :answer="answer" :steps-of="stepsOf" />
    <div class="left no-print">
      <DishHead
        v-model:name="name"
        v-model:favourite="favourite"
        v-model:servings="shownFor"
        :text="
          answer
            ? t('dishes.forN', { n: number(shown.servings), mass: weight(answer.massG), place: kitchen.name })
            : kitchen.name
        "
        :state="t(`saving.state.${state}`)"
        :presses="more"
        :can-undo="canUndo"
        :can-redo="canRedo"
        @undo="draft.undo()"
        @redo="draft.redo()"
      />
      <LazyEarlierVersions
        v-if="looksBack"
        :id="id"
        kind="dish"
        :tell="(content) => tellDish(content as DishDocument)"
        @take="takeEarlier"
      />
      <v-btn class="to-stages" :append-icon="mdiArrowDown" @click="toStages">{{ t('dishes.toStages') }}</v-btn>
      <DishLines
        v-if="!scaledTo"
        v-model="dish"
        :answer="answer"
        :dish-id="id"
        @ask="(line) => (helped = { line, what: 'instead' })"
        @forgot="(line) => (helped = { line, what: 'forgotten' })"
      />
      <ul v-else class="scaled">
        <li v-for="line in shown.lines" :key="line.id">
          <span class="figure">{{ line.g === null ? '–' : weight(line.g) }}</span> {{ lineName(line) }}
        </li>
      </ul>
      <LineHelp
        v-if="helped && request"
        :key="helped.line + helped.what"
        :request="request"
        :line="helped.line"
        :what="helped.what"
        @take="takeInstead"
        @close="helped = null"
      />
    </div>

    <div class="middle" :class="{ 'no-print': answer }">
      <div v-if="theirs" class="notice" role="alert">
        <p>{{ t('dishes.conflict.text') }}</p>
        <p v-if="clashes">{{ t('dishes.conflict.both', { list: clashes }) }}</p>
        <v-btn v-if="both" variant="flat" color="primary" @click="draft.putTogether">{{
          t('dishes.conflict.together')
        }}</v-btn>
        <v-btn @click="draft.takeTheirs">{{ t('dishes.conflict.theirs') }}</v-btn>
        <v-btn @click="draft.putOurs">{{ t('dishes.conflict.ours') }}</v-btn>
      </div>
      <div v-else-if="state === 'refused' && failure" class="notice" role="alert">
        <p v-for="problem in failure.problems" :key="problem.path">{{ problemText(problem) }}</p>
      </div>
      <p v-if="failed" class="tone-danger" role="alert">{{ t('errors.computing') }}</p>
      <ScaleNote
        v-if="scaledTo"
        v-model="straight"
        :dish="dish"
        :servings="scaledTo.dish.servings"
        :ways="scaledTo.ways"
        :floors="scaledTo.floors"
        @keep="keepScaled"
        @back="backFromScaled"
      />
      <p v-for="problem in problems" :key="problem.path + problem.code" class="problem" role="alert">
        {{ problemText(problem) }}
      </p>
      <NoCooker v-if="!request" />
      <ProposeStages
        v-if="proposal && !scaledTo"
        v-model="wanted"
        v-model:cooker-id="cookerId"
        :choices="proposal.choices"
        :costs="costs"
        :lines="dish.lines"
        :can-take="canCook"
        @take="takeProposal"
      />
      <div class="heads soft" aria-hidden="true">
        <span>{{ t('dishes.order') }}</span>
        <span class="tone-water">{{ t('dishes.stream') }}</span>
      </div>
      <!-- Rows that grew with the answer would push each other down. -->
      <p v-if="request && !answer && problems.length === 0 && !failed" class="soft" role="status">
        {{ t('app.loading') }}
      </p>
      <ol v-else ref="stageList" class="stages" tabindex="-1">
        <StageRow
          v-for="(stage, i) in shown.stages"
          :key="stage.id"
          :dish="shown"
          :stage="stage"
          :answer="answerAt(stage.id)"
          :most="most"
          :steps="stepsOf(stage.id)"
          :fixed="scaledTo !== null || proposal !== null"
          :editing="editing === stage.id && !scaledTo"
          @update:editing="(on) => (editing = on ? stage.id : null)"
          @move="moveLine"
          @to="(by) => moveStage(i, i + by)"
          @join="changeStages(joined(dish.stages, stage.id))"
          @part="changeStages(parted(dish.stages, stage.id, uuid()))"
        >
          <template #edit>
            <StageEdit
              v-if="!scaledTo && dish.stages[i]"
              v-model="dish.stages[i]!"
              :dish="dish"
              :answer="answer"
              :index="i"
              @move="(by) => moveStage(i, i + by)"
              @remove="removeStage(i)"
              @join="changeStages(joined(dish.stages, stage.id))"
              @part="changeStages(parted(dish.stages, stage.id, uuid()))"
            />
          </template>
        </StageRow>
      </ol>
      <div v-if="!scaledTo" class="add">
        <v-btn size="large" :aria-expanded="adding" @click="adding = !adding">
          {{ t('dishes.stage.add') }}
        </v-btn>
        <div v-if="adding" class="kinds">
          <v-btn v-for="kind in STAGE_KINDS" :key="kind" @click="addStage(kind)">
            {{ t(`dishes.kinds.${kind}`) }}
          </v-btn>
        </div>
      </div>
    </div>

    <div class="right no-print">
      <DishTotals v-if="answer" :answer="answer" :dish="shown" />
      <CautionList v-if="ofWhole.length > 0" :cautions="ofWhole" />
      <v-btn v-if="canCook && !proposal" :to="`/dishes/${id}/cook`" variant="flat" color="primary" size="x-large" block>
        {{ t(isBegun ? 'dishes.cookOn' : 'dishes.cook') }}
      </v-btn>
      <CautionList v-else-if="refused.length > 0 && ofWhole.length === 0" :cautions="refused" />
      <LazyDishConsistency
        v-if="answer && request && !proposal"
        v-model:wanted="consistency"
        :answer="answer"
        :request="scaledTo ? { ...request, dish: scaledTo.dish } : request"
        :fixed="scaledTo !== null"
        @take="takeWay"
      />
    </div>
    <div v-if="carried" class="carried" :style="{ left: `${carried.x}px`, top: `${carried.y}px` }" aria-hidden="true">
      {{ carried.load.name }}
    </div>
  </div>
</template>

<style scoped>
.dish {
  display: grid;
  grid-template-columns: 270px minmax(0, 1fr) 250px;
  min-height: calc(100vh - 52px);
}
.lost {
  padding: 40px 24px;
}
.left,
.right,
.middle {
  padding: 16px 20px 48px;
}
.left {
  border-inline-end: 1px solid var(--line);
}
.right {
  display: grid;
  align-content: start;
  gap: 16px;
  border-inline-start: 1px solid var(--line);
}
.heads {
  display: flex;
  justify-content: space-between;
  margin-bottom: 6px;
  font-size: 12.5px;
}
.heads span:last-child {
  width: 190px;
}
.stages {
  margin: 0;
  padding: 0;
  border-bottom: 1px solid var(--line);
  list-style: none;
}
.add {
  margin-top: 16px;
}
.kinds {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  margin-top: 10px;
}
.notice {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px;
  margin-bottom: 12px;
  padding-inline-start: 12px;
  border-inline-start: 3px solid var(--danger);
}
.notice p {
  flex-basis: 100%;
  margin: 0;
}
.problem {
  margin: 0 0 8px;
  padding-inline-start: 10px;
  border-inline-start: 3px solid var(--danger);
}
.scaled {
  margin: 0;
  padding: 0;
  list-style: none;
}
.scaled li {
  display: grid;
  grid-template-columns: 70px minmax(0, 1fr);
  padding: 6px 0;
  border-top: 1px solid var(--line);
  font-size: 14.5px;
}
.carried {
  position: fixed;
  z-index: 50;
  padding: 4px 10px;
  border: 1px solid var(--food);
  border-radius: var(--corner);
  background: var(--ground-raised);
  pointer-events: none;
  transform: translate(-50%, -120%);
}
.to-stages {
  display: none;
  margin-bottom: 10px;
}
@media (max-width: 1099px) {
  .dish {
    grid-template-columns: 250px minmax(0, 1fr);
  }
  .right {
    grid-column: 1 / -1;
    border-top: 1px solid var(--line);
    border-inline-start: 0;
  }
  .heads span:last-child {
    display: none;
  }
}
@media (max-width: 819px) {
  .dish {
    grid-template-columns: minmax(0, 1fr);
  }
  .left {
    border-inline-end: 0;
  }
  .to-stages {
    display: inline-flex;
  }
  .left,
  .right,
  .middle {
    padding: 12px 16px 24px;
  }
}
@media print {
  .dish {
    display: block;
  }
}
</style>
