import { expect, test } from '@playwright/test'
import { mkdirSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { kitchen, madeStrokes, under } from '../../core/listening/simulatedSound'
import { chance } from '../../core/statistics/random'
import { complaints, openAsManager } from './kitchen'
import { begins, say, recipe, keyNamed } from './words'

const RATE = 44_100
const STROKES = 14
const HEADER_BYTES = 44

/** Sixteen-bit sound in a file, as browsers take it for a microphone (RIFF WAVE, PCM, one channel). */
function wave(samples: Float32Array): Buffer {
  const bytes = Buffer.alloc(HEADER_BYTES + 2 * samples.length)
  bytes.write('RIFF', 0)
  bytes.writeUInt32LE(bytes.length - 8, 4)
  bytes.write('WAVEfmt ', 8)
  bytes.writeUInt32LE(16, 16)
  bytes.writeUInt16LE(1, 20)
  bytes.writeUInt16LE(1, 22)
  bytes.writeUInt32LE(RATE, 24)
  bytes.writeUInt32LE(2 * RATE, 28)
  bytes.writeUInt16LE(2, 32)
  bytes.writeUInt16LE(16, 34)
  bytes.write('data', 36)
  bytes.writeUInt32LE(2 * samples.length, 40)
  samples.forEach((value, at) =>
    bytes.writeInt16LE(Math.round(32_000 * Math.max(-1, Math.min(1, value))), HEADER_BYTES + 2 * at),
  )
  return bytes
}

const file = join(process.cwd(), '.data', 'strokes.wav')
mkdirSync(join(process.cwd(), '.data'), { recursive: true })
const luck = chance(21)
const made = madeStrokes(luck, RATE, { micron: 11.5, aMinute: 60, strokes: STROKES }).samples
// after the strokes the kitchen goes on for a minute: the file is played round and round
const whole = new Float32Array(made.length + 60 * RATE)
whole.set(made)
writeFileSync(file, wave(under(whole, kitchen(luck, RATE, whole.length / RATE), 15)))

test.use({
  permissions: ['microphone'],
  launchOptions: {
    executablePath: process.env['CHROMIUM'] ?? '/usr/bin/chromium',
    args: [
      '--no-sandbox',
      '--disable-gpu',
      '--use-fake-device-for-media-stream',
      '--use-fake-ui-for-media-stream',
      `--use-file-for-fake-audio-capture=${file}`,
    ],
  },
})

test('the bench counts strokes by ear, is corrected by a touch, and stops listening', async ({ page }) => {
  const problems = complaints(page)
  const sent: string[] = []
  page.on('request', (request) => {
    if (request.method() !== 'GET') sent.push(request.postData() ?? '')
  })
  await openAsManager(page, '/bench/PE-02')
  await page.getByRole('combobox', { name: say('bench.recipeLabel') }).click()
  await page.getByRole('option', { name: recipe('touch-up'), exact: true }).click()
  await page.getByRole('button', { name: keyNamed('bench.start') }).click()
  while (!(await page.getByRole('button', { name: begins('bench.stroke') }).isVisible()))
    await page.getByRole('button', { name: begins('bench.next') }).click()
  const count = page.locator('.count .big')
  await expect(count).toHaveText('0')
  await page.getByRole('button', { name: say('bench.ear.on') }).click()
  await expect(page.getByText(say('bench.ear.learning'))).toBeVisible()
  // nothing is counted that was not heard in a rhythm; then all of it is
  await expect(page.getByText(say('bench.ear.listening'))).toBeVisible({ timeout: 30_000 })
  await expect
    .poll(async () => Number(await count.textContent()), { timeout: 30_000 })
    .toBeGreaterThanOrEqual(STROKES - 2)
  await page.waitForTimeout(4000)
  const heard = Number(await count.textContent())
  expect(heard).toBeGreaterThanOrEqual(STROKES - 2)
  expect(heard).toBeLessThanOrEqual(STROKES + 1)
  await page.getByRole('button', { name: say('bench.ear.less') }).click()
  await expect(count).toHaveText(String(heard - 1))
  await page.getByRole('button', { name: say('bench.ear.off') }).click()
  await expect(page.getByRole('button', { name: say('bench.ear.on') })).toBeVisible()
  // the knife is free again for whoever comes next
  await page.getByRole('button', { name: say('bench.abandon') }).click()
  await expect(page.getByRole('button', { name: say('bench.abandon') })).toBeHidden()
  // counts leave the device, the sound does not
  expect(sent.every((body) => body.length < 5000)).toBe(true)
  expect(problems).toEqual([])
})
