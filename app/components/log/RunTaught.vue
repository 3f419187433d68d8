<script setup lang="ts">
import type { RunWithPlan } from '~~/shared/household'

/** What a run taught, and whether it is to teach. */
const { run } = defineProps<{ run: RunWithPlan }>()
const { t, number } = useI18nText()
const words = useLearntWords()
const runs = useRunsStore()
const { learnt, load } = useLearntFigures()
const busy = ref(false)
const failure = ref<ApiFailure | null>(null)

const teaches = computed(() => run.teaches !== false)
const rows = computed(() => (learnt.value ? learntRows(learnt.value) : []))
const taught = computed(() =>
  rows.value.flatMap((row) => {
    const moved = row.evidence.filter(({ runId }) => runId === run.id).reduce((sum, one) => sum + one.moved, 0)
    return Math.abs(moved) < 0.005 ? [] : [{ key: row.key, name: words.name(row.figure), moved }]
  }),
)
async function say(said: Parameters<typeof runs.say>[1]) {
  busy.value = true
  failure.value = null
  try {
    await runs.say(run.id, said)
    await Promise.all([load(), useLearntStore().load()])
  } catch (error) {
    failure.value = failureOf(error)
  } finally {
    busy.value = false
  }
}
// Another verdict teaches something else.
watch(
  () => JSON.stringify([run.verdicts, run.remarks]),
  () => void load(),
)
</script>

<template>
  <section class="taught">
    <h2>{{ t('learnt.taught') }}</h2>
    <p v-if="!teaches" class="soft">{{ t('learnt.leftOut') }}</p>
    <p v-else-if="learnt && taught.length === 0" class="soft">{{ t('learnt.taughtNothing') }}</p>
    <ul v-else>
      <li v-for="one in taught" :key="one.key">
        <span>{{ one.name }}</span>
        <span class="figure tone-food">
          {{ `${one.moved > 0 ? '+' : '−'}${number(100 * Math.abs(one.moved), Math.abs(one.moved) < 0.1 ? 1 : 0)} %` }}
        </span>
      </li>
    </ul>
    <LinkBtn :disabled="busy" @click="say({ teaches: !teaches })">
      {{ teaches ? t('learnt.notThis') : t('learnt.learnAgain') }}
    </LinkBtn>
    <StateNotice v-if="failure" :failure="failure" @retry="load" />
  </section>
</template>

<style scoped>
.taught {
  margin-top: 28px;
  max-width: 560px;
}
h2 {
  margin: 18px 0 6px;
  font-size: 17px;
}
ul {
  margin: 0 0 10px;
  padding: 0;
  list-style: none;
}
li {
  display: flex;
  justify-content: space-between;
  gap: 16px;
  padding: 7px 0;
  border-top: 1px solid var(--line);
}
.figure {
  font-size: 19px;
  white-space: nowrap;
}
</style>
