<script setup lang="ts">
import { REMARKS, type Remark } from '~~/shared/names'
import type { RunWithPlan } from '~~/shared/household'

/** What a run taught, what else is said of it, and whether it is to teach. */
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
const has = (remark: Remark) => run.remarks?.includes(remark) ?? false
const toggle = (remark: Remark) => say({ remarks: REMARKS.filter((one) => (one === remark ? !has(one) : has(one))) })
// Another verdict teaches something else.
watch(
  () => JSON.stringify(run.verdicts),
  () => void load(),
)
</script>

<template>
  <section class="taught">
    <h2>{{ t('learnt.remarks.title') }}</h2>
    <div class="remarks">
      <button
        v-for="remark in REMARKS"
        :key="remark"
        type="button"
        class="quiet-button"
        :aria-pressed="has(remark)"
        :disabled="busy"
        @click="toggle(remark)"
      >
        {{ t(`learnt.remarks.${remark}`) }}
      </button>
    </div>
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
    <button type="button" class="link-button" :disabled="busy" @click="say({ teaches: !teaches })">
      {{ teaches ? t('learnt.notThis') : t('learnt.learnAgain') }}
    </button>
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
.remarks {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
[aria-pressed='true'] {
  background: var(--ink);
  color: var(--ground);
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
