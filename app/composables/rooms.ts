import type { I18n } from 'vue-i18n'
import { LOADERS, type Locale, type Room } from '~~/locales/rooms'

/** Message files that every screen needs: its frame, names of foods, and what is wrong. */
export const EVERYWHERE: readonly Room[] = ['shell', 'catalogue', 'problems']
/** Those that tell of a pot that goes on. */
export const STOVE: readonly Room[] = ['cook', 'runs', 'cautions']

/** The further files of each place, by the first part of its address. */
const OF_PLACE: Record<string, readonly Room[]> = {
  '': ['day', 'pot'],
  pot: ['pot', 'stack', 'cautions'],
  cook: ['pot', 'log', ...STOVE],
  practice: ['pot', 'log', ...STOVE],
  log: ['log', 'pot', ...STOVE],
  kitchen: ['kitchen', 'pot'],
  larder: ['larder', 'pot', 'cautions'],
  dishes: ['dishes', 'day', 'pot'],
}
export const roomsOf = (path: string): readonly Room[] => OF_PLACE[path.split('/')[1] ?? ''] ?? []

const loaded = new Set<Room>()

/** Loads message files into the library, each once. */
export async function loadRooms({ global }: I18n, rooms: readonly Room[]): Promise<void> {
  const locale = (typeof global.locale === 'string' ? global.locale : global.locale.value) as Locale
  const missing = rooms.filter((room) => !loaded.has(room))
  const files = await Promise.all(missing.map((room) => LOADERS[locale][room]()))
  files.forEach((file, i) => {
    global.mergeLocaleMessage(locale, file.default as never)
    loaded.add(missing[i]!)
  })
}
