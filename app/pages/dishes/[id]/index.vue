<script setup lang="ts">
import { mdiArrowDown } from '@mdi/js'
import { useMediaQuery } from '@vueuse/core'
import { withStandIn } from '~~/core/dish/arrange'
import type { Dish } from '~~/core/dish/dish.schema'
import type { StandIn } from '~~/core/dish/instead'
import { STAGE_KINDS, type StageKind } from '~~/core/dish/names'
import type { DishDocument } from '~~/shared/dish'

/** A dish: its ingredients as typed, what is done with them in order, and what becomes of it. */
const { t, inSentence, number, weight, problemText } = useI18nText()
const { lineName, thing } = useDishWords()
const route = useRoute()
const id = String(route.params.id)
const kitchen = useKitchen()
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

const worked = useDishAnswer(dish, whole)
const { request, outcome, failed, answer, problems, shown, most, stepsOf, answerAt, refused, canCook, ofWhole } = worked
const { straight, scaledTo, shownFor, keep: keepScaled, back: backFromScaled } = worked

/** What other choices would change, where stages are proposed. */
const costAsk = computed(() =>
  request.value && proposal.value
    ? { request: request.value, wanted: wanted.value, cookedWith: cookedWith.value }
    : null,
)
const { result: costs } = useWorked(costAsk, (work, asked) =>
  work.optionCosts(asked.request, asked.wanted, asked.cookedWith),
)

const edits = useStageEdits(dish, stageList)
const { editing, carried } = edits
const adding = ref(false)
function addStage(kind: StageKind) {
  edits.add(kind)
  adding.value = false
}

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
const sendDish = useSendDish()
const send = () => sendDish(dish.value!, outcome.value?.ok ? outcome.value.value : null, stepsOf)
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
      <DishConflict
        v-if="theirs"
        :both="both"
        @together="draft.putTogether"
        @theirs="draft.takeTheirs"
        @ours="draft.putOurs"
      />
      <template v-else-if="state === 'refused' && failure">
        <p v-for="problem in failure.problems" :key="problem.path" class="problem" role="alert">
          {{ problemText(problem) }}
        </p>
      </template>
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
          @move="edits.moveLine"
          @to="(by) => edits.move(i, i + by)"
          @join="edits.join(stage.id)"
          @part="edits.part(stage.id)"
        >
          <template #edit>
            <StageEdit
              v-if="!scaledTo && dish.stages[i]"
              v-model="dish.stages[i]!"
              :dish="dish"
              :answer="answer"
              :index="i"
              @move="(by) => edits.move(i, i + by)"
              @remove="edits.remove(i)"
              @join="edits.join(stage.id)"
              @part="edits.part(stage.id)"
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
