<script setup lang="ts">
import { soakedShare } from '~~/core/food/soak'

/** “It soaks now”: from then on the kitchen's day tells when it has soaked enough. */
const { t, number, clock, day } = useI18nText()
const pot = usePotStore()
const pots = usePotsStore()
const kitchen = computed(() => useKitchenStore().kitchen!)
const nowMs = useNow()

const soaks = computed(() => pot.request?.contents.flatMap(({ soak }) => soak ?? []) ?? [])
const hours = computed(() => Math.max(0, ...soaks.value.map((soak) => soak.hours).filter(Number.isFinite)))
const since = computed(() => pot.form.soakingSince)
const readyMs = computed(() => (since.value === null ? null : since.value + hours.value * 3_600_000))
const soFar = computed(() => {
  const first = pot.foods.findIndex((_, i) => pot.request?.contents[i]?.soak)
  const soak = pot.request?.contents[first]?.soak
  const food = pot.foods[first]
  if (since.value === null || !soak || !food) return null
  const elapsed = Math.max(0, (nowMs.value - since.value) / 3_600_000)
  return { hours: elapsed, percent: 100 * soakedShare(food, { ...soak, hours: elapsed }, kitchen.value.roomC) }
})
const failure = ref<ApiFailure | null>(null)

/** The day shows kept pots, so one that soaks is kept. */
async function begin() {
  pot.form.soakingSince = Date.now()
  failure.value = null
  try {
    const as = pot.keptAs
    const body = { name: as?.name ?? pot.name, favourite: as?.favourite ?? false, pot: toRaw(pot.form) }
    const kept = as ? await pots.save(as.id, { ...body, version: as.version }) : await pots.add(body.name, body.pot)
    pot.keepAs(kept)
  } catch (error) {
    failure.value = failureOf(error)
  }
}
function useSoFar() {
  if (!soFar.value) return
  for (const [i, item] of pot.form.items.entries())
    if (pot.request?.contents[i]?.soak) item.soakHours = String(Math.round(soFar.value.hours * 10) / 10)
  pot.form.soakingSince = null
}
</script>

<template>
  <div v-if="hours > 0" class="soaking">
    <template v-if="since !== null && soFar && readyMs !== null">
      <p>
        <strong>{{ t('pot.soaking.since', { day: day(since), time: clock(since) }) }}</strong>
        {{ t('pot.soaking.state', { percent: number(soFar.percent), time: clock(readyMs) }) }}
      </p>
      <button type="button" class="link-button" @click="useSoFar">{{ t('pot.soaking.useSoFar') }}</button>
      <button type="button" class="link-button" @click="pot.form.soakingSince = null">
        {{ t('pot.soaking.forget') }}
      </button>
    </template>
    <button v-else type="button" class="link-button" @click="begin">{{ t('pot.soaking.begin') }}</button>
    <p v-if="failure" class="tone-danger" role="alert">
      {{ failure.kind === 'network' ? t('errors.network') : failure.problems[0]?.message }}
    </p>
  </div>
</template>

<style scoped>
.soaking {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 16px;
  padding: 8px 0;
  border-top: 1px solid var(--line);
  font-size: 14.5px;
}
p {
  flex-basis: 100%;
  margin: 0;
}
</style>
