<script setup lang="ts">
import { useWakeLock } from '@vueuse/core'
import { leftoverOfDish } from '~~/core/dish/keep'
import { heatsItself } from '~~/core/appliance/appliance'
import { vesselOf } from '~~/core/dish/stages'
import { instructionsOfDish } from '~~/core/guide/dish'
import type { Instruction } from '~~/core/guide/instruction'
import { upcoming } from '~~/core/dish/upcoming'
import { bagIdsOf, clockOfLine, dishRequestOf } from '~~/shared/dish'
import { firstLitAt, runState } from '~~/core/live/run'
import type { CameOut } from '~~/core/learn/log-file.schema'
import type { KeptPortion } from '~~/shared/household'
import type { SayBegun } from '~~/shared/dish.schema'

/** A dish being cooked: one stage after another in large type, its pots as runs of the stove. */
const { t, number, duration, clock, weight } = useI18nText()
const { amount, stageFigure } = useDishWords()
const words = useStepWords()
const route = useRoute()
const id = String(route.params.id)
const { dish, state, failure, load } = useDishDraft(id)
const kitchen = useKitchen()
const learnt = useLearntStore()
const request = computed(() => dish.value && dishRequestOf(dish.value, kitchen.value, serverNow(), learnt.believed))
const { result: outcome } = useWorked(request, (work, asked) => work.dish(asked), 'answer')
const answer = computed(() => (outcome.value?.ok ? outcome.value.value : null))

const progress = useBegunStore()
const begun = computed(() => progress.of(id))
const change = (said: SayBegun) => progress.say(id, said)
const again = () => progress.end(id)

/** What must not be cooked as it is; nothing of it is lit or kept. */
const refused = computed(() => answer.value?.cautions.filter(({ severity }) => severity === 'refuse') ?? [])
const index = computed(() => Math.min(begun.value.at, dish.value?.stages.length ?? 0))
const stage = computed(() => dish.value?.stages[index.value] ?? null)
const now = computed(() => answer.value?.stages[index.value] ?? null)
const isDone = computed(() => dish.value !== null && index.value >= dish.value.stages.length)
function go(by: number) {
  change({ at: Math.max(0, index.value + by) })
  if (isDone.value) void tellDone()
}

const nowMs = useNow()
const MINUTE_MS = 60_000
const clockMs = computed(() => (stage.value ? (begun.value.clocks[stage.value.id] ?? null) : null))
const leftMinutes = computed(() =>
  clockMs.value === null || !now.value ? null : now.value.minutes - (nowMs.value - clockMs.value) / MINUTE_MS,
)
const pastMinutes = computed(() => (clockMs.value === null ? null : (nowMs.value - clockMs.value) / MINUTE_MS))
/** What is done in the middle of the stage stays pale until its minute has come. */
const isDue = ({ afterMinutes = 0 }: Instruction) =>
  afterMinutes === 0 || (pastMinutes.value !== null && pastMinutes.value >= afterMinutes)
const startClock = () => stage.value && change({ clocks: { [stage.value.id]: Math.round(serverNow()) } })

const runs = useRunsStore()
const runId = computed(() => (stage.value ? (begun.value.runs[stage.value.id] ?? null) : null))
const run = computed(() => (runId.value ? runs.one(runId.value) : null))
/** It may have been lit on another device. */
watch(runId, (lit) => lit && !runs.one(lit) && void runs.loadOne(lit), { immediate: true })
const isLit = computed(() => run.value && firstLitAt(runState(run.value.events)) !== null)
/** When this stage ends: by what its pot turns out to be, by its timer, or as long from now as it is planned to take. */
const stove = useCookingStore()
const endMs = computed(() => {
  const opened = run.value?.events.find(({ data }) => data.kind === 'opened')?.at
  const outlook = runId.value ? stove.laneOf(runId.value)?.following.outlook : null
  const planned = (now.value?.minutes ?? 0) * MINUTE_MS
  const due = (isLit.value ? outlook?.opensAt.value : null) ?? (clockMs.value ?? nowMs.value) + planned
  // What is overdue is not over.
  return opened ?? Math.max(nowMs.value, due)
})
/** When each coming stage begins, in the order in which they are written. */
const begins = computed(() =>
  upcoming(answer.value?.stages ?? [], index.value, { endMs: endMs.value, nowMs: nowMs.value }),
)
const { start, lighting, failure: lightFailure } = useStartRun()
async function light() {
  const potStage = stage.value
  const planned = now.value?.pot
  if (!potStage?.pot || !planned || !dish.value) return
  const cooker =
    kitchen.value.cookers.find(({ id: cookerId }) => cookerId === potStage.pot!.cookerId) ?? kitchen.value.cookers[0]!
  const started = await start({
    name: dish.value.name,
    cookerId: cooker.id,
    cookerName: cooker.name,
    request: planned.request,
    burnerId: heatsItself(cooker.cooker.appliance) ? null : potStage.pot?.burnerId || null,
    bagIds: bagIdsOf(planned.request, kitchen.value),
  })
  if (!started) return
  change({ runs: { [potStage.id]: started.run.id } })
  await navigateTo(`/cook/${started.run.id}`)
}

/** The log says with each of its pots what came of the dish, and what of it was kept. */
const untold = ref<{ cameOut: CameOut; failure: ApiFailure } | null>(null)
async function tellRuns(cameOut: CameOut) {
  untold.value = null
  try {
    await Promise.all(Object.values(begun.value.runs).map((of) => runs.say(of, { cameOut })))
  } catch (error) {
    untold.value = { cameOut, failure: failureOf(error) }
  }
}
const cameOut = (keptPortions: number, place: CameOut['place']): CameOut => ({
  massG: Math.round(answer.value!.massG),
  servings: dish.value!.servings,
  keptPortions,
  place,
})
/** Whoever goes on from the last stage tells it. Gone back and on once more, what was kept stays kept. */
async function tellDone() {
  const lit = Object.values(begun.value.runs)
  await Promise.all(lit.map((of) => runs.one(of) ?? runs.loadOne(of)))
  if (answer.value && !lit.some((of) => runs.one(of)?.cameOut)) await tellRuns(cameOut(0, null))
}

/** All that is done at this stage, in order. */
const steps = computed(() =>
  request.value && answer.value
    ? instructionsOfDish(request.value, answer.value).filter(
        (one) => one.do !== 'serve' && 'stage' in one.from && one.from.stage === stage.value?.id,
      )
    : [],
)
const { call } = useAlarm()
const dueSteps = computed(() => steps.value.filter((one) => one.afterMinutes !== undefined && isDue(one)))
const isOver = computed(() => leftMinutes.value !== null && leftMinutes.value <= 0)
// Called for as its minute comes, not for having been gone back to.
watch([dueSteps, isOver, () => stage.value?.id], ([now, over, at], [before, wasOver, was]) => {
  if (at !== was) return
  for (const one of now) if (!before.some(({ id: known }) => known === one.id)) call(words.sentence(one))
  if (over && !wasOver) call(t('dishes.progress.over'))
})
const takesSalt = computed(() => (now.value?.salt.addedG ?? 0) > 0 && (now.value?.salt.beforeG ?? 0) > 0.3)
const figure = computed(() => (stage.value ? stageFigure(stage.value, now.value) : { n: '', unit: '', tone: '' }))
const kept = usePortionsStore()
void kept.load()
/** What is taken out of fridge or freezer for the stage, as long as nobody has said that it was. */
const takesOut = computed(() =>
  (stage.value?.takes ?? []).flatMap(({ line }) => {
    const portionId = dish.value?.lines.find((one) => one.id === line)?.portionId
    const found = portionId ? kept.portions?.find((one) => one.id === portionId) : undefined
    return found && !begun.value.clocks[clockOfLine(line)] ? [{ line, kept: found }] : []
  }),
)
async function takeOut(line: string, found: KeptPortion) {
  await kept.changeLeft(found, -1).catch(() => undefined)
  change({ clocks: { [clockOfLine(line)]: Math.round(serverNow()) } })
}
// Nobody touches a screen with wet hands to keep it awake.
const { isSupported, request: keepAwake, release } = useWakeLock()
onMounted(() => isSupported.value && void keepAwake('screen').catch(() => undefined))
onBeforeUnmount(() => void release().catch(() => undefined))
useHead({ title: () => t('dishes.progress.title', { name: dish.value?.name ?? '' }) })
</script>

<template>
  <div class="progress">
    <p v-if="state === 'missing'" role="alert">{{ t('dishes.missing') }}</p>
    <StateNotice v-else-if="!dish && failure" :failure="failure" @retry="load" />
    <NoCooker v-else-if="dish && !request" />
    <p v-else-if="!dish || !answer" class="soft" role="status">{{ t('app.loading') }}</p>
    <template v-else>
      <header>
        <h1>{{ dish.name }}</h1>
        <p class="soft">
          {{
            t('dishes.progress.of', {
              n: number(Math.min(index + 1, dish.stages.length)),
              all: number(dish.stages.length),
            })
          }}
        </p>
        <NuxtLink :to="`/dishes/${id}`" class="link-button">{{ t('dishes.progress.leave') }}</NuxtLink>
      </header>

      <CautionList v-if="refused.length > 0" :cautions="refused" />
      <section v-else-if="isDone" class="now" aria-live="polite">
        <h2>{{ t('dishes.progress.done') }}</h2>
        <p>
          {{
            t('dishes.progress.each', {
              n: number(dish.servings),
              each: weight(answer.massG / dish.servings),
              all: weight(answer.massG),
            })
          }}
        </p>
        <KeepPortions
          :from="[{ name: dish.name, leftover: leftoverOfDish(answer, dish.servings) }]"
          :dish-id="id"
          @kept="({ portions, place }) => tellRuns(cameOut(portions, place))"
        />
        <StateNotice v-if="untold" :failure="untold.failure" @retry="tellRuns(untold.cameOut)" />
        <v-btn size="large" @click="again">{{ t('dishes.progress.again') }}</v-btn>
      </section>
      <section v-else-if="stage && now" class="now" aria-live="polite">
        <VesselPicture :kind="stage.kind" :vessel="vesselOf(stage)" class="picture" />
        <div>
          <h2>{{ t(`dishes.kinds.${stage.kind}`) }}</h2>
          <p class="great figure" :class="figure.tone">
            {{ figure.n }} <small>{{ figure.unit }}</small>
          </p>
        </div>
        <ul class="takes">
          <li v-for="step in steps" :key="step.id" :class="{ soft: !isDue(step) }">{{ words.sentence(step) }}</li>
          <li v-if="takesSalt" class="soft">{{ t('dishes.progress.saltIn', { g: amount(now.salt.beforeG) }) }}</li>
        </ul>
        <p v-for="{ line, kept: found } in takesOut" :key="line" class="out">
          {{ t('dishes.progress.takeOut', { name: found.content.name, n: number(found.content.left) }) }}
          <v-btn @click="takeOut(line, found)">
            {{ t('dishes.progress.takenOut') }}
          </v-btn>
        </p>
        <CautionList v-if="now.cautions.length > 0" :cautions="now.cautions" />
        <p v-if="leftMinutes !== null" class="figure clock" :class="{ over: leftMinutes <= 0 }" role="timer">
          {{
            leftMinutes > 0
              ? t('dishes.progress.timer', { time: duration(Math.ceil(leftMinutes)) })
              : t('dishes.progress.over')
          }}
        </p>
        <div class="ways">
          <template v-if="stage.pot">
            <v-btn v-if="runId" :to="`/cook/${runId}`" variant="flat" color="primary" size="large">
              {{ t('dishes.progress.toStove') }}
            </v-btn>
            <v-btn v-else variant="flat" color="primary" size="large" :disabled="lighting || !now.pot" @click="light">
              {{ t('dishes.progress.light') }}
            </v-btn>
          </template>
          <v-btn v-else-if="clockMs === null && now.minutes >= 1" size="large" @click="startClock">
            {{ t('dishes.progress.startTimer', { time: duration(now.minutes) }) }}
          </v-btn>
          <v-btn size="large" :class="{ solid: !stage.pot || isLit }" @click="go(1)">
            {{ t('dishes.progress.next') }}
          </v-btn>
          <LinkBtn v-if="index > 0" @click="go(-1)">
            {{ t('dishes.progress.back') }}
          </LinkBtn>
        </div>
        <p v-if="steps.some((one) => one.afterMinutes !== undefined)"><LazyAlarmChoice /></p>
        <p v-if="lightFailure" class="tone-danger" role="alert">
          {{ t(lightFailure.kind === 'server' ? 'errors.server' : 'errors.network') }}
        </p>
      </section>

      <ol class="all">
        <li v-for="(one, i) in dish.stages" :key="one.id" :class="{ done: i < index, at: i === index }">
          <span class="figure soft">{{ duration(answer.stages[i]!.minutes) }}</span>
          {{ t(`dishes.kinds.${one.kind}`) }}
          <span v-if="i > index && !isDone" class="soft">
            {{ t('dishes.progress.begins', { time: clock(begins[i - index - 1]!) }) }}
          </span>
          <NuxtLink v-if="begun.runs[one.id]" :to="`/cook/${begun.runs[one.id]}`" class="soft">
            {{ t('dishes.progress.running') }}
          </NuxtLink>
        </li>
      </ol>
    </template>
  </div>
</template>

<style scoped>
.progress {
  max-width: 900px;
  padding: 16px 24px 56px;
}
header {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 6px 16px;
}
header .link-button {
  margin-inline-start: auto;
}
h1,
h2,
p {
  margin: 0;
}
h1 {
  font-size: 21px;
}
.now {
  display: grid;
  grid-template-columns: auto minmax(0, 1fr);
  gap: 14px 24px;
  align-items: center;
  margin: 20px 0;
  padding: 18px 0;
  border-top: 1px solid var(--line);
  border-bottom: 1px solid var(--line);
}
.now > * {
  grid-column: 1 / -1;
}
.now > .picture {
  grid-column: 1;
}
.now > .picture + div {
  grid-column: 2;
}
.picture {
  width: 128px;
  height: 96px;
}
h2 {
  font-size: 30px;
}
.great {
  font-size: 72px;
}
.great small {
  font-size: 32px;
}
.takes {
  display: grid;
  gap: 4px;
  margin: 0;
  padding: 0;
  font-size: 22px;
  list-style: none;
}
.until {
  font-size: 19px;
}
.clock {
  font-size: 44px;
}
.over {
  color: var(--heat);
}
.ways {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 12px;
}
.ways .large {
  min-height: 56px;
  padding: 8px 26px;
  font-size: 19px;
}
a.large {
  display: grid;
  place-items: center;
}
.all {
  margin: 0;
  padding: 0;
  list-style: none;
}
.all li {
  display: flex;
  gap: 14px;
  min-height: 36px;
  align-items: center;
  border-bottom: 1px solid var(--line);
}
.all li .figure {
  width: 76px;
}
.done {
  color: var(--ink-soft);
  text-decoration: line-through;
}
.at {
  font-weight: 700;
}
@media (max-width: 719px) {
  .progress {
    padding: 12px 16px 40px;
  }
  .picture {
    width: 84px;
    height: 64px;
  }
}
</style>
