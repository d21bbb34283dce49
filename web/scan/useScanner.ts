import { onScopeDispose, ref, shallowRef, watch, type Ref } from 'vue'
import type { ScanAnswer, ScanTask } from '../workers/scanWorker'

/** Why there is no picture: the browser has none to give on this address, or somebody said no. */
export type CameraFault = 'insecure' | 'refused' | 'none'

/** Wide enough for a label at arm's length, small enough to be looked through several times a second. */
const LOOK_PX = 720
const BETWEEN_LOOKS_MS = 120

async function openCamera(): Promise<MediaStream> {
  // browsers give a camera to secure addresses only
  const devices = navigator.mediaDevices as MediaDevices | undefined
  if (!devices) throw new DOMException('no secure address', 'SecurityError')
  return await devices.getUserMedia({ video: { facingMode: 'environment', width: { ideal: 1280 } }, audio: false })
}
const faultOf = (error: unknown): CameraFault => {
  const name = error instanceof DOMException ? error.name : ''
  return name === 'SecurityError' ? 'insecure' : name === 'NotAllowedError' ? 'refused' : 'none'
}

/**
 * Looks through a camera for labels, as long as its screen is there. Nothing of what it sees is kept or sent.
 *
 * @param video where the picture is shown
 * @param onRead hears of each code that is read, again and again while it is in the picture
 */
export function useScanner(video: Ref<HTMLVideoElement | null>, onRead: (text: string) => void) {
  const fault = ref<CameraFault | null>(null)
  const stream = shallowRef<MediaStream | null>(null)
  const worker = new Worker(new URL('../workers/scanWorker.ts', import.meta.url), { type: 'module' })
  const canvas = document.createElement('canvas')
  const pen = canvas.getContext('2d', { willReadFrequently: true })
  let ended = false
  let timer: ReturnType<typeof setTimeout> | undefined

  function look(): void {
    const picture = video.value
    if (ended || !pen || !picture || picture.videoWidth === 0) {
      if (!ended) timer = setTimeout(look, BETWEEN_LOOKS_MS)
      return
    }
    const scale = Math.min(1, LOOK_PX / picture.videoWidth)
    canvas.width = Math.round(picture.videoWidth * scale)
    canvas.height = Math.round(picture.videoHeight * scale)
    pen.drawImage(picture, 0, 0, canvas.width, canvas.height)
    const { data } = pen.getImageData(0, 0, canvas.width, canvas.height)
    const task: ScanTask = { width: canvas.width, height: canvas.height, data }
    worker.postMessage(task, [data.buffer])
  }
  worker.onmessage = ({ data }: MessageEvent<ScanAnswer>) => {
    if (ended) return
    if (data !== null) onRead(data)
    timer = setTimeout(look, BETWEEN_LOOKS_MS)
  }

  const close = (): void => {
    for (const track of stream.value?.getTracks() ?? []) track.stop()
    stream.value = null
  }
  /** Shows another picture in the camera's place. */
  function show(next: MediaStream): void {
    close()
    stream.value = next
    fault.value = null
  }
  async function start(): Promise<void> {
    try {
      const opened = await openCamera()
      if (ended) for (const track of opened.getTracks()) track.stop()
      else show(opened)
    } catch (error) {
      fault.value = faultOf(error)
    }
  }
  watch([stream, video], ([now, element]) => {
    if (element) element.srcObject = now
  })
  look()
  onScopeDispose(() => {
    ended = true
    clearTimeout(timer)
    worker.terminate()
    close()
  })
  return { fault, stream, start, show }
}
