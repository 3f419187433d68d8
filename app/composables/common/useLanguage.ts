import { useLocalStorage } from '@vueuse/core'
import { LANGUAGES, localeAmong, type Locale } from '~~/locales/languages'

/** What this device is asked to speak, and what its household speaks, as it was last heard. */
interface Kept {
  own?: string
  household?: string
  /** The one that was shown last: its words are on this device, also without a network. */
  shown?: string
}
const isLocale = (text: string | undefined): text is Locale => text !== undefined && Object.hasOwn(LANGUAGES, text)

/**
 * The language of the screens: the one chosen on this device, the household's, or the browser's first that there is.
 */
export function useLanguage() {
  const kept = useLocalStorage<Kept>('bivvet-language', {})
  const own = computed({
    get: () => (isLocale(kept.value.own) ? kept.value.own : null),
    set: (locale: Locale | null) => (kept.value = { ...kept.value, own: locale ?? undefined }),
  })
  const household = computed(() => (isLocale(kept.value.household) ? kept.value.household : null))
  const language = computed<Locale>(() => own.value ?? household.value ?? localeAmong(navigator.languages))
  /** The household's language is known before its kitchen is fetched the next time. */
  const hear = (locale: Locale | undefined) => {
    if (locale !== household.value && !(locale === undefined && household.value === null))
      kept.value = { ...kept.value, household: locale }
  }
  const begin = (): Locale => (isLocale(kept.value.shown) ? kept.value.shown : language.value)
  const keepShown = (locale: Locale) => {
    if (kept.value.shown !== locale) kept.value = { ...kept.value, shown: locale }
  }
  return { language, own, hear, begin, keepShown }
}
