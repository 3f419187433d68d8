import { tokenStyles } from '~/theme/tokens'

export default defineNuxtPlugin(() => {
  useHead({ style: [{ key: 'tokens', innerHTML: tokenStyles() }] })
})
