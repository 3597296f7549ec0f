import { t } from '../words/t'

const LONGEST_SIDE = 2000
const QUALITY = 0.85

/**
 * A photograph in the size that is worth keeping. What the camera noted beside it, the place above all, is left out, and it
 * stands the right way up.
 */
export async function pictureOf(file: File): Promise<File> {
  if (typeof createImageBitmap === 'undefined') return file
  const bitmap = await createImageBitmap(file, { imageOrientation: 'from-image' }).catch(() => {
    throw new Error(t('pictures:notRead'))
  })
  const scale = Math.min(1, LONGEST_SIDE / Math.max(bitmap.width, bitmap.height))
  const canvas = document.createElement('canvas')
  canvas.width = Math.max(1, Math.round(bitmap.width * scale))
  canvas.height = Math.max(1, Math.round(bitmap.height * scale))
  canvas.getContext('2d')?.drawImage(bitmap, 0, 0, canvas.width, canvas.height)
  bitmap.close()
  const kind = file.type === 'image/png' && scale === 1 ? 'image/png' : 'image/jpeg'
  const blob = await new Promise<Blob | null>((done) => canvas.toBlob(done, kind, QUALITY))
  return blob ? new File([blob], file.name, { type: kind }) : file
}
