/** What is said at the door comes when somebody stands before it. True once it is there. */
export function useDoorMessages() {
  const areThere = ref(false)
  void useNuxtApp()
    .$loadRooms(['door'])
    .then(() => (areThere.value = true))
  return areThere
}
