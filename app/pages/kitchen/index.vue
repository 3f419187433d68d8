<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { v4 as uuid } from 'uuid'
import { BURNERS } from '~~/core/appliance/burner'
import { COOKERS } from '~~/core/appliance/appliance'
import { FLAMES } from '~~/core/names'

const { t, number } = useI18nText()
const { draft, undo, redo, canUndo, canRedo, state, errorAt } = useKitchenDraft()

const generic = ref<string | null>(null)
const generics = computed(() =>
  Object.entries(COOKERS).map(([id, { appliance, body }]) => {
    const parts = [t(`kitchen.kinds.${appliance.kind}`), `${number(body.capacityL, body.capacityL % 1 ? 1 : 0)} L`]
    if (id.includes('aluminium')) parts.push(t('kitchen.metals.aluminium'))
    if (id.includes('steel')) parts.push(t('kitchen.metals.steel'))
    if (id.endsWith('-light')) parts.push(t('kitchen.weights.light'))
    if (id.endsWith('-high')) parts.push(t('kitchen.weights.high'))
    return { value: id, title: parts.join(', ') }
  }),
)
function addCooker(id: string | null) {
  if (!id) return
  const title = generics.value.find(({ value }) => value === id)!.title
  draft.value.cookers.push({
    id: uuid(),
    name: title.split(',').slice(0, 2).join(''),
    cooker: structuredClone(COOKERS[id]!),
    tests: [],
  })
  generic.value = null
}
const addBurner = () =>
  draft.value.burners.push({ id: uuid(), name: t('kitchen.newBurner'), burner: { ...BURNERS.strong } })
const addMeasure = () => draft.value.measures.push({ id: uuid(), name: t('kitchen.newMeasure'), volumeMl: 200 })
const addTin = () =>
  draft.value.tins.push({
    id: uuid(),
    name: t('kitchen.newTin'),
    diameterMm: 160,
    heightMm: 60,
    volumeMl: 1000,
    lid: false,
    material: 'steel',
  })
function remove(rows: { id: string }[], id: string) {
  rows.splice(
    rows.findIndex((row) => row.id === id),
    1,
  )
}

useEventListener(window, 'keydown', (event: KeyboardEvent) => {
  // In a text field the browser's own undo is the one that is meant.
  if (!(event.ctrlKey || event.metaKey) || (event.target as HTMLElement).closest('input, textarea')) return
  if (event.key.toLowerCase() !== 'z') return
  event.preventDefault()
  if (event.shiftKey) redo()
  else undo()
})
useHead({ title: () => `${t('app.nav.kitchen')} · Bivvet` })
</script>

<template>
  <div class="kitchen">
    <header>
      <h1>{{ t('app.nav.kitchen') }}</h1>
      <span class="state soft" role="status">{{ t(`saving.state.${state}`) }}</span>
      <span class="gap" />
      <v-btn variant="outlined" :disabled="!canUndo" @click="undo()">{{ t('edit.undo') }}</v-btn>
      <v-btn variant="outlined" :disabled="!canRedo" @click="redo()">{{ t('edit.redo') }}</v-btn>
    </header>
    <SavingNotice :hidden="/^kitchen\.((cookers|burners|measures|tins)\.|(altitudeM|roomC|tapC|name)$)/" />

    <section>
      <h2>{{ t('kitchen.where') }}</h2>
      <PlaceFields v-model="draft" :error-at="errorAt" />
    </section>

    <section>
      <h2>{{ t('kitchen.cookers') }}</h2>
      <p v-if="draft.cookers.length === 0" class="soft">{{ t('kitchen.noCookers') }}</p>
      <CookerEdit
        v-for="(cooker, i) in draft.cookers"
        :key="cooker.id"
        v-model="draft.cookers[i]!"
        :path="`cookers.${i}`"
        :error-at="errorAt"
        :burners="draft.burners"
        @remove="remove(draft.cookers, cooker.id)"
      />
      <v-autocomplete
        v-model="generic"
        :items="generics"
        :label="t('kitchen.addCooker')"
        class="add"
        @update:model-value="addCooker"
      />
      <p class="soft hint">{{ t('kitchen.genericHint') }}</p>
    </section>

    <section>
      <h2>{{ t('kitchen.burners') }}</h2>
      <div v-for="(burner, i) in draft.burners" :key="burner.id" class="fields lined">
        <v-text-field
          v-model="burner.name"
          :label="t('edit.name')"
          maxlength="60"
          :error-messages="errorAt(`burners.${i}.name`) ?? []"
        />
        <NumberField
          v-for="flame in FLAMES"
          :key="flame"
          v-model="burner.burner[flame]"
          :label="t(`pot.flames.${flame}`)"
          suffix="W"
          :error="errorAt(`burners.${i}.burner.${flame}`)"
        />
        <v-btn
          variant="text"
          size="small"
          :aria-label="t('edit.removeNamed', { name: burner.name })"
          @click="remove(draft.burners, burner.id)"
        >
          {{ t('edit.remove') }}
        </v-btn>
      </div>
      <v-btn variant="outlined" @click="addBurner">{{ t('kitchen.addBurner') }}</v-btn>
      <p class="soft hint">{{ t('kitchen.burnerHint') }}</p>
    </section>

    <section>
      <h2>{{ t('kitchen.measures') }}</h2>
      <div v-for="(measure, i) in draft.measures" :key="measure.id" class="fields lined short">
        <v-text-field
          v-model="measure.name"
          :label="t('edit.name')"
          maxlength="60"
          :error-messages="errorAt(`measures.${i}.name`) ?? []"
        />
        <NumberField
          v-model="measure.volumeMl"
          :label="t('kitchen.holds')"
          suffix="ml"
          :error="errorAt(`measures.${i}.volumeMl`)"
        />
        <v-btn
          variant="text"
          size="small"
          :aria-label="t('edit.removeNamed', { name: measure.name })"
          @click="remove(draft.measures, measure.id)"
        >
          {{ t('edit.remove') }}
        </v-btn>
      </div>
      <v-btn variant="outlined" @click="addMeasure">{{ t('kitchen.addMeasure') }}</v-btn>
      <p class="soft hint">{{ t('kitchen.measureHint') }}</p>
    </section>

    <section>
      <h2>{{ t('kitchen.tins') }}</h2>
      <p v-if="draft.tins.length === 0" class="soft">{{ t('kitchen.noTins') }}</p>
      <TinEdit
        v-for="(tin, i) in draft.tins"
        :key="tin.id"
        v-model="draft.tins[i]!"
        :path="`tins.${i}`"
        :error-at="errorAt"
        @remove="remove(draft.tins, tin.id)"
      />
      <v-btn variant="outlined" @click="addTin">{{ t('kitchen.addTin') }}</v-btn>
      <p class="soft hint">{{ t('kitchen.tinHint') }}</p>
    </section>
  </div>
</template>

<style scoped>
.kitchen {
  max-width: 1120px;
  padding: 16px 24px 56px;
}
header {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 10px 14px;
}
h1 {
  margin: 0;
  font-size: 21px;
}
.gap {
  flex: 1;
}
section {
  margin-top: 26px;
}
h2 {
  margin: 0 0 16px;
  padding-bottom: 6px;
  border-bottom: 2px solid var(--ink);
  font-size: 17px;
}
.fields {
  display: grid;
  grid-template-columns: minmax(150px, 1.6fr) repeat(auto-fit, minmax(112px, 1fr));
  align-items: start;
  gap: 10px;
}
.lined {
  padding: 10px 0;
  border-bottom: 1px solid var(--line);
}
.lined:last-of-type {
  margin-bottom: 12px;
}
.short {
  grid-template-columns: minmax(150px, 260px) 140px auto;
  justify-content: start;
}
.add {
  max-width: 460px;
  margin-top: 14px;
}
.hint {
  margin: 8px 0 0;
  max-width: 70ch;
  font-size: 14px;
}
@media (max-width: 719px) {
  .kitchen {
    padding: 14px 16px 40px;
  }
  .fields {
    grid-template-columns: 1fr 1fr;
  }
  .fields > :first-child {
    grid-column: 1 / -1;
  }
  .short {
    grid-template-columns: 1fr 110px auto;
  }
  .short > :first-child {
    grid-column: auto;
  }
}
</style>
