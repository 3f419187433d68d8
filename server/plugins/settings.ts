/**
 * The settings are those that the server was started with. The framework would read them from the environment anew for
 * every request, which takes longer than most answers.
 */
export default defineNitroPlugin((nitro) => {
  const settings = useRuntimeConfig()
  nitro.hooks.hook('request', (event) => {
    event.context.nitro = { ...event.context.nitro, runtimeConfig: settings }
  })
})
