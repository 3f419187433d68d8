<script setup lang="ts">
import { equivalents } from '~~/core/program/equivalents'
import type { StyleKind } from '~~/core/program/request'
import { isRefused } from '~~/core/safety/rules'
import type { HouseholdCooker } from '~~/shared/kitchen'

/** The same food in the kitchen's other cookers and styles; a tap switches to one. */
const { t, duration } = useI18nText()
const pot = usePotStore()
const kitchen = computed(() => useKitchenStore().kitchen!)

interface Other {
  cooker: HouseholdCooker
  style: StyleKind
  figure: string
  total: string
  ok: boolean
}

/** The other styles of this cooker, and of every other cooker the first style that can be used. */
const others = computed<Other[]>(() => {
  if (!pot.request) return []
  const cookers = kitchen.value.cookers.map((cooker) => ({
    id: cooker,
    cooker: cooker.cooker,
    prefer: pot.preferences,
  }))
  const rows = equivalents(pot.request, cookers).map(({ id: cooker, style, outcome }): Other => {
    if (!outcome.ok) return { cooker, style, figure: t('pot.elsewhere.cannot'), total: '', ok: false }
    if (isRefused(outcome.value.cautions))
      return { cooker, style, figure: t('pot.elsewhere.refused'), total: '', ok: false }
    const { unit, figure } = outcome.value.range
    return {
      cooker,
      style,
      figure: t(`pot.elsewhere.${unit}`, { n: figure }, figure),
      total: duration(outcome.value.clock.openAtMinute),
      ok: true,
    }
  })
  const own = rows.filter(({ cooker, style }) => cooker.id === pot.cooker?.id && style !== pot.styleKind)
  const rest = kitchen.value.cookers.flatMap(({ id }) => {
    const of = rows.filter(({ cooker }) => cooker.id === id)
    return id === pot.cooker?.id ? [] : (of.find(({ ok }) => ok) ?? of[0] ?? [])
  })
  return [...own, ...rest]
})

function use({ cooker, style }: Other) {
  pot.form.cookerId = cooker.id
  pot.styleKind = style
}
</script>

<template>
  <section>
    <h2 class="soft">{{ t('pot.elsewhere.title') }}</h2>
    <p v-if="others.length === 0" class="soft">{{ t('pot.elsewhere.none') }}</p>
    <ul>
      <li v-for="other in others" :key="other.cooker.id + other.style">
        <button
          type="button"
          :disabled="!other.ok"
          :aria-label="`${t('pot.elsewhere.use', { name: other.cooker.name, style: t(`pot.styles.${other.style}`) })}: ${other.figure}`"
          @click="use(other)"
        >
          <span class="name">{{ other.cooker.name }}</span>
          <span class="style soft">{{ t(`pot.styles.${other.style}`) }}</span>
          <span :class="['figure', other.ok ? 'tone-heat' : 'tone-danger']">{{ other.figure }}</span>
          <span class="soft time">{{ other.total }}</span>
        </button>
      </li>
    </ul>
  </section>
</template>

<style scoped>
h2 {
  margin: 0 0 4px;
  font-size: 14px;
  font-weight: 400;
}
ul {
  margin: 0;
  padding: 0;
  list-style: none;
}
button {
  display: grid;
  grid-template-columns: 1fr auto 58px;
  align-items: baseline;
  gap: 0 10px;
  width: 100%;
  padding: 5px 0;
  border: 0;
  border-top: 1px solid var(--line);
  background: none;
  color: inherit;
  font: inherit;
  font-size: 14.5px;
  text-align: left;
  cursor: pointer;
}
button:disabled {
  cursor: default;
}
button:hover:not(:disabled) .name {
  text-decoration: underline;
}
.name {
  font-weight: 700;
}
.style {
  grid-row: 2;
  font-size: 13px;
}
.figure {
  grid-row: 1 / 3;
  grid-column: 2;
  align-self: center;
  font-size: 18px;
}
.time {
  grid-row: 1 / 3;
  grid-column: 3;
  align-self: center;
  text-align: right;
  font-size: 13.5px;
}
</style>
