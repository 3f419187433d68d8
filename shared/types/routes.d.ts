declare module '#routes' {
  /** Every route of this server (nuxt.config.ts). */
  export const routes: { route: string; method: string }[]
}
declare module '#pages' {
  /** The addresses of all pages, as the router writes them (nuxt.config.ts). */
  export const pagePaths: string[]
}
