<script setup lang="ts">
import { useEventListener, useLocalStorage } from '@vueuse/core'
import { isNotKept } from '~/composables/documents/deviceStorage'
import { STORED } from '~/composables/documents/storageShape'
import { mdiHelp, mdiMagnify, mdiThemeLightDark, mdiWeatherNight, mdiWhiteBalanceSunny } from '@mdi/js'

const { t } = useI18nText()
const { choice, next } = useThemeChoice()
const kitchen = useKitchenStore()
const runs = useRunsStore()
void runs.load()
const household = useHouseholdStore()
void household.load()
/** A dinner of several dishes calls too; it is only looked for while there is one. */
const mealUntil = useLocalStorage(STORED.mealUntil, 0)
const route = useRoute()
const running = computed(() => runs.running.map(({ name, plan }) => plan.cookerName ?? name).join(', '))
const stove = computed(() => (runs.running.length === 1 ? `/cook/${runs.running[0]!.id}` : '/cook'))
/** The stove says itself what is on it. */
const atStove = computed(() => route.path.startsWith('/cook'))

const links = [
  { to: '/', key: 'day' },
  { to: '/pot', key: 'pot' },
  { to: '/dishes', key: 'dishes' },
  { to: '/larder', key: 'larder' },
  { to: '/kitchen', key: 'kitchen' },
  { to: '/log', key: 'log' },
] as const
const isHere = (to: string) => (to === '/' ? route.path === '/' : route.path.startsWith(to))
/** The pot as it was last looked at. */
const view = usePotView()
const address = (to: string) => (to === '/pot' && view.value === 'tins' ? TINS_PATH : to)

const asking = ref<'help' | 'search' | null>(null)
useEventListener(window, 'keydown', (event: KeyboardEvent) => {
  const typing = (event.target as HTMLElement).closest('input, textarea, [contenteditable]')
  if (typing || event.ctrlKey || event.metaKey || event.altKey) return
  if (event.key === '?') asking.value = 'help'
  else if (event.key === '/') asking.value = 'search'
  else return
  event.preventDefault()
})
/** Nobody has come in at this device, or the household was taken away. */
const isOutside = computed(() => [401, 410].includes(kitchen.failure?.status ?? 0))
/** Who goes to another place by the keyboard goes on from there, and not from where nothing is any more. */
const content = useTemplateRef<HTMLElement>('content')
watch(
  () => route.path,
  async () => {
    await nextTick()
    const at = document.activeElement
    if (!at || at === document.body || !content.value?.contains(at)) content.value?.focus({ preventScroll: true })
  },
)
const themeIcon = computed(
  () => ({ system: mdiThemeLightDark, light: mdiWhiteBalanceSunny, dark: mdiWeatherNight })[choice.value],
)
</script>

<template>
  <div>
    <header class="bar no-print">
      <NuxtLink to="/" class="brand" :aria-label="t('app.name')">
        <svg viewBox="0 0 32 32" width="28" height="28" aria-hidden="true">
          <path d="M16 2c3 4 4 6 4 8a4 4 0 0 1-8 0c0-2 1-4 4-8z" fill="var(--steam)" />
          <path d="M4 16h24v8a5 5 0 0 1-5 5H9a5 5 0 0 1-5-5z" fill="var(--ink)" />
        </svg>
        <span class="figure">{{ t('app.name') }}</span>
      </NuxtLink>
      <nav v-if="!isOutside" :aria-label="t('app.nav.main')">
        <NuxtLink
          v-for="{ to, key } in links"
          :key="key"
          :to="address(to)"
          class="room"
          :class="{ 'room-here': isHere(to) }"
          :aria-current="isHere(to) ? 'page' : undefined"
        >
          <span class="room-name">{{ t(`app.nav.${key}`) }}</span>
        </NuxtLink>
      </nav>
      <span class="gap" />
      <NuxtLink
        v-if="runs.running.length > 0 && !atStove"
        :to="stove"
        class="running"
        :aria-label="t('app.running', { name: running }, runs.running.length)"
      >
        <span class="ember" aria-hidden="true" />
        <span class="wide">{{ t('app.running', { name: running }, runs.running.length) }}</span>
      </NuxtLink>
      <IconButton v-if="!isOutside" :icon="mdiMagnify" :label="t('app.search')" @click="asking = 'search'" />
      <IconButton v-if="!isOutside" :icon="mdiHelp" :label="t('app.help')" @click="asking = 'help'" />
      <IconButton :icon="themeIcon" :label="t(`app.theme.${choice}`)" @click="next" />
    </header>
    <LazyCallBar v-if="runs.running.length > 0 && kitchen.kitchen" />
    <LazyMealCalls v-if="mealUntil > 0 && kitchen.kitchen" />
    <LazySignInNotice v-if="household.signIn && kitchen.kitchen" />
    <NuxtRouteAnnouncer />
    <p v-if="isNotKept" class="not-kept no-print" role="status">{{ t('app.notKept') }}</p>
    <main id="content" ref="content" tabindex="-1">
      <LazyAuthGate v-if="!kitchen.kitchen && isOutside" :leaving="kitchen.failure?.status === 410" />
      <StateNotice v-else-if="!kitchen.kitchen && kitchen.failure" :failure="kitchen.failure" @retry="kitchen.load" />
      <p v-else-if="!kitchen.kitchen" class="waiting soft" role="status">{{ t('app.loading') }}</p>
      <slot v-else />
    </main>
    <LazyFoodSearch v-if="asking === 'search' && kitchen.kitchen" @close="asking = null" />
    <LazyHelpSheet v-if="asking === 'help'" @close="asking = null" />
  </div>
</template>

<style scoped>
.bar {
  display: flex;
  align-items: center;
  gap: 22px;
  min-height: 52px;
  padding: 0 24px;
  border-bottom: 1px solid var(--line);
}
.not-kept {
  margin: 0;
  padding: 8px 24px;
  border-bottom: 1px solid var(--line);
  font-size: 15px;
}
.brand {
  display: flex;
  align-items: center;
  gap: 8px;
  color: var(--ink);
  text-decoration: none;
  font-size: 26px;
}
nav {
  display: flex;
  align-self: stretch;
}
.room {
  display: flex;
  align-items: center;
  padding: 0 11px;
  color: var(--ink-soft);
  text-decoration: none;
  border-bottom: 3px solid transparent;
  border-top: 3px solid transparent;
}
.room-here {
  color: var(--ink);
  font-weight: 700;
  border-bottom-color: var(--ink);
}
.gap {
  flex: 1;
}
.running {
  display: flex;
  align-items: center;
  gap: 8px;
  padding: 5px 12px;
  border: 1px solid var(--line);
  border-radius: var(--corner);
  color: var(--ink);
  font-size: 14px;
  text-decoration: none;
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
}
.ember {
  flex: none;
  width: 9px;
  height: 9px;
  border-radius: 50%;
  background: var(--heat-high);
}
.waiting {
  padding: 48px 24px;
}
main:focus {
  outline: none;
}
/* On a phone the places stand at the foot, under the thumb. */
@media (max-width: 719px) {
  .bar {
    gap: 2px;
    padding: 0 8px;
  }
  .brand {
    min-height: 44px;
    font-size: 24px;
  }
  nav {
    position: fixed;
    inset: auto 0 0;
    z-index: 5;
    display: grid;
    grid-template-columns: repeat(6, minmax(0, 1fr));
    height: calc(var(--foot) + env(safe-area-inset-bottom));
    padding-bottom: env(safe-area-inset-bottom);
    border-top: 1px solid var(--line);
    background: var(--ground);
  }
  .room {
    justify-content: center;
    min-width: 44px;
    padding: 0;
    /* Six words of any language stand beside each other. */
    font-size: min(15px, 3.6vw);
    border-bottom: 0;
  }
  .room-name {
    overflow: hidden;
    text-overflow: ellipsis;
  }
  .room-here {
    border-top-color: var(--ink);
  }
  .wide {
    display: none;
  }
  .running {
    min-width: 44px;
    min-height: 44px;
    justify-content: center;
  }
  main {
    padding-bottom: calc(var(--foot) + env(safe-area-inset-bottom));
  }
}
@media (max-width: 360px) {
  .room {
    font-size: 13.5px;
  }
}
</style>
