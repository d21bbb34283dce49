import { expect } from 'vitest'

// tests of screens read English: its catalogue is there before the first of them
if (expect.getState().testPath?.includes('/web/')) {
  const { everyWord, speak } = await import('../web/spoken')
  await speak('en')
  await everyWord()
}
