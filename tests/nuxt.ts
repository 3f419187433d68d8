/** What stands in for the running application's messages: a message is its own name, until a screen is opened. */
export const spoken = { t: (key: string): string => key }

/** Stands in for the running application, for stores that are tested alone. */
export const useNuxtApp = () => ({ $i18nText: { t: (key: string) => spoken.t(key) } })
