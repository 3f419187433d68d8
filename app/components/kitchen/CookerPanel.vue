<script setup lang="ts">
import { holdsPressure, kindOf } from '~~/core/appliance/appliance'
import { BURNERS } from '~~/core/appliance/burner'
import { MOST } from '~~/core/bounds'
import { characterOf } from '~~/core/program/character'
import { inUse, measuredCooker, type HouseholdCooker, type Kitchen } from '~~/shared/kitchen'

/** One cooker: how it behaves, how to measure it, and its figures where they are to be changed. */
const cooker = defineModel<HouseholdCooker>({ required: true })
const { path, errorAt, kitchen } = defineProps<{
  path: string
  errorAt: (path: string) => string | null
  kitchen: Kitchen
}>()
defineEmits<{ away: [] }>()
const { t, number, dayOf } = useI18nText()

const burner = computed(() => inUse(kitchen.burners)[0] ?? null)
const character = computed(() => {
  const measured = measuredCooker(cooker.value, burner.value)
  try {
    return characterOf(measured.cooker.appliance, measured.burner ?? BURNERS.strong, kitchen)
  } catch {
    // Figures that are being typed may be no pot yet; their fields say so.
    return null
  }
})
const minutes = (value: number) => t('units.minuteCount', { n: number(value) })
const lines = computed(() => {
  if (!character.value) return []
  const { readyMinutes, everyS, fallMinutes } = character.value
  const ready = everyS !== null ? 'whistle' : holdsPressure(cooker.value.cooker.appliance) ? 'pressure' : 'boils'
  return [
    {
      label: t(`kitchen.behaves.${ready}`),
      value: readyMinutes === null ? t('kitchen.behaves.never') : minutes(readyMinutes),
    },
    ...(everyS === null
      ? []
      : [{ label: t('kitchen.behaves.every'), value: t('pot.answer.seconds', { n: number(everyS) }) }]),
    ...(fallMinutes === null ? [] : [{ label: t('kitchen.behaves.falls'), value: minutes(fallMinutes) }]),
  ]
})
/** A new gasket: what the log has learnt of its loss begins anew. */
const gasketOn = computed(() => cooker.value.gaskets?.at(-1) ?? null)
const { today } = useToday()
function newGasket() {
  const before = (cooker.value.gaskets ?? []).filter((on) => on !== today())
  cooker.value.gaskets = [...before, today()].slice(-MOST.gaskets)
}
const takeBack = () => (cooker.value.gaskets = cooker.value.gaskets?.slice(0, -1))
const showFields = ref(false)
const showMemory = ref(false)
</script>

<template>
  <section>
    <h2>{{ cooker.name }}</h2>
    <p class="soft">{{ t(`kitchen.kinds.${cooker.cooker.appliance.kind}`) }}</p>
    <PotSection :cooker="cooker.cooker" />
    <dl>
      <div v-for="{ label, value } in lines" :key="label">
        <dt>{{ label }}</dt>
        <dd class="figure">{{ value }}</dd>
      </div>
    </dl>
    <v-btn variant="flat" :to="`/kitchen/test/${cooker.id}`" color="primary" size="large" block>{{
      t('kitchen.test.go')
    }}</v-btn>
    <p class="links">
      <LinkBtn
        v-if="kindOf(cooker.cooker.appliance).tells === 'whistles'"
        :aria-expanded="showMemory"
        @click="showMemory = !showMemory"
      >
        {{ t('kitchen.memory.open') }}
      </LinkBtn>
      <LinkBtn :aria-expanded="showFields" @click="showFields = !showFields">
        {{ t('kitchen.change') }}
      </LinkBtn>
      <LinkBtn v-if="holdsPressure(cooker.cooker.appliance)" @click="newGasket">
        {{ t('kitchen.gasket.new') }}
      </LinkBtn>
      <LinkBtn @click="$emit('away')">{{ t('kitchen.putAway') }}</LinkBtn>
    </p>
    <p v-if="gasketOn" class="soft" role="status">
      {{ t('kitchen.gasket.on', { day: dayOf(gasketOn) }) }}
      <LinkBtn @click="takeBack">{{ t('kitchen.gasket.undo') }}</LinkBtn>
    </p>
    <MemoryForm v-if="showMemory" v-model="cooker" :burner="burner" :kitchen="kitchen" @done="showMemory = false" />
    <CookerEdit v-if="showFields" v-model="cooker" :path="path" :error-at="errorAt" />
    <CookerMeasured v-model="cooker" :burners="kitchen.burners" />
  </section>
</template>

<style scoped>
h2,
p {
  margin: 0;
}
h2 {
  font-size: 21px;
}
dl {
  margin: 6px 0 14px;
}
dl > div {
  display: flex;
  justify-content: space-between;
  gap: 12px;
  padding: 8px 0;
  border-top: 1px solid var(--line);
}
dt,
dd {
  margin: 0;
}
dd {
  font-size: 22px;
  white-space: nowrap;
}
.links {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 18px;
  margin: 10px 0;
}
</style>
