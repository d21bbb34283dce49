import decodeQR from 'qr/decode.js'

/** One look of the camera. */
export interface ScanTask {
  readonly width: number
  readonly height: number
  readonly data: Uint8ClampedArray
}
/** What stands in the code that was in the picture, or that there was none. */
export type ScanAnswer = string | null

/** Looks for a label off the page's thread, so that the picture goes on while it looks. */
addEventListener('message', ({ data }: MessageEvent<ScanTask>) => {
  let found: ScanAnswer
  try {
    found = decodeQR(data)
  } catch {
    // no code in this picture, or none that can be read
    found = null
  }
  postMessage(found)
})
