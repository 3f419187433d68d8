<script setup lang="ts">
import { mdiArrowDown, mdiArrowUp, mdiClose } from '@mdi/js'
import { canPart, joinsWith } from '~~/core/dish/arrange'
import type { DishAnswer } from '~~/core/dish/dish'
import type { Stage } from '~~/core/dish/dish.schema'
import { REMINDERS, STAGE_KINDS, VESSELS, type StageKind } from '~~/core/dish/names'
import { flameOf, handsOf, minutesOf, STAGES, vesselOf } from '~~/core/dish/stages'
import { MOST } from '~~/core/bounds'
import type { StageField } from '~~/core/dish/kinds/kind'
import { FLAMES } from '~~/core/names'
import { PROPOSED, type ProposedOption } from '~~/core/dish/propose'
import { usualPot, type DishDocument } from '~~/shared/dish'

/** Everything of a stage that can be said, and only what its kind uses. */
const stage = defineModel<Stage>({ required: true })
const { dish, answer, index } = defineProps<{ dish: DishDocument; answer: DishAnswer | null; index: number }>()
const emit = defineEmits<{ move: [by: number]; remove: []; join: []; part: [] }>()
const { t } = useI18nText()
const { lineName } = useDishWords()
const kitchen = useKitchen()

const kind = computed({
  get: () => stage.value.kind,
  set: (now: StageKind) => {
    stage.value.kind = now
    if (now === 'pot') {
      stage.value.pot ??= usualPot(kitchen.value)
      delete stage.value.minutes
    } else {
      delete stage.value.pot
      stage.value.minutes = STAGES[now].minutes
    }
    delete stage.value.handsMinutes
    delete stage.value.vessel
  },
})
const number = (key: 'minutes' | 'waterG' | 'keepsG' | 'keepsFatG', otherwise: () => number) =>
  computed({
    get: () => stage.value[key] ?? otherwise(),
    set: (value: number) => (stage.value[key] = value),
  })
const minutes = number('minutes', () => minutesOf(stage.value))
const waterG = number('waterG', () => 0)
const keepsG = number('keepsG', () => 0)
const keepsFatG = number('keepsFatG', () => 0)
const handsMinutes = computed({
  get: () => handsOf(stage.value, answer?.stages[index]?.minutes ?? minutes.value),
  set: (value: number) => (stage.value.handsMinutes = value),
})
const mashedPercent = computed({
  get: () => (stage.value.mashesShare ?? 1) * 100,
  set: (percent: number) => {
    if (percent >= 100) delete stage.value.mashesShare
    else stage.value.mashesShare = percent / 100
  },
})
const until = computed({ get: () => stage.value.until ?? '', set: (text: string) => (stage.value.until = text) })
const vessel = computed({ get: () => vesselOf(stage.value), set: (of) => (stage.value.vessel = of) })
const flame = computed({
  get: () => flameOf(stage.value),
  set: (of) => (stage.value.flame = of),
})
const flag = (key: 'lid' | 'throwsLiquid' | 'takesOutPouch' | 'measured') =>
  computed({ get: () => stage.value[key] ?? false, set: (is: boolean) => (stage.value[key] = is) })
const lid = flag('lid')
const throwsLiquid = flag('throwsLiquid')
const pouch = flag('takesOutPouch')
const measured = flag('measured')

/** What becomes of the water of a soak. */
const soakWater = computed({
  get: () => (stage.value.measured ? 'measured' : stage.value.keepWater ? 'kept' : 'thrown'),
  set: (to: ProposedOption<'soakWater'>) => {
    stage.value.keepWater = to === 'kept'
    stage.value.measured = to === 'measured'
    if (stage.value.measured) delete stage.value.waterG
  },
})

const has = (field: StageField) => STAGES[stage.value.kind].fields.includes(field)

/** What it can go on with: whatever is done before it. */
const earlier = computed(() => dish.stages.slice(0, index))
const nameOf = (one: Stage) =>
  t('dishes.stage.fromAll', { n: dish.stages.indexOf(one) + 1, name: t(`dishes.kinds.${one.kind}`) })
type Part = Stage['from'][number]['part']
const goesOn = (id: string, part: Part) => stage.value.from.some((one) => one.stage === id && one.part === part)
function toggleFrom(id: string, part: Part) {
  stage.value.from = goesOn(id, part)
    ? stage.value.from.filter((one) => one.stage !== id || one.part !== part)
    : [...stage.value.from, { stage: id, part }]
}
const keepers = computed(() => [
  ...earlier.value.filter(({ kind: of, keepsG: g }) => of === 'drain' || (g ?? 0) > 0).map(keptFrom('liquid')),
  ...earlier.value.filter(({ keepsFatG: g }) => (g ?? 0) > 0).map(keptFrom('fat')),
])
function keptFrom(part: 'liquid' | 'fat') {
  return (one: Stage) => {
    const params = { n: dish.stages.indexOf(one) + 1, name: t(`dishes.kinds.${one.kind}`) }
    return { id: one.id, part, label: t(part === 'fat' ? 'dishes.stage.fromFat' : 'dishes.stage.fromLiquid', params) }
  }
}
const canJoin = computed(() => joinsWith(dish.stages, stage.value.id) !== null)
const canBeParted = computed(() => canPart(stage.value) && minutesOf(stage.value) >= 2)

/** Half way where nobody has said yet. */
function remind() {
  stage.value.reminders ??= []
  stage.value.reminders.push({ do: 'stir', atMinute: Math.round(minutes.value / 2) })
}

const lineOf = (id: string) => dish.lines.find((line) => line.id === id)
const nameOfLine = (id: string) => lineName(lineOf(id) ?? { what: null, typed: id })
const free = computed(() => dish.lines.filter(({ id }) => !stage.value.takes.some(({ line }) => line === id)))
/** When what it takes goes in, from its beginning. */
const goesInAt = (i: number, minute: number) => (stage.value.takes[i]!.atMinute = minute)
const removeTake = (id: string) => (stage.value.takes = stage.value.takes.filter(({ line }) => line !== id))
</script>

<template>
  <div class="edit">
    <div class="fields">
      <PickField
        v-model="kind"
        :label="t('dishes.stage.kind')"
        :choices="STAGE_KINDS.map((value) => ({ value, title: t(`dishes.kinds.${value}`) }))"
      />
      <NumberField
        v-if="kind !== 'pot'"
        v-model="minutes"
        :label="t('dishes.stage.minutes')"
        bound="stageMinutes"
        :suffix="t('units.min')"
      />
      <NumberField
        v-model="handsMinutes"
        :label="t('dishes.stage.hands')"
        bound="handsMinutes"
        :digits="1"
        :suffix="t('units.min')"
      />
      <PickField
        v-if="kind !== 'pot'"
        v-model="vessel"
        :label="t('dishes.stage.vessel')"
        :choices="VESSELS.map((value) => ({ value, title: t(`dishes.vessels.${value}`) }))"
      />
      <NumberField
        v-if="has('mashesShare')"
        v-model="mashedPercent"
        :label="t('dishes.stage.mashes')"
        bound="percent"
        :digits="1"
        :suffix="t('units.percent')"
      />
      <NumberField
        v-if="has('waterG') && !stage.measured"
        v-model="waterG"
        :label="t('dishes.stage.waterG')"
        quantity="weight"
        bound="liquidG"
        :digits="1"
      />
      <PickField
        v-if="STAGES[kind].flame"
        v-model="flame"
        :label="t('dishes.stage.flame')"
        :choices="FLAMES.map((value) => ({ value, title: t(`pot.flames.${value}`) }))"
      />
      <NumberField
        v-if="has('keepsG')"
        v-model="keepsG"
        :label="t('dishes.stage.keepsG')"
        quantity="weight"
        bound="liquidG"
        :digits="1"
      />
      <NumberField
        v-if="has('keepsFatG')"
        v-model="keepsFatG"
        :label="t('dishes.stage.keepsFatG')"
        quantity="weight"
        bound="liquidG"
        :digits="1"
      />
      <v-checkbox v-if="has('measured') && !has('keepWater')" v-model="measured" :label="t('dishes.stage.measured')" />
      <v-checkbox v-if="has('lid')" v-model="lid" :label="t('dishes.stage.lid')" />
      <PickField
        v-if="has('keepWater')"
        v-model="soakWater"
        :label="t('dishes.propose.of.soakWater')"
        :choices="PROPOSED.soakWater.map((value) => ({ value, title: t(`dishes.propose.soakWater.${value}`) }))"
      />
      <v-checkbox v-if="has('throwsLiquid')" v-model="throwsLiquid" :label="t('dishes.stage.throwAway')" />
      <v-checkbox v-if="has('takesOutPouch')" v-model="pouch" :label="t('dishes.stage.pouch')" />
    </div>
    <PotStageEdit
      v-if="stage.pot"
      v-model="stage.pot"
      :answer="answer?.stages[index]?.pot ?? null"
      :stage="stage"
      :dish="dish"
    />
    <TextField v-model="until" :label="t('dishes.stage.until')" maxlength="1000" />
    <fieldset v-if="earlier.length > 0">
      <legend>{{ t('dishes.stage.from') }}</legend>
      <v-checkbox
        v-for="one in earlier"
        :key="one.id"
        :model-value="goesOn(one.id, 'all')"
        :label="nameOf(one)"
        @update:model-value="toggleFrom(one.id, 'all')"
      />
      <v-checkbox
        v-for="one in keepers"
        :key="`${one.id}-${one.part}`"
        :model-value="goesOn(one.id, one.part)"
        :label="one.label"
        @update:model-value="toggleFrom(one.id, one.part)"
      />
    </fieldset>
    <fieldset>
      <legend>{{ t('dishes.stage.takes') }}</legend>
      <!-- A key in another field leaves these as they are: each holds fields of the library, which cost most to draw. -->
      <div
        v-for="(take, i) in stage.takes"
        :key="take.line"
        v-memo="[i, take, take.g, take.atMinute, kind, nameOfLine(take.line), lineOf(take.line), lineOf(take.line)?.g]"
        class="take"
        :class="{ timed: has('inTurn') }"
      >
        <span>{{ nameOfLine(take.line) }}</span>
        <PortionField
          v-if="lineOf(take.line) && lineOf(take.line)!.g !== null"
          v-model="stage.takes[i]!"
          :line="lineOf(take.line)!"
          :name="nameOfLine(take.line)"
        />
        <NumberField
          v-if="has('inTurn')"
          :model-value="take.atMinute ?? 0"
          :label="t('dishes.stage.atMinute', { name: nameOfLine(take.line) })"
          hide-label
          :prefix="t('dishes.stage.at')"
          bound="stageMinutes"
          :digits="1"
          :suffix="t('units.min')"
          @update:model-value="(minute: number) => goesInAt(i, minute)"
        />
        <IconButton
          :icon="mdiClose"
          :label="t('dishes.lines.remove', { name: nameOfLine(take.line) })"
          @click="removeTake(take.line)"
        />
      </div>
      <PickField
        v-if="free.length > 0"
        model-value=""
        :label="t('dishes.stage.take')"
        :choices="free.map((line) => ({ value: line.id, title: lineName(line) }))"
        @update:model-value="(id) => id && stage.takes.push({ line: String(id) })"
      />
    </fieldset>
    <fieldset v-if="kind !== 'pot'">
      <legend>{{ t('dishes.stage.reminders') }}</legend>
      <div v-for="(reminder, i) in stage.reminders ?? []" :key="i" class="take">
        <PickField
          v-model="reminder.do"
          :label="t('dishes.stage.reminder')"
          :choices="REMINDERS.map((value) => ({ value, title: t(`dishes.reminders.${value}`) }))"
        />
        <NumberField
          v-model="reminder.atMinute"
          :label="t('dishes.stage.reminderAt')"
          bound="stageMinutes"
          :digits="1"
          :suffix="t('units.min')"
        />
        <IconButton :icon="mdiClose" :label="t('dishes.stage.reminderOff')" @click="stage.reminders!.splice(i, 1)" />
      </div>
      <v-btn v-if="(stage.reminders?.length ?? 0) < MOST.reminders" @click="remind">
        {{ t('dishes.stage.reminderAdd') }}
      </v-btn>
    </fieldset>
    <div class="presses">
      <IconButton :icon="mdiArrowUp" :label="t('dishes.stage.up')" :disabled="index === 0" @click="emit('move', -1)" />
      <IconButton
        :icon="mdiArrowDown"
        :label="t('dishes.stage.down')"
        :disabled="index === dish.stages.length - 1"
        @click="emit('move', 1)"
      />
      <v-btn v-if="canJoin" @click="emit('join')">{{ t('dishes.stage.join') }}</v-btn>
      <v-btn v-if="canBeParted" @click="emit('part')">{{ t('dishes.stage.part') }}</v-btn>
      <v-btn @click="emit('remove')">{{ t('dishes.stage.remove') }}</v-btn>
    </div>
  </div>
</template>

<style scoped>
.edit {
  display: grid;
  gap: 16px;
  padding: 14px 0 4px;
}
.fields {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(170px, 1fr));
  gap: 14px 12px;
}
fieldset {
  margin: 0;
  padding: 6px 12px 10px;
  border: 1px solid var(--line);
  border-radius: var(--corner);
}
legend {
  padding: 0 4px;
  color: var(--ink-soft);
  font-size: 13px;
}
.take {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 150px 40px;
  align-items: center;
  gap: 8px;
  margin-bottom: 14px;
}
.take .icon-button {
  grid-column: 3;
}
.take.timed {
  grid-template-columns: minmax(0, 1fr) 150px 130px 40px;
}
.take.timed .icon-button {
  grid-column: 4;
}
@media (max-width: 719px) {
  .take.timed {
    grid-template-columns: 1fr 1fr 40px;
  }
  .take.timed > span {
    grid-column: 1 / -1;
  }
  .take.timed .icon-button {
    grid-column: 3;
  }
}
.presses {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 10px;
}
</style>
