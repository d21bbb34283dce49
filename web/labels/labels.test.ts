import jsQR from 'jsqr'
import { describe, expect, it } from 'vitest'
import { keyOfId, labelText, readLabel } from './labelText'
import { qrPath } from './qrPath'
import { LABEL_SHEETS, pagesOf, PAPER_MM } from './sheets'

const PIXELS = 4
/** A drawn code as a camera would see it, some of its squares wiped off. */
function photographed(
  { size, path }: ReturnType<typeof qrPath>,
  wiped: (x: number, y: number) => boolean = () => false,
) {
  const side = size * PIXELS
  const image = new Uint8ClampedArray(side * side * 4).fill(255)
  for (const [, x = '', y = '', width = ''] of path.matchAll(/M(\d+) (\d+)h(\d+)v1H\d+z/g))
    for (let square = Number(x); square < Number(x) + Number(width); square += 1)
      for (let at = 0; at < PIXELS * PIXELS; at += 1) {
        if (wiped(square, Number(y))) continue
        const [px, py] = [square * PIXELS + (at % PIXELS), Number(y) * PIXELS + Math.floor(at / PIXELS)]
        image.fill(0, (py * side + px) * 4, (py * side + px) * 4 + 3)
      }
  return { image, side }
}
const ORIGIN = 'http://192.0.2.14:4180'

describe('a label', () => {
  it.each(['CH-07', 'A', 'KNIFE-100-B2'])('of the knife %s is read by another decoder', (key) => {
    const text = labelText(ORIGIN, { kind: 'knife', key })
    const { image, side } = photographed(qrPath(text))
    expect(jsQR(image, side, side)?.data).toBe(text)
    expect(readLabel(text)).toEqual({ kind: 'knife', key })
  })

  it('is still read when a corner of it is worn off', () => {
    const text = labelText(ORIGIN, { kind: 'gear', key: keyOfId('6f1d4b52-54f0-4a6e-9a35-0f2f6f5b8f51') })
    const drawing = qrPath(text)
    const worn = photographed(drawing, (x, y) => x > drawing.size - 11 && y > drawing.size - 9)
    expect(jsQR(worn.image, worn.side, worn.side)?.data).toBe(text)
    expect(readLabel(text)).toEqual({ kind: 'gear', key: '6F1D4B52' })
  })

  it('stands on what it names, whatever address the house had when it was printed, and on nothing else', () => {
    expect(readLabel('https://old.example/k/ch-07')).toEqual({ kind: 'knife', key: 'CH-07' })
    for (const other of ['CH-07', 'https://shop.example/knife/1', 'WIFI:S:kitchen;', 'javascript:alert(1)'])
      expect(readLabel(other)).toBeNull()
  })
})

describe('sheets of labels', () => {
  it.each(LABEL_SHEETS)('$name stays on its paper', ({ paper, columns, rows, width, height, left, top, gap }) => {
    expect(left + columns * width + (columns - 1) * gap).toBeLessThanOrEqual(PAPER_MM[paper].width + 0.1)
    expect(top + rows * height).toBeLessThanOrEqual(PAPER_MM[paper].height)
  })

  it('go on where an opened sheet was left, and over as many pages as it takes', () => {
    const [sheet] = LABEL_SHEETS
    if (!sheet) throw new Error('no sheet')
    const pages = pagesOf(
      Array.from({ length: 25 }, (_, at) => at),
      sheet,
      4,
    )
    expect(pages.map((page) => page.length)).toEqual([21, 8])
    expect(pages[0]?.slice(0, 5)).toEqual([null, null, null, null, 0])
  })
})
