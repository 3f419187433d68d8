export default defineEventHandler(() => {
  throw refusal(404, { path: '', code: 'not-found' })
})
