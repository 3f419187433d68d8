import { mkdir, readdir, rename, rm, writeFile } from 'node:fs/promises'
import path from 'node:path'
import { authDatabase, databaseOf } from '../db/client'
import { allHouseholds, clearAway, holdingLock } from '../db/auth'
import { householdStore } from '../db/household'
import { factsOf, logger } from '../logger'

const HOUR_MS = 3_600_000
const KEPT_DAYS = 7
const LEAVING_DAYS = 30
/** Any number, as long as nothing else in the database takes it. */
const LOCK = 6_042_720

/**
 * Once a night, by whichever server is first: what was taken away thirty days ago goes, and each household is written
 * into a file of its own, kept for a week.
 */
export default defineNitroPlugin((nitro) => {
  const look = () => nightly().catch((error: unknown) => logger.error('the nightly copy failed', factsOf(error)))
  const timer = setInterval(look, HOUR_MS)
  timer.unref()
  nitro.hooks.hook('close', () => clearInterval(timer))
  void look()
})

async function nightly(): Promise<void> {
  const { copiesFolder } = useRuntimeConfig()
  const auth = authDatabase()
  await holdingLock(auth, LOCK, async () => {
    await clearAway(auth, new Date(Date.now() - LEAVING_DAYS * 24 * HOUR_MS))
    const households = await allHouseholds(auth)
    // A day on which there was nothing yet is not done: the first household is copied within the hour.
    if (!copiesFolder || households.length === 0) return
    const today = new Date().toISOString().slice(0, 10)
    await mkdir(copiesFolder, { recursive: true })
    const there = await readdir(copiesFolder)
    if (there.includes(today)) return
    const begun = path.join(copiesFolder, `.${today}`)
    await mkdir(begun, { recursive: true, mode: 0o700 })
    let copied = 0
    for (const householdId of households)
      try {
        const store = householdStore(databaseOf(householdId), readingAs(householdId))
        await writeFile(path.join(begun, `${householdId}.zip`), await archiveOf(store), { mode: 0o600 })
        copied++
      } catch (error) {
        // One that cannot be copied is said, and the others are.
        logger.error('a household was not copied', { householdId, ...factsOf(error) })
      }
    // A copy is there as a whole, or not at all.
    await rename(begun, path.join(copiesFolder, today))
    logger.info('households were copied', { copied, day: today })
    const old = [...there.filter((name) => /^\d{4}-\d\d-\d\d$/.test(name)), today].sort().slice(0, -KEPT_DAYS)
    for (const day of old) await rm(path.join(copiesFolder, day), { recursive: true, force: true })
  })
}
