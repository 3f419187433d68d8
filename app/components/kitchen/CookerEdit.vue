<script setup lang="ts">
import type { HouseholdBurner, HouseholdCooker } from '~~/shared/kitchen'

/** One cooker: its name, its inside, and what its weight, switch or heater does. */
const cooker = defineModel<HouseholdCooker>({ required: true })
const { path, errorAt, burners } = defineProps<{
  path: string
  errorAt: (path: string) => string | null
  burners: readonly HouseholdBurner[]
}>()
defineEmits<{ remove: [] }>()
const { t } = useI18nText()

const appliance = computed(() => cooker.value.cooker.appliance)
const body = computed(() => cooker.value.cooker.body)

/** The height follows from how much it holds and how wide it is. */
watch(
  () => [body.value.capacityL, body.value.innerDiameterMm] as const,
  ([capacityL, innerDiameterMm]) => {
    const height = Math.round((capacityL * 4e6) / (Math.PI * innerDiameterMm * innerDiameterMm))
    if (Number.isFinite(height)) body.value.innerHeightMm = height
  },
)
/** A pressure of the appliance in kPa, as cooks find it in the manual. */
const kilopascals = (field: 'liftPa' | 'reseatPa' | 'highPa' | 'lowPa') =>
  computed({
    get: () => (appliance.value as unknown as Record<string, number>)[field]! / 1000,
    set: (value) => ((appliance.value as unknown as Record<string, number>)[field] = value * 1000),
  })
const lift = kilopascals('liftPa')
const reseat = kilopascals('reseatPa')
const high = kilopascals('highPa')
const low = kilopascals('lowPa')
const at = (field: string) => errorAt(`${path}.cooker.${field}`)
</script>

<template>
  <fieldset class="cooker">
    <legend class="soft">{{ t(`kitchen.kinds.${appliance.kind}`) }}</legend>
    <v-text-field
      v-model="cooker.name"
      :label="t('edit.name')"
      class="name"
      maxlength="60"
      :error-messages="errorAt(`${path}.name`) ?? []"
    />
    <NumberField v-model="body.capacityL" :label="t('kitchen.capacity')" suffix="L" :error="at('body.capacityL')" />
    <NumberField
      v-model="body.innerDiameterMm"
      :label="t('kitchen.diameter')"
      suffix="mm"
      :error="at('body.innerDiameterMm')"
    />
    <NumberField
      v-model="body.minimumLiquidG"
      :label="t('kitchen.leastLiquid')"
      :suffix="t('units.g')"
      :error="at('body.minimumLiquidG')"
    />
    <template v-if="'liftPa' in appliance">
      <NumberField v-model="lift" :label="t('kitchen.lift')" suffix="kPa" :error="at('appliance.liftPa')" />
      <NumberField v-model="reseat" :label="t('kitchen.reseat')" suffix="kPa" :error="at('appliance.reseatPa')" />
    </template>
    <template v-if="'highPa' in appliance">
      <NumberField v-model="high" :label="t('kitchen.high')" suffix="kPa" :error="at('appliance.highPa')" />
      <NumberField v-model="low" :label="t('kitchen.low')" suffix="kPa" :error="at('appliance.lowPa')" />
    </template>
    <NumberField
      v-if="'heaterW' in appliance"
      v-model="appliance.heaterW"
      :label="t('kitchen.heater')"
      suffix="W"
      :error="at('appliance.heaterW')"
    />
    <v-btn
      variant="text"
      size="small"
      class="remove"
      :aria-label="t('edit.removeNamed', { name: cooker.name })"
      @click="$emit('remove')"
    >
      {{ t('edit.remove') }}
    </v-btn>
    <CookerMeasured v-model="cooker" :burners="burners" class="measured" />
  </fieldset>
</template>

<style scoped>
.cooker {
  display: grid;
  grid-template-columns: minmax(150px, 1.6fr) repeat(auto-fit, minmax(130px, 1fr));
  align-items: start;
  gap: 10px;
  margin: 0;
  padding: 4px 0 14px;
  border: 0;
  border-bottom: 1px solid var(--line);
}
legend {
  padding: 6px 0 8px;
  font-size: 14px;
}
.measured {
  grid-column: 1 / -1;
}
.remove {
  justify-self: end;
}
@media (max-width: 719px) {
  .cooker {
    grid-template-columns: 1fr 1fr;
  }
  .name {
    grid-column: 1 / -1;
  }
}
</style>
