/** Work that is never done twice at once: however often it is asked for meanwhile, it is done once more afterwards. */
export function oneAtATime(work: () => Promise<void>): () => Promise<void> {
  let going: Promise<void> | null = null
  let next: Promise<void> | null = null
  const begin = () => (going = work().finally(() => (going = null)))
  return () => {
    if (!going) return begin()
    // Whether that went well is for those who asked for it.
    next ??= going
      .catch(() => undefined)
      .then(() => {
        next = null
        return begin()
      })
    return next
  }
}
