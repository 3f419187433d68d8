<script setup lang="ts">
import { LENGTH } from '~~/core/bounds'
import type { RunWithPlan } from '~~/shared/household'

/** What a run is called, and a way to call it otherwise. */
const { run } = defineProps<{ run: RunWithPlan }>()
const { t, problemText } = useI18nText()
const runs = useRunsStore()

const naming = ref(false)
const name = ref('')
const busy = ref(false)
const failure = ref<ApiFailure | null>(null)
const opener = useTemplateRef<ComponentPublicInstance>('opener')
function ask() {
  name.value = run.name
  failure.value = null
  naming.value = true
}
async function close() {
  naming.value = false
  await nextTick()
  opener.value?.$el.focus()
}
async function keep() {
  if (name.value.trim() === '') return
  busy.value = true
  try {
    await runs.rename(run.id, name.value)
    await close()
  } catch (error) {
    failure.value = failureOf(error)
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <form v-if="naming" class="naming" @submit.prevent="keep" @keydown.esc="close">
    <h1 class="hidden-text">{{ run.name }}</h1>
    <TextField v-model="name" :label="t('log.name')" :maxlength="LENGTH.planName" autofocus />
    <v-btn variant="flat" color="primary" type="submit" :disabled="busy || name.trim() === ''">
      {{ t('log.keepName') }}
    </v-btn>
    <LinkBtn @click="close">{{ t('log.notName') }}</LinkBtn>
    <p v-if="failure" class="tone-danger problem" role="alert">
      {{ failure.kind === 'refused' ? failure.problems.map(problemText).join(' ') : t(`errors.${failure.kind}`) }}
    </p>
  </form>
  <div v-else class="called">
    <h1>{{ run.name }}</h1>
    <LinkBtn ref="opener" @click="ask">{{ t('log.rename') }}</LinkBtn>
  </div>
</template>

<style scoped>
.naming {
  display: grid;
  grid-template-columns: minmax(0, 420px) auto auto;
  justify-content: start;
  align-items: center;
  gap: 8px;
  margin: 12px 0;
}
.problem {
  grid-column: 1 / -1;
  margin: 0;
}
.called {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 4px 14px;
}
@media (max-width: 719px) {
  .naming {
    grid-template-columns: auto auto;
  }
  .naming > :nth-child(2) {
    grid-column: 1 / -1;
  }
}
</style>
