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
export async function smallPhoto(bytes: Buffer): Promise<Buffer> {
  if (bytes.length === 0) throw refusal(422, { path: '', code: 'not-a-picture' })
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
