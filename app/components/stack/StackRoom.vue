<script setup lang="ts">
import { USUAL_TRIVETS_MM } from '~~/core/pot/stacking'

/** What the tins stand on, whether the top one is covered, and what else there is room for. */
defineProps<{ more: readonly { food: string; minutes: number }[] | null; busy: boolean }>()
defineEmits<{ look: [] }>()
const { t, duration } = useI18nText()
const kitchenStore = useKitchenStore()
const { stack, set } = useStackLayout()

const trivets = computed(() => USUAL_TRIVETS_MM.map((value) => ({ value: String(value), text: `${value} mm` })))
const trivet = computed({ get: () => String(stack.value.trivetMm), set: (mm) => set({ trivetMm: Number(mm) }) })
const covers = computed(() => [
  { value: false, text: t('stack.topOpen') },
  { value: true, text: t('stack.topCovered') },
])
const topCovered = computed({ get: () => stack.value.topCovered, set: (covered) => set({ topCovered: covered }) })
</script>

<template>
  <div class="room">
    <FormRow :label="t('stack.trivet')">
      <ChoiceBar v-model="trivet" :label="t('stack.trivet')" :choices="trivets" />
    </FormRow>
    <FormRow :label="t('stack.top')">
      <ChoiceBar v-model="topCovered" :label="t('stack.top')" :choices="covers" />
    </FormRow>
    <FormRow :label="t('stack.more')" class="all">
      <LinkBtn class="more" :disabled="busy" @click="$emit('look')">
        {{ t('stack.whatElse') }}
      </LinkBtn>
      <p v-if="more && more.length === 0" class="soft">{{ t('stack.nothingElse') }}</p>
      <ul v-else-if="more" class="fits">
        <li v-for="fit in more.slice(0, 12)" :key="fit.food">
          {{ kitchenStore.foodName(fit.food) }} <span class="soft">{{ duration(fit.minutes) }}</span>
        </li>
      </ul>
    </FormRow>
  </div>
</template>

<style scoped>
.room {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(200px, 1fr));
  gap: 0 16px;
  margin-top: 14px;
}
.all {
  grid-column: 1 / -1;
}
.more {
  justify-self: start;
}
.fits {
  margin: 4px 0 0;
  padding: 0;
  list-style: none;
  columns: 2;
  font-size: 14px;
}
</style>
