<script setup lang="ts">
import type { DishRequest } from '~~/core/dish/dish.schema'
import type { StandIn } from '~~/core/dish/instead'

/** What can stand in for a line, with what each changes; or what can still be done about one that was forgotten. */
const { request, line, what } = defineProps<{ request: DishRequest; line: string; what: 'instead' | 'forgotten' }>()
const emit = defineEmits<{ take: [standIn: StandIn]; close: [] }>()
const { t, inSentence, number, weight, list } = useI18nText()
const { thing, lineName, amount } = useDishWords()
const of = computed(() => request.dish.lines.find(({ id }) => id === line))
const at = ref(request.dish.stages.at(-1)?.id ?? '')
const asked = computed(() => ({ request, line, at: at.value, what }))
const { result: found } = useWorked(
  () => (what === 'instead' ? asked.value : null),
  (work, { request: asked, line: id }) => work.standIns(asked, id),
)
const { result: still } = useWorked(
  () => (what === 'forgotten' ? asked.value : null),
  (work, { request: asked, line: id, at: stage }) => work.forgotten(asked, id, stage),
)
const named = ({ parts }: StandIn) =>
  list(parts.map(({ what: id, g }) => (g === null ? inSentence(thing(id)) : `${inSentence(thing(id))} ${amount(g)}`)))
const told = ({ change, serves }: StandIn) => {
  const parts = [
    t(`dishes.standIn.serves.${serves}`),
    Math.abs(change.pouredG) >= 5
      ? t('dishes.standIn.pour', { g: weight(Math.abs(change.pouredG)) }, change.pouredG > 0 ? 1 : 2)
      : '',
    Math.abs(change.saltG) >= 0.3
      ? t('dishes.standIn.salt', { g: amount(Math.abs(change.saltG)) }, change.saltG > 0 ? 1 : 2)
      : '',
    Math.abs(change.fatG) >= 3
      ? t('dishes.standIn.fat', { g: weight(Math.abs(change.fatG)) }, change.fatG > 0 ? 1 : 2)
      : '',
    Math.abs(change.minutes) >= 1
      ? t('dishes.standIn.minutes', { n: number(Math.abs(change.minutes)) }, change.minutes > 0 ? 1 : 2)
      : '',
    change.sour === 'same' ? '' : t(change.sour === 'more' ? 'dishes.standIn.sourMore' : 'dishes.standIn.sourLess'),
  ].filter(Boolean)
  return list(parts)
}
const stageName = (id: string) => {
  const stage = request.dish.stages.find((one) => one.id === id)
  return stage ? t(`dishes.kinds.${stage.kind}`) : ''
}
const stillText = computed(() => {
  const now = still.value
  if (!now) return ''
  return t(`dishes.forgotten.${now.how}`, 'minutes' in now ? { n: number(now.minutes, now.minutes % 1 ? 1 : 0) } : {})
})
</script>

<template>
  <section v-if="of" class="help" role="status">
    <template v-if="what === 'instead'">
      <h2>{{ t('dishes.standIn.title', { name: lineName(of) }) }}</h2>
      <p v-if="found && found.length === 0" class="soft">{{ t('dishes.standIn.none') }}</p>
      <ul>
        <li v-for="one in found ?? []" :key="named(one)">
          <v-btn variant="text" class="take" @click="emit('take', one)">
            {{ t('dishes.standIn.take', { name: named(one) }) }}
          </v-btn>
          <span class="soft">{{ told(one) }}</span>
        </li>
      </ul>
    </template>
    <template v-else>
      <h2>{{ t('dishes.forgotten.title', { name: lineName(of), stage: stageName(at) }) }}</h2>
      <PickField
        v-model="at"
        :label="t('dishes.stage.kind')"
        :choices="request.dish.stages.map(({ id }, i) => ({ value: id, title: `${i + 1} · ${stageName(id)}` }))"
      />
      <p>{{ stillText }}</p>
    </template>
    <v-btn @click="emit('close')">{{ t('dishes.stage.done') }}</v-btn>
  </section>
</template>

<style scoped>
.help {
  display: grid;
  justify-items: start;
  gap: 10px;
  margin: 12px 0;
  padding-inline-start: 12px;
  border-inline-start: 3px solid var(--food);
}
h2 {
  margin: 0;
  font-size: 16px;
}
p {
  margin: 0;
}
ul {
  display: grid;
  gap: 4px;
  margin: 0;
  padding: 0;
  list-style: none;
  font-size: 14.5px;
}
li {
  display: grid;
  justify-items: start;
}
.take {
  padding: 0;
  text-decoration: underline;
}
</style>
