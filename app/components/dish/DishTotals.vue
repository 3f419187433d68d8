<script setup lang="ts">
import { USUAL_SALT, type DishAnswer } from '~~/core/dish/dish'
import { keepingOf } from '~~/core/dish/keep'
import type { DishDocument } from '~~/shared/dish'

/** What the whole comes to: salt, time, hands, liquid kept, portions. */
const { answer, dish } = defineProps<{ answer: DishAnswer; dish: DishDocument }>()
const { t, number, duration, weight, partsOf, unitFor } = useI18nText()

/** The bar ends at twice the upper end of what is usual. */
const END = USUAL_SALT[1] * 2
const share = (of: number) => `${Math.min(100, (of / END) * 100)}%`
const keeping = computed(() => keepingOf(answer.massG, answer.served.hasRice, dish.servings))
const salt = computed(() => partsOf(answer.saltG, 'weight', unitFor('weight') === 'g' ? 1 : 2))
const chills = computed(() => dish.stages.some(({ kind }) => kind === 'chill'))
</script>

<template>
  <div class="totals">
    <div>
      <p class="label soft">{{ t('dishes.totals.salt') }}</p>
      <p class="figure salt">
        {{ salt.figure }} <small>{{ salt.unit }}</small>
      </p>
      <div class="bar" aria-hidden="true">
        <span class="usual" :style="{ left: share(USUAL_SALT[0]), right: `calc(100% - ${share(USUAL_SALT[1])})` }" />
        <span class="now" :style="{ left: share(answer.saltShare) }" />
      </div>
      <p class="soft note">
        {{ t('dishes.totals.saltOf', { percent: number(answer.saltShare * 100, 1) }) }}
        <template v-if="answer.saltThrownG >= 0.5">
          {{ t('dishes.totals.saltThrown', { g: weight(answer.saltThrownG) }) }}
        </template>
        {{ t('dishes.totals.saltUsual') }}
      </p>
    </div>
    <dl>
      <div>
        <dt>{{ t('dishes.totals.all') }}</dt>
        <dd class="figure">{{ duration(answer.spanMinutes) }}</dd>
      </div>
      <div v-if="answer.aheadMinutes > answer.spanMinutes + 1">
        <dt>{{ t('dishes.totals.ahead') }}</dt>
        <dd class="figure small">{{ duration(answer.aheadMinutes) }}</dd>
      </div>
      <div>
        <dt>{{ t('dishes.totals.hands') }}</dt>
        <dd class="figure">{{ duration(answer.handsMinutes) }}</dd>
      </div>
      <div v-if="answer.keptG >= 1">
        <dt>{{ t('dishes.totals.kept') }}</dt>
        <dd class="figure tone-water">{{ weight(answer.keptG) }}</dd>
      </div>
      <div>
        <dt>{{ t('dishes.totals.each') }}</dt>
        <dd class="figure">{{ weight(answer.massG / dish.servings) }}</dd>
      </div>
    </dl>
    <p v-if="chills" class="note">
      {{
        t(
          'dishes.totals.boxes',
          {
            n: number(keeping.portions),
            ml: number(keeping.boxMl),
            fridge: keeping.fridgeDays,
            freezer: duration(keeping.freezerDays * 1440),
          },
          keeping.fridgeDays,
        )
      }}
    </p>
  </div>
</template>

<style scoped>
.totals {
  display: grid;
  gap: 16px;
}
p {
  margin: 0;
}
.salt {
  font-size: 46px;
}
.salt small {
  font-size: 22px;
}
.bar {
  position: relative;
  height: 14px;
  margin: 6px 0 4px;
  background: var(--line);
}
.usual {
  position: absolute;
  top: 0;
  bottom: 0;
  background: var(--food-fill);
}
.now {
  position: absolute;
  top: -3px;
  bottom: -3px;
  width: 3px;
  background: var(--ink);
}
.note {
  font-size: 13px;
}
dl {
  margin: 0;
}
dl > div {
  display: flex;
  justify-content: space-between;
  align-items: baseline;
  gap: 10px;
  padding: 9px 0;
  border-top: 1px solid var(--line);
}
dt {
  color: var(--ink-soft);
  font-size: 14.5px;
}
dd {
  margin: 0;
  font-size: 24px;
  white-space: nowrap;
}
dd.small {
  font-size: 18px;
}
</style>
