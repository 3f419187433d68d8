<script setup lang="ts">
import { VESSEL_TIMES_RICE } from '~~/core/appliance/kinds/rice'
import { kindOf } from '~~/core/appliance/appliance'
import type { HouseholdCooker } from '~~/shared/kitchen'

/** The figures of one cooker: its name, its inside, and what its weight, switch or heater does. */
const cooker = defineModel<HouseholdCooker>({ required: true })
const { path, errorAt } = defineProps<{ path: string; errorAt: (path: string) => string | null }>()
const { t } = useI18nText()

const appliance = computed(() => cooker.value.cooker.appliance)
const body = computed(() => cooker.value.cooker.body)
/** Rice cookers are sold by the dry rice that they take: the vessel may be given by that. */
const takesRice = computed(() => kindOf(appliance.value).styles[0] === 'rice-cooker')
const riceL = computed({
  get: () => body.value.capacityL / VESSEL_TIMES_RICE,
  set: (litres) => (body.value.capacityL = Number((litres * VESSEL_TIMES_RICE).toFixed(2))),
})

/** The height follows from how much it holds and how wide it is. */
watch(
  () => [body.value.capacityL, body.value.innerDiameterMm] as const,
  ([capacityL, innerDiameterMm]) => {
    const height = Math.round((capacityL * 4e6) / (Math.PI * innerDiameterMm * innerDiameterMm))
    if (Number.isFinite(height)) body.value.innerHeightMm = height
  },
)
const at = (field: string) => errorAt(`${path}.cooker.${field}`)
</script>

<template>
  <div class="fields">
    <TextField
      v-model="cooker.name"
      :label="t('edit.name')"
      class="wide"
      maxlength="60"
      :error="errorAt(`${path}.name`)"
    />
    <NumberField v-if="takesRice" v-model="riceL" :label="t('kitchen.takesRice')" quantity="litres" :digits="2" />
    <NumberField
      v-model="body.capacityL"
      :label="t('kitchen.capacity')"
      quantity="litres"
      bound="capacityL"
      :digits="2"
      :error="at('body.capacityL')"
    />
    <NumberField
      v-model="body.innerDiameterMm"
      :label="t('kitchen.diameter')"
      quantity="length"
      bound="innerDiameterMm"
      :error="at('body.innerDiameterMm')"
    />
    <NumberField
      v-model="body.minimumLiquidG"
      :label="t('kitchen.leastLiquid')"
      quantity="weight"
      bound="minimumLiquidG"
      :digits="1"
      :error="at('body.minimumLiquidG')"
    />
    <template v-if="'liftPa' in appliance">
      <NumberField
        v-model="appliance.liftPa"
        :label="t('kitchen.lift')"
        quantity="pressure"
        bound="liftPa"
        :digits="2"
        :error="at('appliance.liftPa')"
      />
      <NumberField
        v-model="appliance.reseatPa"
        :label="t('kitchen.reseat')"
        quantity="pressure"
        bound="reseatPa"
        :digits="2"
        :error="at('appliance.reseatPa')"
      />
    </template>
    <template v-if="'highPa' in appliance">
      <NumberField
        v-model="appliance.highPa"
        :label="t('kitchen.high')"
        quantity="pressure"
        bound="highPa"
        :digits="2"
        :error="at('appliance.highPa')"
      />
      <NumberField
        v-model="appliance.lowPa"
        :label="t('kitchen.low')"
        quantity="pressure"
        bound="lowPa"
        :digits="2"
        :error="at('appliance.lowPa')"
      />
    </template>
    <NumberField
      v-if="'heaterW' in appliance"
      v-model="appliance.heaterW"
      :label="t('kitchen.heater')"
      suffix="W"
      bound="heaterW"
      :error="at('appliance.heaterW')"
    />
    <p class="soft wide">{{ t('kitchen.genericHint') }}</p>
  </div>
</template>

<style scoped>
.fields {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  align-items: start;
  gap: 14px 10px;
  padding: 10px 0;
}
.wide {
  grid-column: 1 / -1;
}
p {
  margin: 0;
  font-size: 14px;
}
</style>
