/** What tells of a dinner stands on the day and calls from any place; its messages come when there is one. True once they are there. */
export function useMealMessages() {
  const areThere = ref(false)
  void useNuxtApp()
    .$loadBundles(MEAL)
    .then(() => (areThere.value = true))
  return areThere
}
