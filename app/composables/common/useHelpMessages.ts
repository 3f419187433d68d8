/** Loads the messages of the help where it is asked for. True once they are there. */
export function useHelpMessages() {
  const areThere = ref(false)
  void useNuxtApp()
    .$loadBundles(['help'])
    .then(() => (areThere.value = true))
  return areThere
}
