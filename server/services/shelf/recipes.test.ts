import { readFile } from '../../../sheets/readFile'
import { v4 as newId } from 'uuid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { addTestKnife, check, JUST_NOW, onTablet, startApp, type TestApp, type TestHouse } from '../../testing/harness'

let test: TestApp
let house: TestHouse
beforeAll(async () => {
  test = await startApp()
  house = await test.house()
})
afterAll(() => test.close())

interface View {
  recipe: { id: string; steps: { id: string; kind: string; words?: object }[] }
  own: boolean
}
const recipes = async (of = house): Promise<View[]> => (await of.manager.get('/api/recipes')).body
const full = async (): Promise<View['recipe']> => {
  const found = (await recipes()).find(({ recipe }) => recipe.id === 'full')
  if (!found) throw new Error('no recipe')
  return found.recipe
}

describe('recipes of a house', () => {
  it('start as every house’s, become its own, and go back', async () => {
    const recipe = await full()
    const changed = {
      ...recipe,
      steps: recipe.steps.map((step) =>
        step.kind === 'look'
          ? { ...step, words: { what: 'Hold it to the window.', why: 'Our lamp is broken.' } }
          : step,
      ),
    }
    expect((await house.manager.send('PUT', '/api/recipes/full', changed)).body.own).toBe(true)
    const own = (await recipes()).find(({ recipe: one }) => one.id === 'full')
    expect(own?.own).toBe(true)
    expect(own?.recipe.steps[0]).toMatchObject({ kind: 'look', words: { what: 'Hold it to the window.' } })
    expect((await recipes(await test.house('Next door'))).every(({ own }) => !own)).toBe(true)
    const back: View[] = (await house.manager.send('DELETE', '/api/recipes/full')).body
    expect(back.find(({ recipe: one }) => one.id === 'full')?.own).toBe(false)
  })

  it.each([
    [
      'without a wash at the end',
      (steps: View['recipe']['steps']) => steps.filter(({ kind }) => kind !== 'clean'),
      /washing and sanitising/,
    ],
    [
      'with a wash before the test',
      (steps: View['recipe']['steps']) => [
        ...steps.filter(({ kind }) => kind === 'clean'),
        ...steps.filter(({ kind }) => kind !== 'clean'),
      ],
      /ends with a test/,
    ],
    ['with a step twice', (steps: View['recipe']['steps']) => [...steps, ...steps.slice(-1)], /same name/],
    [
      'without a stroke',
      (steps: View['recipe']['steps']) => steps.filter(({ kind }) => kind !== 'side' && kind !== 'deburr'),
      /at least one step with strokes/,
    ],
  ])('are refused %s', async (_what, change, sentence) => {
    const recipe = await full()
    const { status, body } = await house.manager.send('PUT', '/api/recipes/full', {
      ...recipe,
      steps: change(recipe.steps),
    })
    expect(status).toBe(422)
    expect(body.error.sentence).toMatch(sentence)
  })

  it('are the sharpener’s and the chef’s to change', async () => {
    const cook = await onTablet(test, house, 'cook')
    expect((await cook.send('PUT', '/api/recipes/full', await full())).status).toBe(403)
    expect((await house.manager.send('PUT', '/api/recipes/strop', await full())).status).toBe(422)
    expect((await house.manager.send('DELETE', '/api/recipes/made-up')).status).toBe(409)
  })
})

describe('gear by CSV', () => {
  const bring = async (csv: string, apply = false): ReturnType<TestHouse['manager']['post']> =>
    house.manager.post('/api/exchange/gear', {
      sheets: readFile(new TextEncoder().encode(csv), 'gear.csv').sheets,
      told: {},
      take: apply ? 'all' : 'none',
    })

  it('is read with the trade’s spellings, previewed, brought in, and comes out the same', async () => {
    const csv = 'Stone;Type;Grit;Scale\nMiddle;whetstone;1000;JIS\nPlate;diamond;30;um\nLeather;strop;;'
    const dry = (await bring(csv)).body
    expect(dry).toMatchObject({ applied: null, counts: { add: 3, problem: 0 } })
    expect((await bring(csv, true)).body.applied).toBe(3)
    const out = await house.manager.get('/api/exchange/gear.csv')
    expect(out.body).toContain('Middle,soaking-stone,JIS,1000,20,fine')
    expect((await bring(String(out.body))).body.counts).toMatchObject({ add: 0, change: 0, same: 3, problem: 0 })
    expect((await bring('name,kind,soak\nMiddle,soaking-stone,15')).body.rows[0].cells).toContainEqual({
      column: 'soak',
      at: 2,
      from: '20',
      to: '15',
      sentence: null,
    })
  })

  it('names what is wrong by row and column, and changes nothing', async () => {
    const { body } = await bring(
      'name,kind,grit\nOdd,soaking-stone,40000\nTwice,strop,\ntwice,strop,\nWhat,broom,',
      true,
    )
    expect(body.applied).toBe(null)
    const wrong = body.rows.filter(({ verb }: { verb: string }) => verb === 'problem')
    expect(wrong.map(({ row }: { row: number }) => row)).toEqual([2, 4, 5])
    expect((await house.manager.get('/api/gear')).body).toHaveLength(3)
  })
})

describe('the house’s preferred recipes', () => {
  it('decides what the bench offers first, and is passed over where it does not fit the blade', async () => {
    const preferred = [{ role: 'general', work: 'hone', recipeId: 'rod-ladder' }]
    expect((await house.manager.send('PUT', '/api/recipe-preferences', preferred)).body).toEqual(preferred)
    const wantsHoning = async (code: string, more: object = {}): Promise<{ id: string }> => {
      const knife = await addTestKnife(house, { code, condition: 'in-use', ...more })
      const sent = await house.manager.post('/api/events', { events: [check(knife.id, 230, 235, 240)] })
      expect(sent.body.knives[0].verdict.action).toBe('hone')
      return knife
    }
    const soft = await wantsHoning('PREFER-1')
    expect((await house.manager.post(`/api/knives/${soft.id}/bench`, {})).body.plan.recipeId).toBe('rod-ladder')
    await house.manager.send('PUT', '/api/recipe-preferences', [{ role: 'general', work: 'hone', recipeId: 'steel' }])
    const hard = await wantsHoning('PREFER-2', { hrc: 63 })
    expect((await house.manager.post(`/api/knives/${hard.id}/bench`, {})).body.plan.recipeId).not.toBe('steel')
    expect(
      (
        await house.manager.send('PUT', '/api/recipe-preferences', [
          { role: 'general', work: 'hone', recipeId: 'none-such' },
        ])
      ).status,
    ).toBe(404)
    expect((await house.manager.send('PUT', '/api/recipe-preferences', [])).body).toEqual([])
  })
})

describe('a recipe of the house’s own', () => {
  const LAST = ['test', 'clean'].map((kind) => ({ id: kind, kind, each: 'once', checks: [], cautions: [] }))
  const recipe = (id: string, more: object): Record<string, unknown> => ({
    id,
    name: `Our ${id}`,
    actions: ['hone'],
    suits: {},
    stones: 'none',
    finishMicron: 4,
    choices: [],
    records: { kind: 'honed', tool: 'ceramic-rod' },
    worksOn: 'edge',
    steps: [{ id: 'rod', kind: 'hone', each: 'once', scheme: 'rod', checks: [], cautions: [] }, ...LAST],
    ...more,
  })
  const save = (one: Record<string, unknown>): ReturnType<TestHouse['manager']['send']> =>
    house.manager.send('PUT', `/api/recipes/${String(one['id'])}`, one)
  const walk = async (client: TestHouse['manager'], knifeId: string, recipeId: string): Promise<number> => {
    const id = newId()
    const begun = await client.post('/api/bench-sessions', { id, knifeId, recipeId, choices: {} })
    if (begun.status !== 200) return begun.status
    const actions = [{ id: newId(), at: JUST_NOW.toISOString(), kind: 'finish' }]
    return (await client.post(`/api/bench-sessions/${id}/actions`, { actions })).status
  }
  const latest = async (knifeId: string): Promise<{ kind: string; payload: object }> =>
    (await house.manager.get(`/api/knives/${knifeId}/events`)).body[0]

  it('records what it says it does: a ceramic rod is a ceramic rod', async () => {
    expect((await save(recipe('ceramic', {}))).status).toBe(200)
    const knife = await addTestKnife(house)
    expect(await walk(house.manager, knife.id, 'ceramic')).toBe(200)
    expect(await latest(knife.id)).toMatchObject({ kind: 'honed', payload: { tool: 'ceramic-rod' } })
    const line = (await house.manager.get(`/api/knives/${knife.id}/bench-sessions`)).body[0]
    expect(line).toMatchObject({ recipeId: 'ceramic', recipeName: 'Our ceramic' })
  })

  it('that thins is laid out on the faces, whatever it is called', async () => {
    await house.manager.post('/api/gear', {
      id: newId(),
      name: 'Coarse',
      kind: 'soaking-stone',
      scale: 'JIS',
      grit: 320,
    })
    const thinning = (await recipes()).find(({ recipe: one }) => one.id === 'thin')?.recipe
    const own = { ...thinning, id: 'sunday-thinning', name: 'Sunday thinning' }
    expect((await save(own)).status).toBe(200)
    const knife = await addTestKnife(house, { bteMm: 0.5, bteNewMm: 0.3 })
    const minutes = async (recipeId: string): Promise<number> =>
      (await house.manager.post(`/api/knives/${knife.id}/bench`, { recipeId })).body.plan.minutes
    expect(await minutes('sunday-thinning')).toBe(await minutes('thin'))
  })

  it('needs the right for what it records: teeth made sharp are a sharpening', async () => {
    const cook = await onTablet(test, house, 'cook')
    const bread = await addTestKnife(house, { type: 'bread' })
    expect(await walk(cook, bread.id, 'serrated-ground-side')).toBe(403)
    expect(await walk(cook, (await addTestKnife(house)).id, 'ceramic')).toBe(200)
    expect(await walk(house.manager, bread.id, 'serrated-ground-side')).toBe(200)
    expect((await latest(bread.id)).kind).toBe('sharpened')
  })

  it('cannot call work on stones a honing', async () => {
    const { status, body } = await save(
      recipe('stone-honing', {
        stones: 'last',
        steps: [{ id: 'side', kind: 'side', each: 'stone', checks: [], cautions: [] }, ...LAST],
      }),
    )
    expect([status, body.error.sentence]).toEqual([422, expect.stringMatching(/record it as a sharpening/)])
  })
})
