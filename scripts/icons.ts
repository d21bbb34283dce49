import { chromium } from '@playwright/test'
import { readFileSync } from 'node:fs'

/**
 * Makes the pictures a device shows for the installed app from `web/public/icon.svg`. A maskable one keeps the inner
 * four fifths for the blade (W3C, Web Application Manifest: icon masks and safe zone).
 */
const SLATE = '#22343a'
const SAFE_SHARE = 0.8
const PICTURES = [
  { name: 'icon-192', px: 192, share: 1 },
  { name: 'icon-512', px: 512, share: 1 },
  { name: 'icon-touch', px: 180, share: 0.9 },
  { name: 'icon-maskable', px: 512, share: SAFE_SHARE },
] as const

const svg = readFileSync('web/public/icon.svg').toString('base64')
const browser = await chromium.launch({
  executablePath: process.env['CHROMIUM'] ?? '/usr/bin/chromium',
  args: ['--no-sandbox', '--disable-gpu'],
})
const page = await browser.newPage()
for (const { name, px, share } of PICTURES) {
  await page.setViewportSize({ width: px, height: px })
  const ground = share === 1 ? 'transparent' : SLATE
  await page.setContent(
    `<body style="margin:0;display:grid;place-items:center;height:100vh;background:${ground}"><img width="${px * share}" src="data:image/svg+xml;base64,${svg}"></body>`,
  )
  await page.screenshot({ path: `web/public/${name}.png`, omitBackground: share === 1 })
}
await browser.close()
