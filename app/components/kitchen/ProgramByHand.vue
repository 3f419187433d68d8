<script setup lang="ts">
import { v4 as uuid } from 'uuid'
import { programByHand, type ToldAppliance, type ToldProgram } from '~~/core/appliance/program-by-hand'
import type { FixedProgram } from '~~/core/appliance/kind'
import { checkCooker } from '~~/core/pot/check'

/** A program under pressure written down from a device's manual, without measuring it. */
const { appliance, altitudeM } = defineProps<{ appliance: ToldAppliance; altitudeM: number }>()
const emit = defineEmits<{ keep: [program: FixedProgram] }>()
const { t, weight, problemText } = useI18nText()

const name = ref('')
const told = ref<ToldProgram>({ heatsMinutes: 12, cooksMinutes: 30, fallsMinutes: 15, pressure: 'high' })
const program = computed(() => programByHand(appliance, told.value, { altitudeM }))
const problems = computed(() => [
  ...new Set(
    checkCooker({ appliance, fixedPrograms: [{ id: 'told', name: name.value, ...program.value }] }).map(problemText),
  ),
])
const canKeep = computed(() => name.value.trim() !== '' && problems.value.length === 0)
const keep = () => emit('keep', { id: uuid(), name: name.value.trim(), ...program.value })
</script>

<template>
  <section class="by-hand">
    <h2>{{ t('kitchen.program.byHand.title') }}</h2>
    <p class="soft">{{ t('kitchen.program.byHand.text') }}</p>
    <div class="fields">
      <TextField v-model="name" :label="t('kitchen.program.byHand.name')" maxlength="60" />
      <PickField
        v-model="told.pressure"
        :label="t('kitchen.program.byHand.pressure')"
        :choices="
          (['high', 'low'] as const).map((value) => ({ value, title: t(`kitchen.program.byHand.pressures.${value}`) }))
        "
      />
      <NumberField
        v-model="told.heatsMinutes"
        :label="t('kitchen.program.byHand.heats')"
        bound="minutes"
        :suffix="t('units.min')"
      />
      <NumberField
        v-model="told.cooksMinutes"
        :label="t('kitchen.program.byHand.cooks')"
        bound="minutes"
        :suffix="t('units.min')"
      />
      <NumberField
        v-model="told.fallsMinutes"
        :label="t('kitchen.program.byHand.falls')"
        bound="minutes"
        :suffix="t('units.min')"
      />
    </div>
    <p>{{ t('kitchen.program.byHand.steam', { g: weight(program.steamG) }) }}</p>
    <div v-if="problems.length > 0" role="alert">
      <p v-for="text in problems" :key="text">{{ text }}</p>
    </div>
    <v-btn size="large" :disabled="!canKeep" @click="keep">{{ t('kitchen.program.keep') }}</v-btn>
  </section>
</template>

<style scoped>
.by-hand {
  display: grid;
  justify-items: start;
  gap: 12px;
  max-width: 620px;
  margin-top: 28px;
  padding-top: 14px;
  border-top: 1px solid var(--line);
}
h2 {
  margin: 0;
  font-size: 21px;
}
p {
  margin: 0;
}
.fields {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(190px, 1fr));
  gap: 14px 12px;
  width: 100%;
}
</style>
