<script setup lang="ts">
import { mdiArrowDown, mdiArrowUp } from '@mdi/js'

/** The household's tins: drag one into the pot, or move it by its buttons. */
const { t, number } = useI18nText()
const kitchen = computed(() => useKitchenStore().kitchen!)
const { stack, moveTin, takeOutTin, tierOf } = useStackLayout()
const carry = (event: DragEvent, id: string) => event.dataTransfer?.setData('text/plain', `tin:${id}`)
const inside = computed(() => stack.value.tiers.length)
</script>

<template>
  <section>
    <h2>{{ t('stack.tins') }}</h2>
    <p v-if="kitchen.tins.length === 0" class="soft">
      {{ t('stack.noTins') }} <NuxtLink to="/kitchen">{{ t('pot.noCooker.go') }}</NuxtLink>
    </p>
    <ul v-else>
      <li v-for="tin in kitchen.tins" :key="tin.id" :class="{ inside: tierOf(tin.id) >= 0 }">
        <span
          draggable="true"
          class="tin"
          :data-shelf="tin.id"
          :title="t('stack.dragTinIn')"
          @dragstart="(event) => carry(event, tin.id)"
        >
          <span
            class="shape"
            aria-hidden="true"
            :style="{ width: `${tin.diameterMm / 4}px`, height: `${tin.heightMm / 4}px` }"
          />
          <span>
            <strong>{{ tin.name }}</strong>
            <span class="soft"
              >{{
                t('stack.size', {
                  width: number(tin.diameterMm),
                  height: number(tin.heightMm),
                  ml: number(tin.volumeMl),
                })
              }}
              <template v-if="tierOf(tin.id) >= 0"> · {{ t('stack.tier', { n: tierOf(tin.id) + 1 }) }}</template></span
            >
          </span>
        </span>
        <template v-if="tierOf(tin.id) >= 0">
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
          <button
            type="button"
            class="link-button"
            :aria-label="t('stack.outNamed', { name: tin.name })"
            @click="takeOutTin(tin.id)"
          >
            {{ t('stack.out') }}
          </button>
        </template>
        <button
          v-else
          type="button"
          class="link-button"
          :aria-label="t('stack.inNamed', { name: tin.name })"
          @click="moveTin(tin.id, inside)"
        >
          {{ t('stack.in') }}
        </button>
      </li>
    </ul>
  </section>
</template>

<style scoped>
h2 {
  margin: 0 0 4px;
  font-size: 16px;
}
ul {
  margin: 0;
  padding: 0;
  list-style: none;
}
li {
  display: flex;
  align-items: center;
  gap: 2px;
  min-height: 46px;
  border-top: 1px solid var(--line);
  font-size: 14px;
}
.tin {
  flex: 1;
  display: grid;
  grid-template-columns: 52px 1fr;
  align-items: center;
  gap: 10px;
  cursor: grab;
}
.tin > span:last-child {
  display: grid;
}
.shape {
  justify-self: center;
  border: 2px solid var(--ink-soft);
  border-top: 0;
}
.inside .shape {
  border-color: var(--food);
}
</style>
