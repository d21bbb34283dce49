import { describe, expect, it } from 'vitest'
import type { KnifeView } from '../../contract/knives'
import { ACTIONS, type Action } from '../../core/edge/verdict/recommendation'
import { knifeActs } from './knifeActs'

const knife = (action: Action, runnerUp: Action | null = null, status: KnifeView['status'] = 'in-service'): KnifeView =>
  ({
    code: 'CH-01',
    type: 'chef',
    status,
    verdict: { action, runnerUp: runnerUp && { action: runnerUp } },
  }) as unknown as KnifeView
const chef = (): boolean => true
const cook = (): boolean => false

describe('the keys of a knife’s page', () => {
  it.each([
    ['stone', 'bench'],
    ['touch-up', 'bench'],
    ['thin', 'bench'],
    ['repair', 'bench'],
    ['hone', 'honed'],
    ['check', 'check'],
    ['quarantine', 'quarantine'],
    ['change-role', 'edit'],
    ['none', undefined],
  ] as const)('the dark one of a verdict “%s” is %s', (action, key) => {
    expect(knifeActs(knife(action), chef).first?.key).toBe(key)
  })

  it('the second is the runner-up, unless it is the same key', () => {
    expect(knifeActs(knife('stone', 'check'), chef).second?.key).toBe('check')
    expect(knifeActs(knife('stone', 'thin'), chef).second).toBeNull()
    expect(knifeActs(knife('hone'), chef).second).toBeNull()
  })

  it('nothing stands twice, and a check can always be reached', () => {
    for (const first of ACTIONS)
      for (const second of [null, ...ACTIONS]) {
        const acts = knifeActs(knife(first, second), chef)
        const keys = [acts.first, acts.second, ...acts.more].flatMap((act) => (act ? [act.key] : []))
        expect(new Set(keys).size).toBe(keys.length)
        expect(keys).toContain('check')
      }
  })

  it('who may not change a knife is not offered it', () => {
    const { first, more } = knifeActs(knife('change-role'), cook)
    expect(first).toBeNull()
    expect(more.map(({ key }) => key)).toEqual([
      'check',
      'honed',
      'bench',
      'workshop',
      'measure',
      'quarantine',
      'missing',
    ])
  })

  it('one that is out of service is let back first, and never honed or sharpened', () => {
    const { first, second, more } = knifeActs(knife('quarantine', null, 'quarantined'), chef)
    expect([first?.key, second?.key]).toEqual(['release', 'check'])
    expect(more.map(({ key }) => key)).not.toContain('bench')
    expect(knifeActs(knife('quarantine', null, 'quarantined'), cook).first?.key).toBe('check')
    expect(knifeActs(knife('none', null, 'retired'), cook).more).toEqual([])
  })

  it.each(['quarantined', 'missing', 'retired', 'counted'] as const)(
    'of a glove ask for no edge while it is %s',
    (status) => {
      const { first, second, more } = knifeActs({ ...knife('none', null, status), type: 'glove' }, chef)
      const keys = [first, second, ...more].flatMap((act) => act?.key ?? [])
      expect(keys).toContain('edit')
      for (const key of ['check', 'honed', 'bench', 'workshop', 'measure', 'practice', 'send-out'])
        expect(keys).not.toContain(key)
    },
  )
})
