<script setup lang="ts">
import { REMARKS, type Remark } from '~~/shared/names'
import type { RunWithPlan } from '~~/shared/household'

/** What is said of a whole pot besides how its foods came out, and its photograph. */
const { run } = defineProps<{ run: RunWithPlan }>()
const { t } = useI18nText()
const runs = useRunsStore()
const picker = useTemplateRef<HTMLInputElement>('picker')
const busy = ref(false)
const failure = ref<ApiFailure | null>(null)

async function tell(ask: () => Promise<unknown>) {
  busy.value = true
  failure.value = null
  try {
    await ask()
  } catch (error) {
    failure.value = failureOf(error)
  } finally {
    busy.value = false
  }
}
const has = (remark: Remark) => run.remarks?.includes(remark) ?? false
const toggle = (remark: Remark) =>
  tell(async () => {
    await runs.say(run.id, { remarks: REMARKS.filter((one) => (one === remark ? !has(one) : has(one))) })
    // What was lifted early teaches nothing of its food.
    await useLearntStore().load()
  })

const photoUrl = computed(() => (run.photoAt ? `/api/runs/${run.id}/photo?at=${run.photoAt}` : null))
async function take(event: Event) {
  const input = event.target as HTMLInputElement
  const file = input.files?.[0]
  input.value = ''
  if (file) await tell(async () => runs.keepPhoto(run.id, await smallPicture(file)))
}
</script>

<template>
  <section class="besides">
    <h2>{{ t('verdict.besides') }}</h2>
    <div class="remarks">
      <v-btn
        v-for="remark in REMARKS"
        :key="remark"
        :aria-pressed="has(remark)"
        :disabled="busy"
        @click="toggle(remark)"
      >
        {{ t(`verdict.remarks.${remark}`) }}
      </v-btn>
      <v-btn :disabled="busy" @click="picker?.click()">
        {{ photoUrl ? t('verdict.photo.again') : t('verdict.photo.take') }}
      </v-btn>
      <input
        ref="picker"
        type="file"
        accept="image/jpeg,image/png,image/webp"
        class="hidden-text"
        tabindex="-1"
        :aria-label="t('verdict.photo.take')"
        @change="take"
      />
    </div>
    <figure v-if="photoUrl">
      <img :src="photoUrl" :alt="t('verdict.photo.alt', { name: run.name })" />
      <figcaption>
        <LinkBtn :disabled="busy" @click="tell(() => runs.keepPhoto(run.id, null))">
          {{ t('verdict.photo.drop') }}
        </LinkBtn>
      </figcaption>
    </figure>
    <StateNotice v-if="failure" :failure="failure" @retry="failure = null" />
  </section>
</template>

<style scoped>
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
figure {
  margin: 12px 0 0;
}
img {
  display: block;
  max-width: min(100%, 480px);
  max-height: 360px;
  border-radius: var(--corner);
}
</style>
