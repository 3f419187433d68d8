/// <reference types="vite/client" />
import userEvent from '@testing-library/user-event'
import { cleanup, render } from '@testing-library/vue'
import { getActivePinia } from 'pinia'
import { defineAsyncComponent, type Component } from 'vue'
import { createVuetify } from 'vuetify'
import { aliases, mdi } from 'vuetify/iconsets/mdi-svg'
import { VBtn } from 'vuetify/components/VBtn'
import { onTestFinished, vi } from 'vitest'
import { english, settle } from './house'

export { screen, within } from '@testing-library/vue'

/** Components by the names under which templates know them, each loaded when one is shown. */
const components = Object.fromEntries(
  Object.entries(import.meta.glob<{ default: Component }>('../app/components/**/*.vue')).map(([path, load]) => [
    /(\w+)\.vue$/.exec(path)![1]!,
    defineAsyncComponent(load),
  ]),
)

/** A component on a page of its own, in English, with the stores of the page that is open; `user` presses and types. */
export async function show(component: Component, props: Record<string, unknown> = {}) {
  const vuetify = createVuetify({
    aliases: { LinkBtn: VBtn, RowBtn: VBtn },
    icons: { defaultSet: 'mdi', aliases, sets: { mdi } },
  })
  const shown = render(component, {
    props,
    global: { plugins: [vuetify, await english(), getActivePinia()!], components, stubs: { NuxtLink: true } },
  })
  onTestFinished(cleanup)
  await vi.dynamicImportSettled()
  await settle()
  return { ...shown, user: userEvent.setup({ delay: null }) }
}
