<script setup lang="ts">
import type { DishLine } from '~~/core/dish/dish.schema'
import type { OptionCosts } from '~~/core/dish/option-costs'
import type { ProposedChoice, ProposedId, ProposedOption, Wanted } from '~~/core/dish/propose'
import { inUse } from '~~/shared/kitchen'
import type { MessageKey } from '~~/locales/bundles'

/** The few things in which cooks differ over a dish, before its stages are built. */
const { choices, costs, lines, canTake } = defineProps<{
  choices: readonly ProposedChoice[]
  /** What the other options would change; null until that is known. */
  costs: OptionCosts | null
  lines: readonly DishLine[]
  /** It can be cooked so. */
  canTake: boolean
}>()
const emit = defineEmits<{ take: [] }>()
const wanted = defineModel<Wanted>({ required: true })
const cookerId = defineModel<string>('cookerId', { required: true })
const { t, list, duration, number } = useI18nText()
const { lineName } = useDishWords()
const kitchen = useKitchen()

const cookers = computed(() => inUse(kitchen.value.cookers).map(({ id, name }) => ({ value: id, text: name })))
const rows = computed(() =>
  choices.map(({ id, lines: of, options, chosen, hours }) => ({
    id,
    chosen,
    title: t(`dishes.propose.of.${id}`, { names: namesOf(of) }),
    options: options.map((value) => ({
      value,
      text: optionText(id, value, hours),
      note: value === chosen ? '' : costText(id, value),
    })),
  })),
)
const namesOf = (ids: readonly string[]) => list(lines.filter(({ id }) => ids.includes(id)).map(lineName))
function optionText(id: ProposedId, option: ProposedOption, hours: ProposedChoice['hours']): string {
  if (id === 'liquid') return t(`pot.freeLiquids.${option as ProposedOption<'liquid'>}`)
  const soaked = id === 'soak' ? hours?.[option as ProposedOption<'soak'>] : undefined
  return t(`dishes.propose.${id}.${option}` as MessageKey, { time: soaked === undefined ? '' : duration(soaked * 60) })
}
/** Shorter or longer by less nobody plans with. */
const NEARLY_MINUTES = 2
function costText(id: ProposedId, option: ProposedOption): string {
  const cost = costs?.[id]?.[option]
  if (!cost) return ''
  if (cost.isRefused) return t('dishes.propose.cost.refused')
  const by = cost.figure?.unit === 'whistles' ? cost.figure.by : 0
  if (by !== 0) {
    const n = Math.abs(by)
    return t(`dishes.propose.cost.${by > 0 ? 'whistlesMore' : 'whistlesLess'}`, { n: number(n) }, n)
  }
  if (Math.abs(cost.minutes) < NEARLY_MINUTES) return ''
  return t(`dishes.propose.cost.${cost.minutes > 0 ? 'longer' : 'shorter'}`, { time: duration(Math.abs(cost.minutes)) })
}
const want = (id: ProposedId, option: ProposedOption) => (wanted.value = { ...wanted.value, [id]: option })
</script>

<template>
  <section class="propose" :aria-label="t('dishes.propose.title')">
    <h2>{{ t('dishes.propose.title') }}</h2>
    <p class="soft">{{ t('dishes.propose.text') }}</p>
    <div class="rows">
      <div v-if="cookers.length > 1" class="row">
        <p>{{ t('dishes.propose.pot') }}</p>
        <ChoiceBar v-model="cookerId" :label="t('dishes.propose.pot')" :choices="cookers" />
      </div>
      <div v-for="row in rows" :key="row.id" class="row">
        <p>{{ row.title }}</p>
        <ChoiceBar
          :model-value="row.chosen"
          :label="row.title"
          :choices="row.options"
          @update:model-value="(option) => want(row.id, option)"
        />
      </div>
    </div>
    <v-btn variant="flat" color="primary" size="large" :disabled="!canTake" class="take" @click="emit('take')">
      {{ t('dishes.propose.take') }}
    </v-btn>
  </section>
</template>

<style scoped>
.propose {
  margin-bottom: 22px;
}
h2 {
  margin: 0;
  font-size: 19px;
}
p {
  margin: 0 0 4px;
}
.rows {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(300px, 1fr));
  gap: 12px 24px;
  margin-top: 12px;
}
.row p::first-letter {
  text-transform: uppercase;
}
.row p {
  font-weight: 600;
}
.take {
  margin-top: 16px;
}
@media (max-width: 719px) {
  .rows {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
