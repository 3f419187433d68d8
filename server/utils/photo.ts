import pLimit from 'p-limit'
import sharp from 'sharp'

/** What a camera gives; more is no photograph of a pot. */
export const MOST_PHOTO_BYTES = 8 * 1024 * 1024
const MEGAPIXELS = 40
/** Enough to see how grains lie. */
const SIDE = 960
const QUALITY = 72

/**
 * The picture made small and upright, as JPEG. What was written beside it (where and when it was taken, with what) is
 * left behind: only the points go in. Refused where it is no picture.
 */
export async function smallPhoto(bytes: Buffer, householdId: string): Promise<Buffer> {
  if (bytes.length === 0) throw refusal(422, { path: '', code: 'not-a-picture' })
  const mine = waiting.get(householdId) ?? 0
  if (mine >= MOST_WAITING_OF_ONE || inTurn.pendingCount >= MOST_WAITING) throw refusal(429, { path: '', code: 'busy' })
  waiting.set(householdId, mine + 1)
  try {
    return await inTurn(() => madeSmall(bytes))
  } finally {
    const left = waiting.get(householdId)! - 1
    if (left === 0) waiting.delete(householdId)
    else waiting.set(householdId, left)
  }
}

/** One after another: each takes all threads that reading files and signing in need too. */
const inTurn = pLimit(1)
const MOST_WAITING = 24
const MOST_WAITING_OF_ONE = 4
const waiting = new Map<string, number>()

async function madeSmall(bytes: Buffer): Promise<Buffer> {
  const picture = sharp(bytes, { limitInputPixels: false, failOn: 'error' })
  const found = await picture.metadata().catch(() => null)
  if (!found || !['jpeg', 'png', 'webp'].includes(found.format)) throw refusal(422, { path: '', code: 'not-a-picture' })
  if (found.width * found.height > MEGAPIXELS * 1e6)
    throw refusal(422, { path: '', code: 'picture-too-large', params: { megapixels: MEGAPIXELS } })
  try {
    return await picture
      .rotate()
      .resize({ width: SIDE, height: SIDE, fit: 'inside', withoutEnlargement: true })
      .flatten({ background: '#ffffff' })
      .jpeg({ quality: QUALITY, mozjpeg: true })
      .toBuffer()
  } catch {
    throw refusal(422, { path: '', code: 'not-a-picture' })
  }
}
