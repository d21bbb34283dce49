import { describe, expect, it } from 'vitest'
import { standAside, urgently } from './urgent'

describe('long reckoning', () => {
  it('stands aside until what somebody waits for is done, also where that fails', async () => {
    const told: string[] = []
    let finish: () => void = () => undefined
    const record = urgently(async () => {
      await new Promise<void>((settle) => {
        finish = settle
      })
      told.push('recorded')
      throw new Error('refused')
    })
    const reckoning = standAside().then(() => told.push('reckoned'))
    await new Promise((settle) => setTimeout(settle, 20))
    expect(told).toEqual([])
    finish()
    await expect(record).rejects.toThrow('refused')
    await reckoning
    expect(told).toEqual(['recorded', 'reckoned'])
  })

  it('goes on after a while where somebody always records something, and at once where nobody does', async () => {
    let finish: () => void = () => undefined
    const record = urgently(
      () =>
        new Promise<void>((settle) => {
          finish = settle
        }),
    )
    await standAside()
    finish()
    await record
    await standAside()
  })
})
