/** What tells of a pot that goes on stands on any place; its messages come when there is one. True once they are there. */
export function useStoveMessages() {
  const areThere = ref(false)
  void useNuxtApp()
    .$loadBundles(STOVE)
    .then(() => (areThere.value = true))
  return areThere
}
