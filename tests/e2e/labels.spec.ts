import { expect, test, type Page } from '@playwright/test'
import jsQR from 'jsqr'
import { complaints, DEMO, openAsManager } from './kitchen'
import { said, say } from './words'

/** What a decoder that is not ours reads in a picture of the screen. */
async function decoded(page: Page, png: Buffer): Promise<string | undefined> {
  const { width, data } = await page.evaluate(async (base64) => {
    const image = new Image()
    image.src = `data:image/png;base64,${base64}`
    await image.decode()
    const canvas = new OffscreenCanvas(image.width, image.height)
    const pen = canvas.getContext('2d')
    pen?.drawImage(image, 0, 0)
    const pixels = pen?.getImageData(0, 0, image.width, image.height).data ?? []
    return { width: image.width, data: [...pixels] }
  }, png.toString('base64'))
  return jsQR(new Uint8ClampedArray(data), width, data.length / 4 / width)?.data
}

test('labels on the screen are read by another decoder, and lead to what they name', async ({ page }) => {
  const heard = complaints(page)
  await openAsManager(page, '/labels?knives=CH-07,BR-01')
  const first = page.locator('.paper li .code').first()
  const text = await decoded(page, await first.screenshot())
  expect(text).toMatch(/\/K\/CH-07$/)
  // a telephone opens the address in the capitals that make the code small
  await page.goto(text ?? '')
  await expect(page.getByRole('heading', { name: 'CH-07' })).toBeVisible()

  await page.goto(`${DEMO}/labels`)
  await page.getByRole('button', { name: say('labels.kind.place') }).click()
  const place = await decoded(page, await first.screenshot())
  const name = await page.locator('.paper li .short').first().textContent()
  await page.goto(place ?? '')
  await expect(page).toHaveURL(/\/rack\?stations=/)
  await expect(page.getByRole('heading', { name: name ?? '' })).toBeVisible()
  expect(heard).toEqual([])
})

test('labels start where the opened sheet was left, and print one to one', async ({ page }) => {
  await openAsManager(page, '/labels?knives=CH-07')
  await page.getByRole('combobox', { name: say('labels.sheet') }).click()
  await page.getByRole('option', { name: said('labels.size', { paper: 'Letter', n: '30' }) }).click()
  await page.getByLabel(say('labels.used')).fill('4')
  const label = page.locator('.paper li').nth(4)
  await expect(label).toContainText('CH-07')
  const [paper, box] = [await page.locator('.paper').boundingBox(), await label.boundingBox()]
  const PX_PER_MM = 96 / 25.4
  expect(Math.round((paper?.width ?? 0) / PX_PER_MM)).toBe(216)
  // the second label of the second row
  expect(((box?.x ?? 0) - (paper?.x ?? 0)) / PX_PER_MM).toBeCloseTo(4.8 + 66.7 + 3.1, 0)
  expect(((box?.y ?? 0) - (paper?.y ?? 0)) / PX_PER_MM).toBeCloseTo(12.7 + 25.4, 0)
})

test('a label held before the camera opens its knife from any screen', async ({ page }) => {
  await openAsManager(page, '/week')
  await expect(page.getByRole('heading', { name: say('week.title') })).toBeVisible()
  await page.keyboard.press('.')
  const dialog = page.getByRole('dialog', { name: say('scan.title') })
  // this machine has no camera: it says so, takes the code beside the label, and the simulator holds one up
  await expect(dialog.getByRole('alert')).toContainText(say('scan.fault.none'))
  await dialog.getByRole('button', { name: say('scan.simulator') }).click()
  await dialog.getByRole('combobox', { name: say('scan.simulatorLabel') }).click()
  await page.getByRole('searchbox').fill('BN-01')
  await page.getByRole('option', { name: 'BN-01' }).click()
  await expect(dialog.getByRole('status')).toContainText('BN-01')
  await dialog.getByRole('button', { name: say('knife.act.check') }).click()
  await expect(page).toHaveURL(/\/check\/BN-01$/)
})
