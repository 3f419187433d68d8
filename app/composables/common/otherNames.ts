import { USUAL_LOCALE, type Locale } from '~~/locales/languages'

/** What each food is called in other languages than the one that is shown, English among them. */
export async function otherNames(shown: Locale): Promise<Readonly<Record<string, string>>> {
  const { default: abroad } = await import('~~/locales/abroad.json')
  if (shown === USUAL_LOCALE) return abroad
  const english = await useWorker('answer').englishNames()
  return Object.fromEntries(Object.entries(abroad).map(([id, names]) => [id, `${names},${english[id] ?? ''}`]))
}
