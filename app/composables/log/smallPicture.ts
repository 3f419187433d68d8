/** As much as is worth sending; the server makes it smaller still. */
const SIDE = 1600
const QUALITY = 0.85
const SMALL_BYTES = 400_000

/** A picture made smaller before it is sent over a kitchen's network; as it is, where this browser cannot. */
export async function smallPicture(file: Blob): Promise<Blob> {
  if (file.size < SMALL_BYTES) return file
  try {
    const picture = await createImageBitmap(file)
    const scale = Math.min(1, SIDE / Math.max(picture.width, picture.height))
    const canvas = new OffscreenCanvas(Math.round(picture.width * scale), Math.round(picture.height * scale))
    canvas.getContext('2d')!.drawImage(picture, 0, 0, canvas.width, canvas.height)
    picture.close()
    return await canvas.convertToBlob({ type: 'image/jpeg', quality: QUALITY })
  } catch {
    return file
  }
}
