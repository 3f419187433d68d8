/** There is no such address, or it cannot be asked that way. */
export default defineEventHandler((event) => {
  const methods = methodsOf(event.path.split('?')[0]!)
  if (methods.length === 0) throw refusal(404, { path: '', code: 'not-found' })
  setHeader(event, 'allow', methods.join(', '))
  throw refusal(405, { path: '', code: 'wrong-method', params: { methods: methods.join(', ') } })
})
