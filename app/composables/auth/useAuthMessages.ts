/** Loads the messages of signing in where they are needed. True once they are there. */
export function useAuthMessages() {
  const areThere = ref(false)
  void useNuxtApp()
    .$loadBundles(['auth'])
    .then(() => (areThere.value = true))
  return areThere
}
