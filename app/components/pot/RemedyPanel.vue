<script setup lang="ts">
import type { PlanAnswer } from '~~/core/program/answer'
import { FREE_LIQUID, FREE_LIQUIDS, type FreeLiquid } from '~~/core/water/liquids'
import { COOKING_FLAMES, type Pinch } from '~~/core/names'
import { openedC } from '~~/core/program/sequence'

/** “It is not done, too thin, too thick”: what repairs the pot once it is open. */
const { answer } = defineProps<{ answer: PlanAnswer }>()
const { t, list, duration, problemText, weight } = useI18nText()
const pot = usePotStore()
const kitchen = useKitchenStore()

type Trouble = 'not-done' | 'too-thin' | 'too-thick'
const trouble = ref<Trouble | null>(null)
const troubles = computed(() =>
  (['not-done', 'too-thin', 'too-thick'] as const)
    .filter((id) => id === 'not-done' || pulses.value)
    .map((id) => ({ id, text: t(`pot.remedy.${id}`) })),
)
const pulses = computed(() => pot.form.items.some((_, i) => pot.foods[i] && textureFamily(pot.foods[i]!) === 'pulse'))

const pinch = ref<Pinch>('firm')
const pinches = computed(() => (['firm', 'hard'] as const).map((value) => ({ value, text: t(`pot.remedy.${value}`) })))
const is = ref<FreeLiquid>('soup')
const liquids = computed(() => {
  const wanted = FREE_LIQUID[pot.form.freeLiquid]
  return FREE_LIQUIDS.filter((one) =>
    trouble.value === 'too-thin' ? FREE_LIQUID[one] > wanted : FREE_LIQUID[one] < wanted,
  ).map((value) => ({ value, text: t(`pot.freeLiquids.${value}`) }))
})
watch(liquids, ([first]) => {
  if (first && !liquids.value.some(({ value }) => value === is.value)) is.value = first.value
})

const asked = computed(() => {
  if (!pot.request || !trouble.value) return null
  return { request: { ...pot.request, given: undefined }, trouble: trouble.value, pinch: pinch.value, is: is.value }
})
const { result } = useWorked(asked, async (work, { request, trouble: what, pinch: felt, is: now }) => {
  const wanted = request.freeLiquid ?? 'drained'
  if (what === 'too-thick') return { what, found: await work.tooThick(request, now, wanted) } as const
  if (what === 'too-thin') {
    const dryG = request.contents.reduce((sum, content) => sum + content.dryG, 0)
    return { what, found: await work.tooThin(request, dryG * (FREE_LIQUID[now] - FREE_LIQUID[wanted])) } as const
  }
  const state = {
    tempC: openedC(request.kitchen.altitudeM),
    freeWaterG: answer.waterLeftG,
    gets: answer.foods.map(({ gets }) => gets),
    pinch: answer.foods.map(() => felt),
    closing: answer.closings.length - 1,
  }
  return { what, found: await work.nextClosing(request, state) } as const
})
const lines = computed(() => {
  const done = result.value
  if (!done || done.what !== trouble.value) return []
  if (!done.found.ok) return done.found.problems.map(problemText)
  if (done.what === 'too-thick') return [t('pot.remedy.add', { grams: weight(done.found.value) })]
  if (done.what === 'too-thin') {
    const minutesOn = done.found.value
    return COOKING_FLAMES.flatMap((flame) => {
      const minutes = minutesOn[flame]
      return minutes === null
        ? []
        : [t('pot.remedy.simmer', { flame: t(`pot.flames.${flame}`), time: duration(minutes) })]
    })
  }
  const { unit, figure, minutes, addWaterG } = done.found.value
  return [
    ...(addWaterG > 0 ? [t('pot.remedy.water', { grams: weight(addWaterG) })] : []),
    t('pot.remedy.more', { figure: t(`pot.elsewhere.${unit}`, { n: figure }, figure), time: duration(minutes) }),
  ]
})
const toggle = (id: Trouble) => (trouble.value = trouble.value === id ? null : id)
const names = computed(() => list(answer.foods.map(({ food }) => kitchen.foodName(food))))
</script>

<template>
  <section class="no-print">
    <h2>{{ t('pot.remedy.title') }}</h2>
    <div class="troubles">
      <v-btn
        v-for="{ id, text } in troubles"
        :key="id"
        :aria-pressed="trouble === id"
        :variant="trouble === id ? 'flat' : 'outlined'"
        :color="trouble === id ? 'primary' : undefined"
        @click="toggle(id)"
      >
        {{ text }}
      </v-btn>
    </div>
    <div v-if="trouble" class="answer">
      <ChoiceBar
        v-if="trouble === 'not-done'"
        v-model="pinch"
        :label="t('pot.remedy.pinch', { foods: names })"
        :choices="pinches"
      />
      <ChoiceBar v-else-if="liquids.length > 0" v-model="is" :label="t('pot.remedy.is')" :choices="liquids" />
      <p v-else>{{ t('pot.remedy.nothing') }}</p>
      <div v-if="trouble === 'not-done' || liquids.length > 0" role="status" class="lines">
        <p v-for="line in lines" :key="line">{{ line }}</p>
      </div>
    </div>
  </section>
</template>

<style scoped>
h2 {
  margin: 0 0 6px;
  font-size: 16px;
}
.troubles {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
}
.troubles .chosen {
  border-color: var(--ink);
  background: var(--ink);
  color: var(--ground);
  font-weight: 700;
}
.answer {
  max-width: 520px;
  margin-top: 10px;
}
.lines {
  margin-top: 10px;
  font-size: 16px;
  font-weight: 600;
}
p {
  margin: 0;
}
</style>
