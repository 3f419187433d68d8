/** What this device keeps is brought into today's shape before anything reads it. */
export default defineNuxtPlugin(async () => {
  const { isOutdated } = await import('~/composables/storageShape')
  if (!isOutdated(localStorage)) return
  const { upgradeStorage } = await import('~/composables/storageUpgrade')
  upgradeStorage(localStorage)
})
