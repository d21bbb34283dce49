import { expect, it } from 'vitest'
import { timeZoneChoices } from './timeZones'

it('offers each zone once, UTC too, and the one that stands now under its older name', () => {
  const names = timeZoneChoices('Asia/Calcutta').map(({ value }) => value)
  expect(new Set(names).size).toBe(names.length)
  expect(names).toEqual(expect.arrayContaining(['Europe/Lisbon', 'UTC', 'Asia/Calcutta']))
})
