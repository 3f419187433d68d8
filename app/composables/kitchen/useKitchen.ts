/** The household's kitchen, for whatever is shown once it has been fetched. */
export const useKitchen = () => computed(() => useKitchenStore().loaded)
