export default defineEventHandler(() => {
  throw refusal(404, { path: '', code: 'not-found', message: 'There is nothing at this address.' })
})
