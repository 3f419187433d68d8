import { secureStorage } from '~/composables/documents/deviceStorage'

/** What this device keeps is there, or stood in for, and in today's shape before anything reads it. */
export default defineNuxtPlugin(async () => {
  secureStorage(window)
  const { isOutdated } = await import('~/composables/documents/storageShape')
  try {
    if (!isOutdated(localStorage)) return
    const { upgradeStorage } = await import('~/composables/documents/storageUpgrade')
    upgradeStorage(localStorage)
  } catch (error) {
    // A storage that is full cannot be written anew; what stands in it stays, and the page opens.
    console.warn('Nothing is kept:', error)
  }
})
