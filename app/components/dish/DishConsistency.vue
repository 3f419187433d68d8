<script setup lang="ts">
import { consistencyOf, type WayToRun } from '~~/core/dish/consistency'
import type { DishAnswer } from '~~/core/dish/dish'
import type { Dish, DishRequest } from '~~/core/dish/dish.schema'
import { CONSISTENCIES, type Consistency } from '~~/core/dish/names'

/** How thick the dish comes out, how it is wanted, and what makes it so. */
const wanted = defineModel<Consistency | undefined>('wanted', { required: true })
const {
  answer,
  request,
  fixed = false,
} = defineProps<{
  answer: DishAnswer
  request: DishRequest
  /** It is only looked at. */
  fixed?: boolean
}>()
const emit = defineEmits<{ take: [dish: Dish] }>()
const { t, number, weight } = useI18nText()

const now = computed(() => consistencyOf(answer))
const nameOf = (one: Consistency) => t(`dishes.consistency.of.${one}`)
const asked = computed(() => (wanted.value && wanted.value !== now.value.is ? { request, wanted: wanted.value } : null))
const { result: ways } = useWorked(asked, (work, { request: of, wanted: to }) => work.waysToRun(of, to), 'answer')
const choice = computed({
  get: () => wanted.value ?? 'any',
  set: (to: Consistency | 'any') => (wanted.value = to === 'any' ? undefined : to),
})
const wayText = ({ how, amount }: WayToRun) =>
  t(`dishes.consistency.how.${how}`, {
    n: number(amount),
    percent: number(amount * 100),
    g: weight(amount),
  })
const costText = ({ minutes }: WayToRun) =>
  Math.abs(minutes) < 1
    ? t('dishes.consistency.sameTime')
    : t('dishes.standIn.minutes', { n: number(Math.abs(minutes)) }, minutes > 0 ? 1 : 2)
</script>

<template>
  <section class="consistency" :aria-label="t('dishes.consistency.title')">
    <p>{{ t('dishes.consistency.is', { is: nameOf(now.is), percent: number(now.loose * 100) }) }}</p>
    <PickField
      v-if="!fixed"
      v-model="choice"
      :label="t('dishes.consistency.title')"
      :choices="[
        { value: 'any' as const, title: t('dishes.consistency.any') },
        ...CONSISTENCIES.map((value) => ({ value, title: nameOf(value) })),
      ]"
    />
    <div v-if="asked && ways" role="status">
      <p v-if="ways.length === 0" class="soft">{{ t('dishes.consistency.none', { wanted: nameOf(asked.wanted) }) }}</p>
      <template v-else>
        <p>{{ t('dishes.consistency.ways', { wanted: nameOf(asked.wanted) }) }}</p>
        <ul>
          <li v-for="way in ways" :key="way.how">
            <span v-if="fixed">{{ wayText(way) }}</span>
            <LinkBtn v-else @click="emit('take', way.dish)">{{ wayText(way) }}</LinkBtn>
            <span v-if="way.how !== 'rest' && way.how !== 'simmer'" class="soft">{{ costText(way) }}</span>
          </li>
        </ul>
      </template>
    </div>
  </section>
</template>

<style scoped>
.consistency {
  display: grid;
  gap: 10px;
  padding-top: 10px;
  border-top: 1px solid var(--line);
  font-size: 14.5px;
}
p {
  margin: 0;
}
ul {
  display: grid;
  gap: 6px;
  margin: 4px 0 0;
  padding: 0;
  list-style: none;
}
li {
  display: grid;
  justify-items: start;
}
</style>
