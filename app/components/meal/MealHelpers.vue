<script setup lang="ts">
import { mdiClose } from '@mdi/js'
import { formatISO, parseISO } from 'date-fns'
import { MOST } from '~~/core/bounds'
import { HOUR_MS } from '~~/core/measure/time'
import type { Meal } from '~~/shared/meal'

/** Who helps with a dinner for some hours only: from when until when. */
const { meal } = defineProps<{ meal: Meal }>()
const emit = defineEmits<{ change: [helpers: NonNullable<Meal['helpers']>] }>()
const { t } = useI18nText()
type Helper = NonNullable<Meal['helpers']>[number]

const HELPS_MS = HOUR_MS
const helpers = computed(() => meal.helpers ?? [])
const hourOf = (ms: number) => formatISO(ms, { representation: 'time' }).slice(0, 5)
const add = () => emit('change', [...helpers.value, { from: meal.servedAt - HELPS_MS, until: meal.servedAt }])
const remove = (i: number) =>
  emit(
    'change',
    helpers.value.filter((_, n) => n !== i),
  )
/** On the day on which it stood: a helper of the evening stays one of the evening. */
function set(i: number, end: keyof Helper, typed: string) {
  const day = formatISO(helpers.value[i]![end], { representation: 'date' })
  const ms = parseISO(`${day}T${typed}`).getTime()
  if (!Number.isFinite(ms)) return
  emit(
    'change',
    helpers.value.map((one, n) => (n === i ? { ...one, [end]: ms } : one)),
  )
}
const isCrossed = ({ from, until }: Helper) => from >= until
</script>

<template>
  <ul v-if="helpers.length > 0" class="helpers">
    <li v-for="(helper, i) in helpers" :key="i">
      <v-text-field
        type="time"
        :label="t('meals.helps.from')"
        :model-value="hourOf(helper.from)"
        @change="set(i, 'from', ($event.target as HTMLInputElement).value)"
      />
      <v-text-field
        type="time"
        :label="t('meals.helps.until')"
        :model-value="hourOf(helper.until)"
        :error-messages="isCrossed(helper) ? t('meals.helps.crossed') : undefined"
        @change="set(i, 'until', ($event.target as HTMLInputElement).value)"
      />
      <IconButton :icon="mdiClose" :label="t('meals.helps.remove')" @click="remove(i)" />
    </li>
  </ul>
  <LinkBtn v-if="helpers.length < MOST.helpers" @click="add">{{ t('meals.helps.add') }}</LinkBtn>
</template>

<style scoped>
.helpers {
  display: grid;
  flex: 1 1 100%;
  gap: 8px;
  margin: 6px 0;
  padding: 0;
  list-style: none;
}
li {
  display: grid;
  grid-template-columns: minmax(0, 160px) minmax(0, 160px) 44px;
  gap: 10px;
  align-items: center;
}
</style>
