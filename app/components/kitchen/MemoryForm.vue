<script setup lang="ts">
import { v4 as uuid } from 'uuid'
import { COOKING_FLAMES, type FlameName } from '~~/core/names'
import { usualTestWaterG } from '~~/core/appliance/test-guide'
import { BURNERS } from '~~/core/appliance/burner'
import { rememberedTest } from '~~/core/learn/remembered'
import { MOST } from '~~/core/bounds'
import type { HouseholdBurner, HouseholdCooker, Kitchen } from '~~/shared/kitchen'

/** What a cook remembers of a whistling pot: when the first whistle comes, and how far apart the others. */
const cooker = defineModel<HouseholdCooker>({ required: true })
const { burner, kitchen } = defineProps<{ burner: HouseholdBurner | null; kitchen: Kitchen }>()
const emit = defineEmits<{ done: [] }>()
const { t, problemText } = useI18nText()

const waterG = ref(usualTestWaterG(cooker.value.cooker.body.capacityL))
const firstMinute = ref(12)
const everyS = ref(80)
const flame = ref<FlameName>('medium')
const flames = computed(() => COOKING_FLAMES.map((value) => ({ value, text: t(`pot.flames.${value}`) })))
const problem = ref('')
const working = ref(false)

async function keep() {
  problem.value = ''
  working.value = true
  try {
    const { altitudeM, roomC, tapC } = kitchen
    const test = rememberedTest({
      waterG: waterG.value,
      firstMinute: firstMinute.value,
      everyMinutes: everyS.value / 60,
      flame: flame.value,
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
    const { kind: _, ...figures } = appliance
    const was = before.appliance as unknown as Record<string, number>
    const changed = Object.fromEntries(Object.entries(figures).filter(([key, value]) => was[key] !== value))
    cooker.value.tests = [
      ...cooker.value.tests,
      {
        id: uuid(),
        at: serverNow(),
        burnerId: burner?.id ?? null,
        test,
        fitted: { appliance: changed, burner: burner ? fitted : null, heatSpread },
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
    <v-btn type="submit" color="primary" :loading="working">{{ t('kitchen.memory.keep') }}</v-btn>
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
