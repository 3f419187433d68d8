<script setup lang="ts">
import { heatsItself, holdsPressure } from '~~/core/appliance/appliance'
import { stackFaults, type StandingTin } from '~~/core/pot/stacking'
import { applianceOf } from '~~/core/program/answer'
import { isRefused } from '~~/core/safety/rules'
import { FREE_LIQUIDS } from '~~/core/water/liquids'
import { placedItems } from '~~/shared/pot'
import type { DrawnTin } from '~/components/drawings/StackCutaway.vue'

/** Several foods, several tins, one run: by hand, or worked out. */
const { t, list, number, weight } = useI18nText()
const cautionText = useCautionText()
const pot = usePotStore()
const { form } = storeToRefs(pot)
const kitchenStore = useKitchenStore()
const kitchen = computed(() => kitchenStore.loaded)
const { stack, place, moveTin, takeOutTin } = useStackLayout()

const { answer, taken, curves, problems, failed, nowMs, heat, light, lighting, failure } = usePotPlan()
const {
  search,
  whatElse,
  stop,
  take,
  busy,
  done,
  failed: searchFailed,
  result,
  elsewhere,
  problems: searchProblems,
  more,
} = useStackSearch()

const placed = computed(() => placedItems({ ...form.value, inTins: true, stack: stack.value }))
const answerOf = (item: number) => answer.value?.foods[placed.value.indexOf(item)] ?? null
/** The answer still speaks of what stands where now. */
const current = computed(
  () => answer.value !== null && pot.request !== null && answer.value.foods.length === placed.value.length,
)
const foodIn = (where: string) => stack.value.places.findIndex((one) => one === where)
const tiers = computed<DrawnTin[][]>(() =>
  stack.value.tiers.map((tier, level) =>
    tier.flatMap((id): DrawnTin[] => {
      const tin = kitchen.value.tins.find((one) => one.id === id)
      if (!tin) return []
      const item = foodIn(id)
      const food = item < 0 ? null : answerOf(item)
      const name = item < 0 ? null : (pot.names[item] ?? '')
      const fill = food?.tinFill
      return [
        {
          ...tin,
          covered: level < stack.value.tiers.length - 1 || stack.value.topCovered,
          food:
            name === null
              ? null
              : {
                  name,
                  later: (form.value.items[item]?.joins ?? 0) > 0,
                  waterG: food?.tinWaterG ?? 0,
                  beforeShare: fill ? fill.beforeMl / fill.holdsMl : 0.4,
                  afterShare: fill ? fill.afterMl / fill.holdsMl : 0.6,
                },
        },
      ]
    }),
  ),
)
const baseFood = computed(() => (foodIn('base') < 0 ? null : (pot.names[foodIn('base')] ?? null)))

const { carried } = provideCarry((load, onto) => {
  if (load.kind === 'tin') {
    if (onto.at === 'tier') moveTin(load.id, onto.tier)
    else if (onto.at === 'out') takeOutTin(load.id)
    return
  }
  const food = Number(load.id)
  if (onto.at === 'base') place(food, 'base')
  else if (onto.at === 'out') place(food, '')
  else if (onto.at === 'tin') place(food, onto.id)
  else {
    // Onto an empty tier: into the first tin that stands there, or the first that is free.
    const there = stack.value.tiers[onto.tier]?.[0]
    const free = kitchen.value.tins.find((tin) => !stack.value.tiers.flat().includes(tin.id))
    const tin = there ?? free?.id
    if (tin) place(food, tin)
  }
})

const foodName = (index: number) => pot.names[index] ?? ''
const liquids = computed(() => FREE_LIQUIDS.map((value) => ({ value, text: t(`pot.freeLiquids.${value}`) })))
const first = computed(() => (current.value ? (answer.value?.closings[0] ?? null) : null))
const electric = computed(() => answer.value !== null && heatsItself(applianceOf(answer.value)))
const fill = computed(() => (first.value ? { ...answer.value!.fill, ...first.value.fill } : null))
const refused = computed(() => answer.value !== null && isRefused(answer.value.cautions))
const emptyTins = computed(() => stack.value.tiers.flat().filter((id) => foodIn(id) < 0))
/** What does not fit as it stands; the plan's own cautions say it too, once there is a plan. */
const faults = computed(() => {
  const body = pot.cooker?.cooker.body
  if (!body || (current.value && problems.value.length === 0 && emptyTins.value.length === 0)) return []
  const standing = tiers.value.map((tier) =>
    tier.map(({ diameterMm, heightMm, covered }): StandingTin => ({
      diameterMm,
      heightMm,
      cover: covered ? 'lid' : 'none',
    })),
  )
  return stackFaults(body, stack.value.trivetMm, standing)
})
const soakMs = useSoakAhead(nowMs)
const ready = computed(
  () => current.value && placed.value.length === form.value.items.length && emptyTins.value.length === 0,
)
const liftOrder = computed(() =>
  stack.value.tiers
    .flat()
    .reverse()
    .map((id) => {
      const item = foodIn(id)
      return item < 0 ? t('stack.drawing.nothing') : foodName(item)
    }),
)
</script>

<template>
  <div>
    <div class="stack no-print">
      <section class="foods">
        <PotHead />
        <StackFoods :problems="problems" />
        <CookerPicks />
        <FormRow :label="t('stack.liquid')">
          <ChoiceBar v-model="form.freeLiquid" :label="t('stack.liquid')" :choices="liquids" />
        </FormRow>
      </section>

      <section class="drawing">
        <StackCutaway
          v-if="pot.cooker"
          :cooker="pot.cooker.cooker"
          :tiers="tiers"
          :trivet-mm="stack.trivetMm"
          :fill="fill"
          :base-name="baseFood"
          :heat="heat"
        />
        <TinShelf />
      </section>

      <section class="side">
        <v-btn
          v-if="busy === null"
          variant="flat"
          color="primary"
          size="x-large"
          block
          :disabled="!pot.cooker"
          @click="search"
        >
          {{ t('stack.workOut') }}
        </v-btn>
        <div v-else class="busy" role="status">
          <span>{{ t(busy === 'search' ? 'stack.searching' : 'stack.lookingElse', { n: number(done) }) }}</span>
          <v-btn @click="stop">{{ t('stack.stop') }}</v-btn>
        </div>
        <p v-if="searchFailed" class="problems" role="alert">{{ t('errors.computing') }}</p>
        <StackResult :result="result" :elsewhere="elsewhere" :problems="searchProblems" @take="take" @again="search" />

        <template v-if="problems.length > 0">
          <ProblemList :problems="problems" />
          <StyleChoice v-if="!answer" />
        </template>
        <div v-if="faults.length > 0" class="problems" role="alert">
          <p v-for="fault in faults" :key="fault.id + fault.tier">
            {{ cautionText({ id: fault.id, params: { tier: fault.tier + 1, by: fault.byMm } }).sentence }}
          </p>
        </div>
        <p v-if="failed" class="problems" role="alert">{{ t('errors.computing') }}</p>
        <div
          v-if="current && answer"
          :class="['answers', { partial: !ready }]"
          role="region"
          :aria-label="t('pot.answer.title')"
        >
          <ReadyHead :minutes="answer.readyAtMinute" :by-itself="electric" />
          <p v-if="!ready" class="without" role="status">
            {{ t(emptyTins.length > 0 ? 'stack.emptyTin' : 'stack.placeAll') }}
          </p>
          <StyleChoice />
          <CountNote />
          <PlanSteps
            v-if="taken ?? pot.request"
            :answer="answer"
            :request="(taken ?? pot.request)!"
            :cup="kitchenStore.cup"
            :lead="null"
          />
          <LinkBtn v-if="pot.inPhases" class="one-go" @click="pot.joinAt([])">
            {{ t('pot.later.oneGo') }}
          </LinkBtn>
          <v-table class="waters">
            <caption class="hidden-text">
              {{
                t('stack.waters')
              }}
            </caption>
            <tbody>
              <tr v-for="item in placed" :key="item">
                <th scope="row">{{ foodName(item) }}</th>
                <td class="soft">
                  {{
                    stack.places[item] === 'base'
                      ? t('stack.inBase')
                      : kitchen.tins.find(({ id }) => id === stack.places[item])?.name
                  }}
                </td>
                <td class="figure tone-water">
                  {{ answerOf(item)?.tinWaterG === null ? '' : weight(answerOf(item)?.tinWaterG ?? 0) }}
                </td>
              </tr>
            </tbody>
          </v-table>
          <FoodWindow
            v-for="item in placed"
            :key="item"
            :food="answerOf(item)!"
            :name="foodName(item)"
            named
            :textures="windowNames(t, pot.foods[item])"
          />
          <p v-if="liftOrder.length > 0" class="lift">
            {{ t('stack.lift', { foods: list(liftOrder) }) }}
          </p>
          <v-btn
            variant="flat"
            color="primary"
            size="x-large"
            block
            :disabled="!ready || refused || problems.length > 0 || lighting"
            :aria-busy="lighting"
            @click="light"
          >
            {{ t(electric ? 'pot.answer.lightElectric' : 'pot.answer.light') }}
          </v-btn>
          <p v-if="refused" class="tone-danger" role="alert">{{ t('pot.answer.refused') }}</p>
          <StateNotice v-if="failure" :failure="failure" @retry="light" />
          <CautionList :cautions="answer.cautions" />
        </div>
        <p v-else class="soft">{{ t('stack.empty') }}</p>
      </section>

      <section class="under">
        <RunStrip
          v-if="current && answer && curves[0]"
          :curve="curves[0]"
          :release="answer.release"
          :start-ms="nowMs + soakMs"
          :electric="electric"
          :height="170"
          :foods="placed.map(foodName)"
        />
        <p v-else class="strip-place soft">{{ t('stack.noStrip') }}</p>
        <LaterStrips v-if="current && answer" :answer="answer" :curves="curves" />
        <StackRoom :more="more" :busy="busy !== null" @look="whatElse" />
        <ElsewhereTable v-if="ready && answer && holdsPressure(applianceOf(answer))" class="elsewhere" />
      </section>
    </div>
    <p v-if="carried" class="in-hand" aria-hidden="true" :style="{ left: `${carried.x}px`, top: `${carried.y}px` }">
      {{ carried.load.name }}
    </p>
  </div>
</template>

<style scoped>
.stack {
  display: grid;
  grid-template-columns: 372px minmax(0, 1fr) 352px;
  grid-template-areas:
    'foods drawing side'
    'foods under side';
  grid-template-rows: auto 1fr;
  min-height: calc(100vh - 53px);
}
section {
  min-width: 0;
}
.stack > section {
  padding: 16px 24px;
}
.foods {
  grid-area: foods;
  border-inline-end: 1px solid var(--line);
}
.drawing {
  grid-area: drawing;
  display: grid;
  grid-template-rows: max(300px, calc(100vh - 53px - 450px)) auto;
  gap: 10px;
}
.side {
  grid-area: side;
  border-inline-start: 1px solid var(--line);
}
.under {
  grid-area: under;
  border-top: 1px solid var(--line);
}
.total {
  margin: 0;
  font-size: 14px;
}
.busy {
  display: flex;
  align-items: center;
  justify-content: space-between;
  min-height: 52px;
}
.problems {
  margin: 12px 0;
  padding-inline-start: 12px;
  border-inline-start: 3px solid var(--danger);
}
.problems p {
  margin: 0 0 6px;
}
.answers {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 12px;
  margin-top: 14px;
}
.one-go {
  justify-self: start;
  font-size: 14.5px;
}
.waters {
  width: 100%;
  border-collapse: collapse;
  font-size: 14.5px;
}
.waters th,
.waters td {
  padding: 3px 6px 3px 0;
  border-top: 1px solid var(--line);
  text-align: start;
  font-weight: 400;
}
.waters .figure {
  text-align: end;
  font-size: 18px;
}
.lift {
  margin: 0;
  font-size: 14.5px;
}
.strip-place {
  min-height: 199px;
  margin: 0;
}
.in-hand {
  position: fixed;
  z-index: 10;
  margin: -46px 0 0;
  padding: 4px 10px;
  border-radius: var(--corner);
  transform: translateX(-50%);
  background: var(--ink);
  color: var(--ground);
  font-weight: 650;
  pointer-events: none;
}
.elsewhere {
  margin-top: 20px;
}
@media (max-width: 1099px) {
  .stack {
    grid-template-columns: 340px minmax(0, 1fr);
    grid-template-areas:
      'foods side'
      'drawing drawing'
      'under under';
  }
}
@media (max-width: 719px) {
  .stack {
    display: flex;
    flex-direction: column;
  }
  .stack > section {
    padding: 14px 16px;
    border: 0;
    border-top: 1px solid var(--line);
  }
  .drawing {
    order: 2;
    grid-template-rows: 300px auto;
  }
  .side {
    order: 1;
  }
  .under {
    order: 3;
  }
}
/* The plan of what has a place, while something has none yet. */
.partial :deep(:is(.steps .say, .steps .great)) {
  color: var(--ink-soft);
}
.without {
  margin: 0;
  padding-inline-start: 10px;
  border-inline-start: 3px solid var(--heat);
}
</style>
