<script setup lang="ts">
import { mdiClose, mdiContentCopy, mdiStar, mdiStarOutline } from '@mdi/js'

/** What the household cooks: the pots that it keeps, found by name or by what is in them. */
const { t } = useI18nText()
const pots = usePotsStore()
void pots.load()
const { removed, failed, describe, open, remove, putBack, star, copy } = useKeptPots()
const query = ref('')
const found = computed(() => {
  const all = (pots.pots ?? []).map((kept) => ({ kept, name: kept.name, aliases: describe(kept) }))
  const matching = searchNames(query.value, all)
  return query.value.trim() === ''
    ? matching.sort((a, b) => Number(b.kept.favourite) - Number(a.kept.favourite))
    : matching
})
useHead({ title: () => `${t('app.nav.dishes')} · Bivvet` })
</script>

<template>
  <div class="dishes">
    <h1>{{ t('app.nav.dishes') }}</h1>
    <StateNotice v-if="pots.failure" :failure="pots.failure" @retry="pots.load" />
    <p v-else-if="pots.pots === null" class="soft" role="status">{{ t('app.loading') }}</p>
    <EmptyNotice
      v-else-if="pots.pots.length === 0 && !removed"
      :title="t('dishes.empty.title')"
      :text="t('dishes.empty.text')"
    />
    <template v-else>
      <p class="soft intro">{{ t('dishes.intro') }}</p>
      <TextField v-model="query" :label="t('dishes.search')" type="search" maxlength="60" class="query" />
      <p v-if="found.length === 0" role="status">{{ t('dishes.none', { query }) }}</p>
      <ul>
        <li v-for="{ kept, name, aliases } in found" :key="kept.id">
          <v-btn
            :icon="kept.favourite ? mdiStar : mdiStarOutline"
            size="small"
            variant="text"
            :aria-pressed="kept.favourite"
            :aria-label="t('dishes.favourite', { name })"
            @click="star(kept)"
          />
          <button type="button" class="row" @click="open(kept)">
            <strong>{{ name }}</strong>
            <span class="soft">{{ aliases }}</span>
          </button>
          <v-btn
            :icon="mdiContentCopy"
            size="small"
            variant="text"
            :aria-label="t('dishes.copy', { name })"
            @click="copy(kept, t('pot.bar.copyOf', { name: kept.name }))"
          />
          <v-btn
            :icon="mdiClose"
            size="small"
            variant="text"
            :aria-label="t('day.remove', { name })"
            @click="remove(kept)"
          />
        </li>
      </ul>
    </template>
    <p v-if="removed" role="status" class="removed">
      {{ t('day.removed', { name: removed.name }) }}
      <button type="button" class="link-button" @click="putBack">{{ t('day.putBack') }}</button>
    </p>
    <p v-if="failed" class="tone-danger" role="alert">{{ t('errors.network') }}</p>
  </div>
</template>

<style scoped>
.dishes {
  max-width: 860px;
  padding: 16px 24px 56px;
}
h1 {
  margin: 0;
  font-size: 21px;
}
.intro {
  margin: 4px 0 16px;
}
.query {
  max-width: 460px;
  margin-bottom: 12px;
}
ul {
  margin: 0;
  padding: 0;
  list-style: none;
}
li {
  display: grid;
  grid-template-columns: auto 1fr auto auto;
  align-items: center;
  gap: 6px;
  border-bottom: 1px solid var(--line);
}
.row {
  display: grid;
  gap: 2px;
  min-height: 56px;
  align-content: center;
  padding: 7px 0;
  border: 0;
  background: none;
  color: inherit;
  font: inherit;
  text-align: left;
  cursor: pointer;
}
.row strong {
  font-size: 17px;
}
.removed {
  margin: 12px 0;
}
@media (max-width: 719px) {
  .dishes {
    padding: 14px 16px 40px;
  }
}
</style>
