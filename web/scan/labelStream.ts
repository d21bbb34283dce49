import { qrPath } from '../labels/qrPath'

const SIDE = 480
const FRAMES = 8
/** The label stands askew and off the middle, as in a hand. */
const HELD = { turn: 0.12, share: 0.55, x: 0.22, y: 0.2 }

/** A camera that sees one label: what the simulator holds up before it. */
export function labelStream(text: string): MediaStream {
  const canvas = document.createElement('canvas')
  canvas.width = SIDE
  canvas.height = SIDE
  const pen = canvas.getContext('2d')
  const { size, path } = qrPath(text)
  const drawn = new Path2D(path)
  const draw = (): void => {
    if (!pen) return
    pen.resetTransform()
    pen.fillStyle = '#b9ad94'
    pen.fillRect(0, 0, SIDE, SIDE)
    pen.translate(HELD.x * SIDE, HELD.y * SIDE)
    pen.rotate(HELD.turn)
    pen.scale((HELD.share * SIDE) / size, (HELD.share * SIDE) / size)
    pen.fillStyle = '#fdfcf7'
    pen.fillRect(0, 0, size, size)
    pen.fillStyle = '#14100c'
    pen.fill(drawn)
  }
  const stream = canvas.captureStream(FRAMES)
  draw()
  // a canvas gives a picture only when it is drawn anew
  const timer = setInterval(() => {
    if (stream.getVideoTracks().every(({ readyState }) => readyState === 'ended')) clearInterval(timer)
    else draw()
  }, 1000 / FRAMES)
  return stream
}
