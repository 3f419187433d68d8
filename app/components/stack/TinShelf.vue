<script setup lang="ts">
import { mdiArrowDown, mdiArrowUp } from '@mdi/js'
import { vDrag } from '~/composables/common/drag'

/** The household's tins: drag one into the pot, or move it by its buttons. */
const PX_PER_MM = 0.36
const { t, told, length } = useI18nText()
const kitchen = useKitchen()
const { stack, moveTin, takeOutTin, tierOf } = useStackLayout()
const { carry, isCarried } = useCarry()
/** What is in use, and what stands in this pot though it was put away. */
const tins = computed(() => kitchen.value.tins.filter(({ id, away }) => !away || tierOf(id) >= 0))
const inside = computed(() => stack.value.tiers.length)
</script>

<template>
  <section>
    <h2>{{ t('stack.tins') }}</h2>
    <p v-if="tins.length === 0" class="soft">
      {{ t('stack.noTins') }} <NuxtLink to="/kitchen">{{ t('pot.noCooker.go') }}</NuxtLink>
    </p>
    <ul v-else data-out>
      <li v-for="tin in tins" :key="tin.id" :class="{ inside: tierOf(tin.id) >= 0 }">
        <div
          v-drag="carry({ kind: 'tin', id: tin.id, name: tin.name })"
          class="tin"
          :class="{ carried: isCarried('tin', tin.id) }"
          :data-shelf="tin.id"
          :title="t('stack.dragTinIn')"
        >
          <span
            class="shape"
            aria-hidden="true"
            :style="{ width: `${tin.diameterMm * PX_PER_MM}px`, height: `${tin.heightMm * PX_PER_MM}px` }"
          />
        </div>
        <strong>{{ tin.name }}</strong>
        <span class="soft size">
          {{
            tierOf(tin.id) >= 0
              ? t('stack.tier', { n: tierOf(tin.id) + 1 })
              : t('stack.size', {
                  width: length(tin.diameterMm),
                  height: length(tin.heightMm),
                  volume: told(tin.volumeMl, 'volume'),
                })
          }}
        </span>
        <span v-if="tierOf(tin.id) >= 0" class="moves">
          <v-btn
            :icon="mdiArrowUp"
            size="x-small"
            variant="text"
            :disabled="tierOf(tin.id) === inside - 1"
            :aria-label="t('stack.up', { name: tin.name })"
            @click="moveTin(tin.id, tierOf(tin.id) + 1)"
          />
          <v-btn
            :icon="mdiArrowDown"
            size="x-small"
            variant="text"
            :disabled="tierOf(tin.id) === 0"
            :aria-label="t('stack.down', { name: tin.name })"
            @click="moveTin(tin.id, tierOf(tin.id) - 1)"
          />
          <LinkBtn :aria-label="t('stack.outNamed', { name: tin.name })" @click="takeOutTin(tin.id)">
            {{ t('stack.out') }}
          </LinkBtn>
        </span>
        <span v-else class="moves">
          <LinkBtn :aria-label="t('stack.inNamed', { name: tin.name })" @click="moveTin(tin.id, inside)">
            {{ t('stack.in') }}
          </LinkBtn>
        </span>
      </li>
    </ul>
  </section>
</template>

<style scoped>
h2 {
  margin: 0;
  font-size: 15px;
}
ul {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(116px, 1fr));
  gap: 8px 0;
  margin: 0;
  padding: 0;
  list-style: none;
}
li {
  display: grid;
  grid-template-rows: 44px auto 36px auto;
  justify-items: center;
  font-size: 14px;
  text-align: center;
}
/* The board they stand on. */
.tin {
  display: grid;
  align-items: end;
  justify-items: center;
  width: 100%;
  margin-bottom: 2px;
  border-bottom: 2px solid var(--ink-soft);
  cursor: grab;
  touch-action: none;
  user-select: none;
}
.carried {
  opacity: 0.35;
}
.shape {
  border: 2px solid var(--ink);
  border-top: 0;
}
.inside .shape {
  border-color: var(--ink-soft);
  border-style: dashed;
}
.size {
  font-size: 13px;
  white-space: pre-line;
}
.moves {
  display: flex;
  align-items: center;
  min-height: 28px;
}
</style>
