/** Stands in for the running application, for stores that are tested alone: a message is its own name. */
export const useNuxtApp = () => ({ $i18nText: { t: (key: string) => key } })
