<script setup lang="ts">
import { COOKING_FLAMES } from '~~/core/names'
import { heatsItself } from '~~/core/appliance/appliance'
import type { HouseholdBurner, HouseholdCooker } from '~~/shared/kitchen'

/** What water tests and measured programs have told of a cooker, how to measure it, and how to forget it. */
const cooker = defineModel<HouseholdCooker>({ required: true })
const { burners } = defineProps<{ burners: readonly HouseholdBurner[] }>()
const { t, number, day } = useI18nText()

const burnerName = (id: string | null) => burners.find((burner) => burner.id === id)?.name ?? t('kitchen.test.noBurner')
const lines = computed(() =>
  cooker.value.tests.map(({ id, at, burnerId, fitted }) => {
    const { burner, appliance, heatSpread } = fitted
    const heats = burner
      ? COOKING_FLAMES.map((flame) => `${t(`pot.flames.${flame}`)} ${number(burner[flame])} W`).join(', ')
      : `${number(appliance.heaterW ?? appliance.highW ?? 0)} W`
    return {
      id,
      text: t('kitchen.test.kept', {
        day: day(at),
        burner: burnerName(burnerId),
        heats,
        spread: number(heatSpread * 100),
      }),
    }
  }),
)
const forget = (id: string) => (cooker.value.tests = cooker.value.tests.filter((test) => test.id !== id))
const removeProgram = (id: string) =>
  (cooker.value.cooker.fixedPrograms = cooker.value.cooker.fixedPrograms?.filter((program) => program.id !== id))
const hasPrograms = computed(() => heatsItself(cooker.value.cooker.appliance))
</script>

<template>
  <div class="measured">
    <p v-if="lines.length === 0" class="soft">{{ t('kitchen.test.none') }}</p>
    <p v-for="line in lines" :key="line.id">
      {{ line.text }}
      <LinkBtn @click="forget(line.id)">{{ t('kitchen.test.forget') }}</LinkBtn>
    </p>
    <p v-for="program in cooker.cooker.fixedPrograms ?? []" :key="program.id">
      {{ t('kitchen.program.line', { name: program.name, minutes: number(program.profile.at(-1)?.minute ?? 0) }) }}
      <LinkBtn :aria-label="t('edit.removeNamed', { name: program.name })" @click="removeProgram(program.id)">
        {{ t('edit.remove') }}
      </LinkBtn>
    </p>
    <p v-if="hasPrograms" class="links">
      <NuxtLink :to="`/kitchen/program/${cooker.id}`">{{ t('kitchen.program.go') }}</NuxtLink>
    </p>
  </div>
</template>

<style scoped>
.measured {
  font-size: 14px;
}
p {
  margin: 0 0 3px;
}
.links {
  display: flex;
  gap: 18px;
}
a {
  color: inherit;
  text-underline-offset: 3px;
}
</style>
