<script setup lang="ts">
import type { ApiFailure } from '~/composables/documents/useApi'

/** One pot being planned: loose, or in tins. One place with a switch; going there and back changes nothing. */
const { t } = useI18nText()
const pot = usePotStore()
const pots = usePotsStore()
const route = useRoute()
const isTins = route.params.id === 'tins'
pot.view = isTins ? 'tins' : 'loose'
const { answer, cup } = providePotPlan()

/** The address names a kept pot: it takes the place of the one here, which undo brings back. */
const opening = ref<ApiFailure | null>(null)
async function openKept() {
  const { id } = route.params
  if (typeof id !== 'string' || id === '' || isTins) return
  opening.value = null
  try {
    const kept = await pots.fetchOne(id)
    const path = pot.keptAs?.id !== id || !pot.changed ? pot.open(kept) : LOOSE_PATH
    await navigateTo(path, { replace: true })
  } catch (error) {
    opening.value = failureOf(error)
  }
}
void openKept()
useHead({ title: () => `${pot.name || t('pot.untitled')} · Bivvet` })
</script>

<template>
  <div>
    <p v-if="opening" class="opening tone-danger" role="alert">
      {{ opening.kind === 'refused' ? t('pot.noSuchPot') : t('errors.network') }}
    </p>
    <LazyPotInTins v-if="isTins" />
    <PotLoose v-else />
    <PotSheet v-if="answer && pot.foods.every((food) => food !== null)" :answer="answer" :cup="cup" />
  </div>
</template>

<style scoped>
.opening {
  margin: 0;
  padding: 12px 24px;
}
</style>
