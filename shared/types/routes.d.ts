declare module '#routes' {
  /** Every route of this server (nuxt.config.ts). */
  export const routes: { route: string; method: string }[]
}
