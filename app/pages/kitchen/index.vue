<script setup lang="ts">
import { v4 as uuid } from 'uuid'
import { BURNERS } from '~~/core/appliance/burner'
import { COOKERS } from '~~/core/appliance/appliance'
import { VESSEL_TIMES_RICE } from '~~/core/appliance/kinds/rice'
import { boilingC } from '~~/core/steam/steam'
import { inUse } from '~~/shared/kitchen'

/**
 * The kitchen as a kitchen: pots, burners, tins and cups drawn to scale from their own measures. What is touched opens
 * beside them; fields appear where something is to be changed. Which that is stands in the address.
 */
const { t, number, told, temp, day } = useI18nText()
const { draft, undo, redo, canUndo, canRedo, state, errorAt } = useKitchenDraft()
const route = useRoute()
const router = useRouter()

const at = computed(() => (typeof route.query.at === 'string' ? route.query.at : ''))
const panel = useTemplateRef<HTMLElement>('panel')
async function choose(id: string) {
  if (at.value === id) return
  await router.push({ query: id === '' ? {} : { at: id } })
  await nextTick()
  // On a phone it opens under the shelves.
  if (id !== '') panel.value?.scrollIntoView({ block: 'nearest', behavior: 'instant' })
}
const indexOf = (rows: readonly { id: string }[]) => rows.findIndex(({ id }) => id === at.value)
const cookerAt = computed(() => indexOf(draft.value.cookers))
const burnerAt = computed(() => indexOf(draft.value.burners))
const measureAt = computed(() => indexOf(draft.value.measures))
const tinAt = computed(() => indexOf(draft.value.tins))

const cookers = computed(() =>
  inUse(draft.value.cookers).map((cooker) => {
    const test = cooker.tests.at(-1)
    return {
      cooker,
      lines: [
        t(`kitchen.kinds.${cooker.cooker.appliance.kind}`),
        test
          ? t(test.test.remembered ? 'kitchen.rememberedOn' : 'kitchen.measuredOn', { day: day(test.at) })
          : t('kitchen.asMade'),
      ],
    }
  }),
)
const burners = computed(() => inUse(draft.value.burners))
const tins = computed(() => inUse(draft.value.tins))
const measures = computed(() => inUse(draft.value.measures))
/** A cup that nobody has measured across is drawn as a cup of its volume would be. */
const cupMm = (volumeMl: number) => {
  const side = Math.cbrt((volumeMl * 1000 * 4) / Math.PI)
  return { diameterMm: side * 0.96, heightMm: side * 1.08 }
}

const away = computed(() =>
  [draft.value.cookers, draft.value.burners, draft.value.tins, draft.value.measures].flatMap((rows) =>
    (rows as { id: string; name: string; away?: boolean }[]).filter((row) => row.away),
  ),
)
function putAway(row: { away?: boolean | undefined }) {
  row.away = true
  void choose('')
}
function bringBack(id: string) {
  for (const rows of [draft.value.cookers, draft.value.burners, draft.value.tins, draft.value.measures]) {
    const row = (rows as { id: string; away?: boolean }[]).find((one) => one.id === id)
    if (row) delete row.away
  }
}

const litres = (value: number) => number(value, value % 1 ? 1 : 0)
const generics = computed(() =>
  Object.entries(COOKERS).map(([id, { appliance, body }]) => {
    const size = appliance.kind === 'rice' ? Number((body.capacityL / VESSEL_TIMES_RICE).toFixed(1)) : body.capacityL
    const parts = [t(`kitchen.kinds.${appliance.kind}`), `${litres(size)} L`]
    if (id.includes('aluminium')) parts.push(t('kitchen.metals.aluminium'))
    if (id.includes('steel')) parts.push(t('kitchen.metals.steel'))
    if (id.endsWith('-light')) parts.push(t('kitchen.weights.light'))
    if (id.endsWith('-high')) parts.push(t('kitchen.weights.high'))
    const title = parts.join(', ')
    return { text: title, act: () => addCooker(id, parts.slice(0, 2).join(' ')) }
  }),
)
function addCooker(id: string, name: string) {
  const cooker = { id: uuid(), name, cooker: structuredClone(COOKERS[id]!), tests: [] }
  draft.value.cookers.push(cooker)
  void choose(cooker.id)
}
function add<Row extends { id: string }>(rows: Row[], row: Row) {
  rows.push(row)
  void choose(row.id)
}
const addBurner = () =>
  add(draft.value.burners, { id: uuid(), name: t('kitchen.newBurner'), burner: { ...BURNERS.strong } })
const addMeasure = () => add(draft.value.measures, { id: uuid(), name: t('kitchen.newMeasure'), volumeMl: 200 })
const addTin = () =>
  add(draft.value.tins, {
    id: uuid(),
    name: t('kitchen.newTin'),
    diameterMm: 160,
    heightMm: 60,
    volumeMl: 1000,
    lid: false,
    material: 'steel',
  })

useUndoKeys({ undo, redo })
useHead({ title: () => `${t('app.nav.kitchen')} · Bivvet` })
</script>

<template>
  <div class="kitchen" :class="{ open: at !== '' }">
    <div class="shelves">
      <header>
        <h1>{{ draft.name }}</h1>
        <p class="facts soft">
          {{ told(draft.altitudeM, 'height') }} · {{ t('kitchen.boils') }}
          <strong class="figure tone-water">{{ temp(boilingC(draft.altitudeM), 1) }}</strong> ·
          {{ t(draft.hardWater ? 'kitchen.hardWater' : 'kitchen.softWater') }} ·
          {{ t('kitchen.indoors', { temp: temp(draft.roomC) }) }} ·
          <LinkBtn @click="choose('place')">{{ t('kitchen.changePlace') }}</LinkBtn>
          ·
          <LinkBtn @click="choose('likes')">{{ t('kitchen.likes.open') }}</LinkBtn>
          ·
          <NuxtLink to="/kitchen/people" class="link-button">{{ t('kitchen.people') }}</NuxtLink>
        </p>
        <span class="state soft" role="status">{{ t(`saving.state.${state}`) }}</span>
        <v-btn :disabled="!canUndo" @click="undo()">{{ t('edit.undo') }}</v-btn>
        <v-btn :disabled="!canRedo" @click="redo()">{{ t('edit.redo') }}</v-btn>
      </header>
      <SavingNotice :hidden="/^content\.((cookers|burners|measures|tins)\.|(altitudeM|roomC|tapC|name)$)/" />

      <section>
        <h2>{{ t('kitchen.cookers') }}</h2>
        <p v-if="cookers.length === 0" class="soft">{{ t('kitchen.noCookers') }}</p>
        <ul>
          <ShelfThing
            v-for="{ cooker, lines } in cookers"
            :id="cooker.id"
            :key="cooker.id"
            :name="cooker.name"
            :lines="lines"
            :chosen="at === cooker.id"
            @choose="choose(cooker.id)"
          >
            <PotDrawing :cooker="cooker.cooker" />
          </ShelfThing>
        </ul>
        <PressMenu :label="t('kitchen.addCooker')" :presses="generics" class="add" />
      </section>

      <section>
        <h2>{{ t('kitchen.burners') }}</h2>
        <ul>
          <ShelfThing
            v-for="burner in burners"
            :id="burner.id"
            :key="burner.id"
            :name="burner.name"
            :lines="[]"
            :chosen="at === burner.id"
            @choose="choose(burner.id)"
          >
            <FlameDrawing :burner="burner.burner" />
          </ShelfThing>
        </ul>
        <p class="soft hint">{{ t('kitchen.flamesAre') }}</p>
        <v-btn @click="addBurner">{{ t('kitchen.addBurner') }}</v-btn>
      </section>

      <section>
        <h2>{{ t('kitchen.tinsAndCups') }}</h2>
        <p v-if="tins.length === 0" class="soft">{{ t('kitchen.noTins') }}</p>
        <ul>
          <ShelfThing
            v-for="tin in tins"
            :id="tin.id"
            :key="tin.id"
            :name="tin.name"
            :lines="[told(tin.volumeMl, 'volume')]"
            :chosen="at === tin.id"
            @choose="choose(tin.id)"
          >
            <VesselDrawing :diameter-mm="tin.diameterMm" :height-mm="tin.heightMm" />
          </ShelfThing>
          <ShelfThing
            v-for="measure in measures"
            :id="measure.id"
            :key="measure.id"
            :name="measure.name"
            :lines="[told(measure.volumeMl, 'volume')]"
            :chosen="at === measure.id"
            @choose="choose(measure.id)"
          >
            <VesselDrawing v-bind="cupMm(measure.volumeMl)" />
          </ShelfThing>
        </ul>
        <div class="adds">
          <v-btn @click="addTin">{{ t('kitchen.addTin') }}</v-btn>
          <v-btn @click="addMeasure">{{ t('kitchen.addMeasure') }}</v-btn>
        </div>
      </section>

      <section v-if="away.length > 0">
        <h2>{{ t('kitchen.awayTitle') }}</h2>
        <p class="soft hint">{{ t('kitchen.awayHint') }}</p>
        <p v-for="row in away" :key="row.id" class="gone">
          {{ row.name }}
          <LinkBtn :aria-label="t('kitchen.bringBackNamed', { name: row.name })" @click="bringBack(row.id)">
            {{ t('kitchen.bringBack') }}
          </LinkBtn>
        </p>
      </section>
    </div>

    <aside ref="panel" class="panel" :aria-label="t('kitchen.panel')">
      <section v-if="at === 'place'">
        <h2 class="title">{{ t('kitchen.where') }}</h2>
        <PlaceFields v-model="draft" :error-at="errorAt" />
      </section>
      <LikesPanel v-else-if="at === 'likes'" v-model="draft.likes" />
      <CookerPanel
        v-else-if="cookerAt >= 0"
        :key="at"
        v-model="draft.cookers[cookerAt]!"
        :path="`cookers.${cookerAt}`"
        :error-at="errorAt"
        :kitchen="draft"
        @away="putAway(draft.cookers[cookerAt]!)"
      />
      <BurnerPanel
        v-else-if="burnerAt >= 0"
        :key="at"
        v-model="draft.burners[burnerAt]!"
        :path="`burners.${burnerAt}`"
        :error-at="errorAt"
        @away="putAway(draft.burners[burnerAt]!)"
      />
      <section v-else-if="tinAt >= 0" :key="at">
        <h2 class="title">{{ draft.tins[tinAt]!.name }}</h2>
        <TinEdit v-model="draft.tins[tinAt]!" :path="`tins.${tinAt}`" :error-at="errorAt" />
        <p class="soft hint">{{ t('kitchen.tinHint') }}</p>
        <LinkBtn @click="putAway(draft.tins[tinAt]!)">
          {{ t('kitchen.putAway') }}
        </LinkBtn>
      </section>
      <section v-else-if="measureAt >= 0" :key="at" class="measure">
        <h2 class="title">{{ draft.measures[measureAt]!.name }}</h2>
        <TextField
          v-model="draft.measures[measureAt]!.name"
          :label="t('edit.name')"
          maxlength="60"
          :error="errorAt(`measures.${measureAt}.name`)"
        />
        <NumberField
          v-model="draft.measures[measureAt]!.volumeMl"
          :label="t('kitchen.holds')"
          quantity="volume"
          bound="measureMl"
          :digits="1"
          :error="errorAt(`measures.${measureAt}.volumeMl`)"
        />
        <p class="soft hint">{{ t('kitchen.measureHint') }}</p>
        <LinkBtn @click="putAway(draft.measures[measureAt]!)">
          {{ t('kitchen.putAway') }}
        </LinkBtn>
      </section>
      <p v-else class="soft none">{{ t('kitchen.touch') }}</p>
    </aside>
  </div>
</template>

<style scoped>
.kitchen {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 364px;
  min-height: calc(100vh - 53px);
}
.shelves {
  min-width: 0;
  padding: 16px 32px 56px;
}
.panel {
  min-width: 0;
  padding: 18px 24px 40px;
  border-inline-start: 1px solid var(--line);
}
header {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px 14px;
}
h1 {
  margin: 0;
  font-size: 21px;
}
.facts {
  flex: 1 1 320px;
  margin: 0;
  font-size: 15px;
  line-height: 26px;
}
.facts .figure {
  font-size: 20px;
  line-height: 0;
}
/* Fonts, which may come later, must not move the shelves. */
.facts .link-button {
  line-height: 22px;
  vertical-align: top;
}
section {
  margin-top: 10px;
}
.panel section {
  margin-top: 0;
}
h2 {
  margin: 0;
  font-size: 15px;
  font-weight: 400;
  color: var(--ink-soft);
}
.title {
  margin-bottom: 12px;
  color: var(--ink);
  font-size: 21px;
  font-weight: 700;
}
/* A shelf: things stand on its line. */
ul {
  display: flex;
  flex-wrap: wrap;
  align-items: stretch;
  gap: 4px 14px;
  margin: 0 0 10px;
  padding: 0;
  border-bottom: 2px solid var(--ink);
  list-style: none;
}
.add {
  max-width: 380px;
}
.adds {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
}
.hint {
  margin: 6px 0 10px;
  font-size: 14px;
}
.gone {
  display: flex;
  gap: 14px;
  margin: 0;
}
.measure {
  display: grid;
  gap: 14px;
  justify-items: stretch;
}
.measure .link-button {
  justify-self: start;
}
.none {
  margin: 0;
}
@media (max-width: 999px) {
  .kitchen {
    grid-template-columns: minmax(0, 1fr);
  }
  .panel {
    border-inline-start: 0;
    border-top: 1px solid var(--line);
  }
  /* What was touched comes first where there is no room beside. */
  .open .panel {
    order: -1;
    border-top: 0;
    border-bottom: 1px solid var(--line);
  }
}
@media (max-width: 719px) {
  .shelves {
    padding: 14px 16px 40px;
  }
  .panel {
    padding: 14px 16px 24px;
  }
}
</style>
