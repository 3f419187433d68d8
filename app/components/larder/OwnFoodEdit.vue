<script setup lang="ts">
import type { Food } from '~~/core/food/food.schema'
import type { OwnFood } from '~~/shared/kitchen'

/** The figures of a food of one's own, each beside the one it was started from. */
const own = defineModel<OwnFood>({ required: true })
const { path, errorAt, basedOn } = defineProps<{
  path: string
  errorAt: (path: string) => string | null
  basedOn: Food | null
}>()
const { t, number, weight } = useI18nText()

const figures = computed(() => own.value.figures)
const WINDOW = ['firm', 'tender', 'soft', 'max'] as const
const cup = computed({
  get: () => figures.value.cupG ?? 0,
  set: (value) => (own.value.figures.cupG = value),
})
const was = (value: number | null | undefined, digits = 0) =>
  value === null || value === undefined ? '' : t('larder.was', { n: number(value, digits) })
const froths = computed(() =>
  ([0, 1, 2] as const).map((value) => ({ value: String(value), text: t(`larder.froths.${value}`) })),
)
const froth = computed({
  get: () => String(figures.value.froth),
  set: (value) => (own.value.figures.froth = Number(value) as 0 | 1 | 2),
})
const windowError = computed(() => errorAt(`${path}.figures.boilMinutes`))
</script>

<template>
  <div class="fields">
    <TextField
      v-model="own.name"
      :label="t('edit.name')"
      maxlength="60"
      :error="errorAt(`${path}.name`)"
      class="wide"
    />
    <div v-for="key in WINDOW" :key="key">
      <NumberField
        v-model="own.figures.boilMinutes[key]"
        :label="key === 'max' ? t('window.lost') : t(`pot.textures.pulse.${key}`)"
        :suffix="t('larder.bm')"
        :error="windowError"
      />
      <span class="soft">{{ was(basedOn?.boilMinutes[key]) }}</span>
    </div>
    <div v-if="figures.cupG !== null">
      <NumberField
        v-model="cup"
        :label="t('larder.cup')"
        quantity="weight"
        :digits="1"
        :error="errorAt(`${path}.figures.cupG`)"
      />
      <span v-if="basedOn?.cupG" class="soft">{{ t('larder.was', { n: weight(basedOn.cupG) }) }}</span>
    </div>
    <div>
      <NumberField
        v-model="own.figures.uptakeTender"
        :label="t('larder.uptake')"
        :suffix="t('larder.perG')"
        :error="errorAt(`${path}.figures.uptakeTender`)"
      />
      <span class="soft">{{ was(basedOn?.uptakeTender, 2) }}</span>
    </div>
    <template v-if="own.figures.soak">
      <div>
        <NumberField
          v-model="own.figures.soak.halfHours"
          :label="t('larder.halfHours')"
          :suffix="t('units.h')"
          :error="errorAt(`${path}.figures.soak.halfHours`)"
        />
        <span class="soft">{{ was(basedOn?.soak?.halfHours, 1) }}</span>
      </div>
      <div>
        <NumberField
          v-model="own.figures.soak.dryPenalty"
          :label="t('larder.dryPenalty')"
          :error="errorAt(`${path}.figures.soak.dryPenalty`)"
        />
        <span class="soft">{{ was(basedOn?.soak?.dryPenalty, 2) }}</span>
      </div>
    </template>
    <div class="wide">
      <ChoiceBar v-model="froth" :label="t('larder.froth')" :choices="froths" />
    </div>
  </div>
</template>

<style scoped>
.fields {
  display: grid;
  grid-template-columns: repeat(4, minmax(0, 1fr));
  gap: 14px 12px;
}
.wide {
  grid-column: span 2;
}
.fields > :first-child {
  grid-column: 1 / -1;
  max-width: 420px;
}
.soft {
  font-size: 13.5px;
}
@media (max-width: 719px) {
  .fields {
    grid-template-columns: 1fr 1fr;
  }
}
</style>
