<script setup lang="ts">
/** Whether the foods of this pot can share it from the start, and who goes in later if not. */
const { t, list, number } = useI18nText()
const pot = usePotStore()
const kitchen = useKitchenStore()
const asked = computed(
  () =>
    pot.request && {
      ...pot.request,
      given: undefined,
      contents: pot.request.contents.map((content) => ({ ...content, joins: undefined })),
    },
)
const { result } = useWorked(asked, (work, request) => work.together(request))

const names = (indexes: readonly number[]) =>
  list(indexes.map((i) => kitchen.foodName(pot.form.items[i]?.foodId ?? '')))
const joins = computed(() =>
  result.value?.ok && result.value.value.kind === 'in-phases' ? result.value.value.joins : null,
)
const lines = computed(() => {
  if (!result.value?.ok) return []
  const { kind, closings, apart } = result.value.value
  if (kind === 'one-go') return [t('pot.together.oneGo')]
  if (kind === 'apart') return [t('pot.together.apart', { foods: names(apart) })]
  return closings.map(({ adds, range: { unit, figure } }, i) =>
    t(i === 0 ? 'pot.together.first' : 'pot.together.then', {
      foods: names(adds),
      figure: t(`pot.elsewhere.${unit}`, { n: number(figure) }, figure),
    }),
  )
})
</script>

<template>
  <div v-if="lines.length > 0" class="note">
    <template v-if="!pot.inPhases">
      <p v-for="line in lines" :key="line">{{ line }}</p>
    </template>
    <LinkBtn v-if="pot.inPhases" class="no-print" @click="pot.joinAt([])">
      {{ t('pot.later.oneGo') }}
    </LinkBtn>
    <LinkBtn v-else-if="joins" class="no-print" @click="pot.joinAt(joins)">
      {{ t('pot.later.doThat') }}
    </LinkBtn>
  </div>
</template>

<style scoped>
.note {
  padding-inline-start: 10px;
  border-inline-start: 3px solid var(--food);
  font-size: 14.5px;
}
p {
  margin: 0 0 3px;
}
</style>
