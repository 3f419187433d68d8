<script setup lang="ts">
import { soakedAsAdvised, soakedShare } from '~~/core/food/soak'
import { HOUR_MS } from '~~/core/measure/time'
import type { KeptPot } from '~~/shared/household'

/** “It soaks now”: from then on the kitchen's day tells when it has soaked enough. */
const { t, number, clock, day, problemText } = useI18nText()
const pot = usePotStore()
const pots = usePotsStore()
const kitchen = useKitchen()
const nowMs = useNow()

const soaks = computed(() => pot.request?.contents.flatMap(({ soak }) => soak ?? []) ?? [])
const hours = computed(() => Math.max(0, ...soaks.value.map((soak) => soak.hours).filter(Number.isFinite)))
const since = computed(() => pot.form.soakingSince)
const readyMs = computed(() => (since.value === null ? null : since.value + hours.value * HOUR_MS))
const soFar = computed(() => {
  const first = pot.foods.findIndex((_, i) => pot.request?.contents[i]?.soak)
  const soak = pot.request?.contents[first]?.soak
  const food = pot.foods[first]
  if (since.value === null || !soak || !food) return null
  const elapsed = Math.max(0, (nowMs.value - since.value) / HOUR_MS)
  const share = soakedShare(food, { ...soak, hours: elapsed }, kitchen.value.roomC)
  return { hours: elapsed, percent: 100 * soakedAsAdvised(food, share) }
})
const failure = ref<ApiFailure | null>(null)

/** The day shows kept pots, so one that soaks is kept. */
async function begin() {
  pot.form.soakingSince = serverNow()
  await keep(pot.keptAs)
}
async function keep(as: Pick<KeptPot, 'id' | 'name' | 'favourite' | 'version'> | null) {
  failure.value = null
  try {
    const { content } = pot
    const kept = as
      ? await pots.save(as.id, { name: as.name, favourite: as.favourite, version: as.version, content })
      : await pots.add({ name: pot.name, content })
    pot.keepAs(kept)
  } catch (error) {
    failure.value = failureOf(error)
  }
}
/** Changed elsewhere meanwhile: this one goes on as a pot of its own, and that one stays as it is. */
function keepOwn() {
  pot.detach()
  void keep(null)
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
      <LinkBtn @click="useSoFar">{{ t('pot.soaking.useSoFar') }}</LinkBtn>
      <LinkBtn @click="pot.form.soakingSince = null">
        {{ t('pot.soaking.forget') }}
      </LinkBtn>
    </template>
    <LinkBtn v-else @click="begin">{{ t('pot.soaking.begin') }}</LinkBtn>
    <div v-if="failure" class="tone-danger" role="alert">
      <p v-if="failure.kind !== 'refused'">{{ t(`errors.${failure.kind}`) }}</p>
      <p v-for="problem in failure.problems" v-else :key="problem.path">{{ problemText(problem) }}</p>
      <LinkBtn v-if="failure.status === 409" @click="keepOwn">
        {{ t('pot.bar.copy') }}
      </LinkBtn>
      <LinkBtn v-else-if="failure.kind !== 'refused'" @click="keep(pot.keptAs)">
        {{ t('app.retry') }}
      </LinkBtn>
    </div>
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
