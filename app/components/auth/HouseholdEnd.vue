<script setup lang="ts">
/** The whole household out as a file and in again, and away. */
const { isOwner, isOpen } = defineProps<{ isOwner: boolean; isOpen: boolean }>()
interface Added {
  kitchen: { name: string; altitudeM: number } | null
  pots: number
  dishes: number
  meals: number
  portions: number
  runs: number
  photos: number
}
const COUNTED = ['pots', 'dishes', 'meals', 'portions', 'runs', 'photos'] as const
const { t, told, list, problemText } = useI18nText()
const { household } = storeToRefs(useHouseholdStore())
const { attempt, busy, problem } = useAuth()
const picker = useTemplateRef<HTMLInputElement>('picker')
const said = ref('')
const problems = ref<string[]>([])
const asked = ref(false)
const MOST_TOLD = 8

/** What an upload would add, looked at before it does. */
const looked = shallowRef<{ file: File; added: Added } | null>(null)
const takesKitchen = ref(true)
const working = ref(false)
const countsOf = (added: Added) =>
  COUNTED.filter((kind) => added[kind] > 0).map((kind) => t(`auth.end.counts.${kind}`, { n: added[kind] }, added[kind]))
const addsNothing = (added: Added) => added.kitchen === null && countsOf(added).length === 0

async function send(file: File, query: Record<string, string>): Promise<Added | null> {
  working.value = true
  said.value = ''
  problems.value = []
  try {
    const headers = { 'content-type': 'application/zip' }
    const { added } = await api<{ added: Added }>('/household/archive', { method: 'POST', body: file, headers, query })
    return added
  } catch (error) {
    const failure = failureOf(error)
    problems.value =
      failure.kind === 'refused'
        ? failure.problems.slice(0, MOST_TOLD).map((one) => `${one.path ? `${one.path}: ` : ''}${problemText(one)}`)
        : [t(`auth.failed.${failure.kind}`)]
    return null
  } finally {
    working.value = false
  }
}
async function look(event: Event) {
  const input = event.target as HTMLInputElement
  const file = input.files?.[0]
  input.value = ''
  if (!file) return
  const added = await send(file, { check: '1' })
  if (!added) return
  if (addsNothing(added)) said.value = t('auth.end.nothingNew')
  else looked.value = { file, added }
  takesKitchen.value = true
}
async function restore() {
  const { file } = looked.value!
  const added = await send(file, { kitchen: takesKitchen.value ? 'comes' : 'stays' })
  looked.value = null
  if (!added) return
  const parts = [
    ...(added.kitchen ? [t('auth.end.kitchenTaken', { name: added.kitchen.name })] : []),
    ...countsOf(added),
  ]
  said.value = t('auth.end.restored', { list: list(parts) })
}
async function remove() {
  if (await attempt(() => api('/household', { method: 'DELETE' }))) window.location.assign('/')
}
</script>

<template>
  <p class="acts">
    <a href="/api/household/archive" download>{{ t('auth.end.archive') }}</a>
    <LinkBtn @click="picker?.click()">{{ t('auth.end.restore') }}</LinkBtn>
    <input
      ref="picker"
      type="file"
      accept=".zip,application/zip"
      class="hidden-text"
      tabindex="-1"
      :aria-label="t('auth.end.restore')"
      @change="look"
    />
    <LinkBtn v-if="isOwner && !isOpen && !asked" class="tone-danger" @click="asked = true">
      {{ t('auth.end.remove') }}
    </LinkBtn>
  </p>
  <p v-if="working" role="status" class="soft">{{ t('auth.end.reading') }}</p>
  <v-dialog
    :model-value="looked !== null"
    max-width="520"
    :aria-label="t('auth.end.lookTitle')"
    @update:model-value="(open: boolean) => !open && (looked = null)"
  >
    <v-card v-if="looked" :title="t('auth.end.lookTitle')">
      <v-card-text>
        <p v-if="countsOf(looked.added).length > 0">
          {{ t('auth.end.wouldAdd', { list: list(countsOf(looked.added)) }) }}
        </p>
        <p>{{ t('auth.end.stays') }}</p>
        <v-checkbox
          v-if="looked.added.kitchen"
          v-model="takesKitchen"
          :label="
            t('auth.end.takeKitchen', {
              name: looked.added.kitchen.name,
              height: told(looked.added.kitchen.altitudeM, 'height'),
            })
          "
        />
      </v-card-text>
      <v-card-actions>
        <v-btn :disabled="working" variant="flat" color="primary" @click="restore">{{ t('auth.end.add') }}</v-btn>
        <v-btn :disabled="working" @click="looked = null">{{ t('auth.end.cancel') }}</v-btn>
      </v-card-actions>
    </v-card>
  </v-dialog>
  <p v-if="said" role="status" class="tone-food">{{ said }}</p>
  <div v-if="problems.length > 0" role="alert" class="tone-danger">
    <p>{{ t('auth.end.nothing') }}</p>
    <ul>
      <li v-for="text in problems" :key="text">{{ text }}</li>
    </ul>
  </div>
  <p v-if="asked" role="alert" class="acts">
    {{ t('auth.end.sure', { name: household?.name ?? '' }) }}
    <v-btn :disabled="busy" @click="remove">{{ t('auth.people.yes') }}</v-btn>
    <v-btn @click="asked = false">{{ t('auth.people.no') }}</v-btn>
  </p>
  <p v-if="problem" role="alert" class="tone-danger">{{ problem }}</p>
</template>

<style scoped>
p {
  margin: 0 0 8px;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px 20px;
}
a {
  color: inherit;
}
@media (max-width: 719px), (pointer: coarse) {
  a {
    display: inline-flex;
    align-items: center;
    min-height: 44px;
  }
}
</style>
