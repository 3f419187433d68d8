/** Work that is never done twice at once: asked for meanwhile, it is done once more afterwards. */
export function oneAtATime(work: () => Promise<void>): () => Promise<void> {
  let going: Promise<void> | null = null
  return async () => {
    // Whether that went well is for those who asked for it.
    while (going) await going.catch(() => undefined)
    going = work().finally(() => (going = null))
    await going
  }
}
