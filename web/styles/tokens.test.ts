import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'

const css = readFileSync(new URL('./tokens.css', import.meta.url), 'utf8')
const tokensIn = (block: string): Map<string, string> =>
  new Map([...block.matchAll(/--([\w-]+):\s*(#[0-9a-f]{3,6})\b/gi)].map(([, name = '', value = '']) => [name, value]))
const light = tokensIn(css.slice(css.indexOf(':root'), css.indexOf('}')))
const chosenDark = css.slice(css.indexOf("[data-theme='dark'] {"))
const dark = new Map([...light, ...tokensIn(chosenDark.slice(0, chosenDark.indexOf('}')))])
const deviceDark = css.slice(css.indexOf('prefers-color-scheme: dark'))

/** Relative luminance, WCAG 2.2, https://www.w3.org/TR/WCAG22/#dfn-relative-luminance */
function luminance(hex: string): number {
  const full = hex.length === 4 ? hex.replace(/[0-9a-f]/gi, '$&$&') : hex
  const [r = 0, g = 0, b = 0] = [1, 3, 5]
    .map((at) => parseInt(full.slice(at, at + 2), 16) / 255)
    .map((value) => (value <= 0.04045 ? value / 12.92 : ((value + 0.055) / 1.055) ** 2.4))
  return 0.2126 * r + 0.7152 * g + 0.0722 * b
}
/** Contrast ratio, WCAG 2.2, https://www.w3.org/TR/WCAG22/#dfn-contrast-ratio */
function contrast(a: string, b: string): number {
  const [lighter = 0, darker = 0] = [luminance(a), luminance(b)].sort((x, y) => y - x)
  return (lighter + 0.05) / (darker + 0.05)
}

const TEXT_AA = 4.5
const GRAPHICS_AA = 3
const TONES = ['keen', 'sound', 'tiring', 'dull', 'out']

describe('the tones', () => {
  it('are measured by the published formula', () => {
    expect(contrast('#000', '#fff')).toBeCloseTo(21, 5)
    expect(contrast('#ffffff', '#ffffff')).toBe(1)
    // the darkest grey that is too light for text on white, as the guideline's techniques name it
    expect(contrast('#777777', '#ffffff')).toBeCloseTo(4.48, 2)
  })

  describe.each([
    ['light', light],
    ['dark', dark],
  ])('in the %s', (_, tokens) => {
    const tone = (name: string): string => {
      const value = tokens.get(name)
      if (!value) throw new Error(`there is no tone ${name}`)
      return value
    }
    it.each(['ground', 'paper'])('words can be read on the %s', (ground) => {
      for (const name of ['ink', 'ink-soft', 'out', 'ember', 'keen'])
        expect(contrast(tone(name), tone(ground)), name).toBeGreaterThanOrEqual(TEXT_AA)
    })
    it.each(['ground', 'paper'])('every tone of an edge is seen on the %s', (ground) => {
      for (const name of TONES) expect(contrast(tone(name), tone(ground)), name).toBeGreaterThanOrEqual(GRAPHICS_AA)
    })
    it('words can be read on slate, and services on their band', () => {
      expect(contrast(tone('on-slate'), tone('slate'))).toBeGreaterThanOrEqual(TEXT_AA)
      expect(contrast(tone('on-slate-soft'), tone('slate'))).toBeGreaterThanOrEqual(TEXT_AA)
      expect(contrast(tone('on-service'), tone('service'))).toBeGreaterThanOrEqual(TEXT_AA)
    })
    it('rims of controls and the mark of focus are seen', () => {
      for (const name of ['steel-line', 'focus'])
        expect(contrast(tone(name), tone('ground')), name).toBeGreaterThanOrEqual(GRAPHICS_AA)
    })
  })

  it('are the same whether the dark was chosen here or on the device', () => {
    const device = tokensIn(deviceDark.slice(0, deviceDark.indexOf('}')))
    for (const [name, value] of tokensIn(chosenDark.slice(0, chosenDark.indexOf('}'))))
      expect(device.get(name), name).toBe(value)
  })
})
