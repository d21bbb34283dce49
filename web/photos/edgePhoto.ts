/** Larger files are not even opened: no camera of a tablet writes them, MB. */
export const MOST_FILE_MB = 30
const BYTES_IN_MB = 1_000_000
/** A picture of an edge needs no more points than this, and no more bytes than the server takes. */
const WIDEST = 1280
const MOST_BYTES = 390_000
const QUALITIES = [0.8, 0.65, 0.5, 0.35]

export type PhotoProblem = 'tooLarge' | 'notPicture'
export class PhotoError extends Error {
  constructor(readonly problem: PhotoProblem) {
    super(problem)
  }
}

const encoded = (canvas: HTMLCanvasElement, quality: number): Promise<Blob | null> =>
  new Promise((settle) => {
    canvas.toBlob(settle, 'image/jpeg', quality)
  })

/**
 * A small JPEG of a picture file, drawn anew, so that nothing of where and with what it was taken comes along.
 *
 * @throws PhotoError `tooLarge` for a file nobody's camera writes, `notPicture` for one no screen can draw
 */
export async function smallPhoto(file: Blob): Promise<Blob> {
  if (file.size > MOST_FILE_MB * BYTES_IN_MB) throw new PhotoError('tooLarge')
  const picture = await createImageBitmap(file).catch(() => {
    throw new PhotoError('notPicture')
  })
  const scale = Math.min(1, WIDEST / Math.max(picture.width, picture.height))
  const canvas = document.createElement('canvas')
  canvas.width = Math.max(1, Math.round(picture.width * scale))
  canvas.height = Math.max(1, Math.round(picture.height * scale))
  canvas.getContext('2d')?.drawImage(picture, 0, 0, canvas.width, canvas.height)
  picture.close()
  for (const quality of QUALITIES) {
    const blob = await encoded(canvas, quality)
    if (blob && blob.size <= MOST_BYTES) return blob
  }
  throw new PhotoError('notPicture')
}

/** Bytes in base64, as a body in JSON carries them. */
export async function inBase64(blob: Blob): Promise<string> {
  const bytes = new Uint8Array(await blob.arrayBuffer())
  let text = ''
  for (let at = 0; at < bytes.length; at += 0x8000) text += String.fromCharCode(...bytes.subarray(at, at + 0x8000))
  return btoa(text)
}
