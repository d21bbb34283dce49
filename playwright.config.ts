import { defineConfig } from '@playwright/test'
import { LOCALE } from './tests/e2e/words'

/**
 * Parts of the browser that no test sees and each new page would start: popups of its address bar, hints, updates. The
 * last list that is given counts, so the runner's own names stand here too.
 */
const WITHOUT = [
  'AimEnabled',
  'AvoidCorsURLLoaderRestartOnRedirect',
  'AvoidUnnecessaryBeforeUnloadCheckSync',
  'DestroyProfileOnBrowserClose',
  'HttpsFirstBalancedModeAutoEnable',
  'HttpsUpgrades',
  'LensOverlay',
  'MediaRouter',
  'NetworkTimeServiceQuerying',
  'OptimizationHints',
  'PaintHolding',
  'PreconnectToSearch',
  'ThirdPartyStoragePartitioning',
  'WebUIOmniboxAimPopup',
  'WebUIOmniboxPopup',
  'WebUIOmniboxFullPopup',
]

export default defineConfig({
  testDir: 'tests/e2e',
  workers: 1,
  // one race on a slow machine must not hide what the rest says; what passed only the second time is listed as flaky
  retries: 1,
  // patient: a machine that does other work as well is not a fault of the program
  timeout: 120_000,
  expect: { timeout: 15_000 },
  reporter: [['list']],
  outputDir: 'test-results',
  use: {
    viewport: { width: 1280, height: 800 },
    locale: LOCALE,
    // the worker that keeps the app has tests of its own; the others meet the server alone
    serviceWorkers: 'block',
    trace: 'off',
    launchOptions: {
      executablePath: process.env['CHROMIUM'] ?? '/usr/bin/chromium',
      args: [
        '--no-sandbox',
        '--disable-gpu',
        '--disable-quic',
        '--no-first-run',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
        `--disable-features=${WITHOUT.join(',')}`,
      ],
    },
  },
})
