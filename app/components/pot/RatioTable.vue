<script setup lang="ts">
import type { FolkOutcome } from '~~/core/program/ratios'

/** The water at half to four times the batch, and what the common ratios would make of each. */
const { t, number, weight } = useI18nText()
const pot = usePotStore()

const asked = computed(() => pot.request && { ...pot.request, given: undefined })
const { result } = useWorked(asked, (work, request) => work.ratiosByBatch(request))
const rows = computed(() => (result.value?.ok ? result.value.value : []))
const rules = computed(() => rows.value[0]?.folk ?? [])
const ruleName = ({ rule }: FolkOutcome) =>
  rule.id === 'finger'
    ? t('pot.ratios.finger')
    : t('pot.ratios.perVolume', { n: number(rule.times, rule.times % 1 ? 1 : 0) })
const bad = ({ fate }: FolkOutcome) => fate === null || fate === 'scorches' || fate === 'dry'
</script>

<template>
  <div v-if="rows.length > 0" class="scroll" tabindex="0" role="region" :aria-label="t('pot.ratios.title')">
    <v-table>
      <caption>
        {{
          t('pot.ratios.title')
        }}
      </caption>
      <thead>
        <tr>
          <th scope="col">{{ t('pot.ratios.batch') }}</th>
          <th scope="col">{{ t('pot.ratios.computed') }}</th>
          <th v-for="outcome in rules" :key="ruleName(outcome)" scope="col">{{ ruleName(outcome) }}</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="row in rows" :key="row.times">
          <th scope="row" class="figure">
            <LinkBtn v-if="row.times !== 1" :title="t('pot.ratios.take')" @click="pot.timesAll(row.times)">
              {{ weight(row.dryG) }}
            </LinkBtn>
            <template v-else>{{ weight(row.dryG) }}</template>
          </th>
          <td class="figure tone-water">
            {{ row.ratioByVolume === null ? number(row.pourG) : number(row.ratioByVolume, 1) }}
          </td>
          <td v-for="outcome in row.folk" :key="ruleName(outcome)" :class="{ 'tone-danger': bad(outcome) }">
            {{ outcome.fate === null ? t('pot.ratios.overflows') : t(`pot.fates.${outcome.fate}`) }}
          </td>
        </tr>
      </tbody>
    </v-table>
  </div>
</template>

<style scoped>
.scroll {
  overflow-x: auto;
  margin-top: 12px;
}
.v-table {
  font-size: 13px;
}
caption {
  padding-bottom: 4px;
  text-align: start;
  color: var(--ink-soft);
}
th,
td {
  padding: 4px 5px 4px 0;
  border-top: 1px solid var(--line);
  text-align: start;
  font-weight: 400;
  white-space: nowrap;
}
.figure {
  font-size: 16px;
}
.link-button {
  white-space: nowrap;
}
</style>
