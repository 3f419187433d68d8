import type { I18n } from 'vue-i18n'
import { LOADERS, type Locale, type Room } from '~~/locales/rooms'

/** Messages that every screen needs. */
export const EVERYWHERE: readonly Room[] = ['everywhere']
/** Those that tell of a pot that goes on. */
export const STOVE: readonly Room[] = ['cook', 'runs', 'cautions', 'steps']

/** Those that tell of a dinner of several dishes. */
export const MEAL: readonly Room[] = [
  'meals',
  'steps',
  'dishes',
  'dishProblems',
  'ingredients',
  'pot',
  'cautions',
  'cook',
]

/** The further files of each place, by the first part of its address. */
const OF_PLACE: Record<string, readonly Room[]> = {
  '': ['day'],
  pot: ['pot', 'steps', 'cautions'],
  cook: ['pot', 'log', ...STOVE],
  practice: ['pot', 'log', ...STOVE],
  log: ['log', 'learnt', 'larder', 'pot', ...STOVE],
  kitchen: ['kitchen', 'pot'],
  larder: ['larder', 'pot', 'cautions'],
  join: ['door'],
  guest: ['door'],
  dishes: ['dishes', 'steps', 'day', 'pot', 'cautions', 'dishProblems', 'ingredients'],
}
export function roomsOf(path: string): readonly Room[] {
  const [, place = '', within] = path.split('/')
  const more: Record<string, readonly Room[]> = { 'pot/tins': ['stack'], 'kitchen/people': ['door'] }
  return [...(OF_PLACE[place] ?? []), ...(more[`${place}/${within}`] ?? [])]
}

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
