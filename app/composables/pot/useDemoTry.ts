/** The try with the demo beans; what it takes comes when it is asked for. */
export function useDemoTry() {
  const { t } = useI18nText()
  const trying = ref(false)
  async function tryIt() {
    trying.value = true
    try {
      const { tryBeans } = await import('~/composables/pot/tryBeans')
      await tryBeans(t('app.tryCooker'))
    } finally {
      trying.value = false
    }
  }
  return { tryIt, trying }
}
