<script setup lang="ts">
import { v4 as uuid } from 'uuid'
import { COOKING_FLAMES, type FlameName } from '~~/core/names'
import { changedFigures } from '~~/core/appliance/appliance'
import { BURNERS } from '~~/core/appliance/burner'
import { rememberedTest } from '~~/core/learn/remembered'
import { MOST } from '~~/core/bounds'
import type { HouseholdBurner, HouseholdCooker, Kitchen } from '~~/shared/kitchen'

/** What a cook remembers of a whistling pot: when the first whistle comes, and how far apart the others. */
const cooker = defineModel<HouseholdCooker>({ required: true })
const { burner, kitchen } = defineProps<{ burner: HouseholdBurner | null; kitchen: Kitchen }>()
const emit = defineEmits<{ done: [] }>()
const { t, number, problemText } = useI18nText()

// Nothing is filled in: what nobody remembers must not be taken for a memory.
const waterG = ref(NaN)
const firstMinute = ref(NaN)
const everyS = ref(NaN)
const flame = ref<FlameName | ''>('')
const flames = computed(() => COOKING_FLAMES.map((value) => ({ value, text: t(`pot.flames.${value}`) })))
const problem = ref('')
/** What the figures would make of the flame, where hardly any burner is like that: asked about once. */
const doubt = ref('')
const working = ref(false)
watch([waterG, firstMinute, everyS, flame], () => (problem.value = doubt.value = ''))

/** Beyond this factor of what is usual a memory is asked about (engineering estimate: two deviations of a flame). */
const DOUBTFUL = 1.65

async function keep() {
  problem.value = ''
  if (!flame.value || ![waterG.value, firstMinute.value, everyS.value].every(Number.isFinite)) {
    problem.value = t('kitchen.memory.missing')
    return
  }
  const on = flame.value
  working.value = true
  try {
    const { altitudeM, roomC, tapC } = kitchen
    const test = rememberedTest({
      waterG: waterG.value,
      firstMinute: firstMinute.value,
      everyMinutes: everyS.value / 60,
      flame: on,
      startC: tapC,
      place: { altitudeM, roomC },
    })
    const before = { appliance: cooker.value.cooker.appliance, burner: burner?.burner ?? BURNERS.strong }
    const plain = JSON.parse(JSON.stringify({ test, before })) as { test: typeof test; before: typeof before }
    const found = await useWorker().fitWaterTest(plain.test, plain.before)
    if (!found.ok) {
      problem.value = problemText(found.problems[0]!)
      return
    }
    const { appliance, burner: fitted, heatSpread } = found.value
    const times = fitted[on] / before.burner[on]
    if (!doubt.value && (times > DOUBTFUL || times < 1 / DOUBTFUL)) {
      const name = t(`pot.flames.${on}`)
      doubt.value = t('kitchen.memory.doubt', {
        flame: name,
        now: number(fitted[on]),
        usual: number(before.burner[on]),
      })
      return
    }
    cooker.value.tests = [
      ...cooker.value.tests,
      {
        id: uuid(),
        at: serverNow(),
        burnerId: burner?.id ?? null,
        test,
        fitted: { appliance: changedFigures(before.appliance, appliance), burner: burner ? fitted : null, heatSpread },
      },
    ].slice(-MOST.tests)
    emit('done')
  } finally {
    working.value = false
  }
}
</script>

<template>
  <form class="memory" @submit.prevent="keep">
    <p class="soft">{{ t('kitchen.memory.text') }}</p>
    <ChoiceBar v-model="flame" :label="t('pot.rows.flame')" :choices="flames" />
    <NumberField v-model="waterG" :label="t('kitchen.memory.water')" quantity="weight" bound="testWaterG" :digits="1" />
    <NumberField
      v-model="firstMinute"
      :label="t('kitchen.memory.first')"
      :suffix="t('units.min')"
      bound="testMinute"
      :digits="1"
    />
    <NumberField v-model="everyS" :label="t('kitchen.memory.every')" suffix="s" :digits="0" />
    <p v-if="problem" class="tone-danger" role="alert">{{ problem }}</p>
    <p v-if="doubt" role="alert">{{ doubt }}</p>
    <v-btn variant="flat" type="submit" color="primary" :loading="working">{{
      t(doubt ? 'kitchen.memory.sure' : 'kitchen.memory.keep')
    }}</v-btn>
  </form>
</template>

<style scoped>
.memory {
  display: grid;
  gap: 14px;
  padding: 8px 0 14px;
}
p {
  margin: 0;
  font-size: 14.5px;
}
</style>
