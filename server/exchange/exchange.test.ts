import Papa from 'papaparse'
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest'
import type { ReadingTold } from '../../contract/exchange'
import { readFile } from '../../sheets/readFile'
import { addTestKnife, check, NOW, startApp, type TestApp, type TestHouse } from '../testing/harness'

let test: TestApp
let house: TestHouse
beforeAll(async () => {
  test = await startApp()
})
beforeEach(async () => {
  house = await test.house()
})
afterAll(() => test.close())

/** Brings a text in as the screen does: read to rows, then planned, and taken whole where `apply` says so. */
const bring = async (
  table: string,
  csv: string,
  apply = false,
  told: ReadingTold = {},
): ReturnType<TestHouse['manager']['post']> =>
  house.manager.post(`/api/exchange/${table}`, {
    sheets: readFile(new TextEncoder().encode(csv), 'list.csv').sheets,
    told,
    take: apply ? 'all' : 'none',
  })
interface Row {
  readonly row: number
  readonly cells: readonly { readonly column: string; readonly sentence: string | null }[]
  readonly sentences: readonly string[]
}
/** Every problem of an answer, as `row column`. */
const problemsOf = (body: { rows: readonly Row[] }): string[] =>
  body.rows
    .flatMap(({ row, cells, sentences }) => [
      ...cells.filter(({ sentence }) => sentence !== null).map(({ column }) => `${row} ${column}`),
      ...sentences.map(() => `${row} null`),
    ])
    .sort()
const fleet = async (): Promise<Record<string, unknown>[]> => (await house.manager.get('/api/fleet')).body.knives

/** As a spreadsheet of a German-speaking kitchen would save it. */
const DIALECT = [
  '\uFEFFCode;Type;Blade length (mm);Heel_height;Spine [mm];Station;Holder;HRC;Price;Colour',
  'km 1;Chef’s knife;240,0;47,5;2,2;Saucier;the cook;57,5;1.089,90 €;blue',
  'KM-2;Boning flex;150;;1,6;Abattoir;;56;;red',
  'KM-3;bread knife;250;;;saucier;;;;',
  '',
].join('\r\n')

describe('a fleet from a spreadsheet', () => {
  it('is understood with BOM, semicolons, decimal commas, units in headers and unknown columns', async () => {
    const dry = (await bring('fleet', DIALECT)).body
    expect(problemsOf(dry)).toEqual([])
    expect(dry).toMatchObject({ applied: null, counts: { add: 3, change: 0, same: 0, problem: 0 } })
    expect(dry.columns.filter(({ means }: { means: unknown }) => means === null)).toMatchObject([{ title: 'Colour' }])
    expect(dry.stations).toMatchObject([
      { name: 'Saucier', product: 'meat', make: true },
      { name: 'Abattoir', product: 'mixed', make: true },
    ])
    expect(await fleet()).toEqual([])
    expect((await bring('fleet', DIALECT, true)).body.applied).toBe(3)
    const knives = await fleet()
    expect(knives.find((knife) => knife['code'] === 'KM-1')).toMatchObject({
      type: 'chef',
      lengthMm: 240,
      heelHeightMm: 47.5,
      spineMm: 2.2,
      hrc: 57.5,
      price: 1089.9,
      holderId: house.people.cook.id,
    })
    expect(knives.find((knife) => knife['code'] === 'KM-3')).toMatchObject({ type: 'bread', serrated: true })
    expect((await bring('fleet', DIALECT)).body.counts).toMatchObject({ add: 0, change: 0, same: 3 })
  })

  it('turns inches into millimetres where the header says so', async () => {
    await bring('fleet', 'code,type,length (in),spine (inches),station\nIN-1,chef,9.5,0.09,Sauté\n', true)
    expect((await fleet())[0]).toMatchObject({ lengthMm: 241.3, spineMm: 2.29 })
  })

  it('names every problem by row and column and brings in nothing', async () => {
    const wrong = [
      'code,type,length,station,height,holder,hardness',
      'OK-1,chef,240,Sauté,48,,57',
      'BAD-1,axe,240,Sauté,48,,57',
      'BAD-2,chef,0.2,Sauté,48,,57',
      'OK-1,chef,240,Sauté,48,,57',
      'BAD-3,chef,240,,48,,57',
      'BAD-4,chef,240,Sauté,tall,,570',
    ].join('\n')
    const outcome = (await bring('fleet', wrong, true)).body
    expect(outcome.applied).toBe(null)
    expect(problemsOf(outcome)).toEqual(['3 type', '4 length', '5 code', '6 station', '7 hardness', '7 height'])
    const codes = outcome.rows.find(({ row }: Row) => row === 5).cells
    expect(codes[0].sentence).toMatch(/already in row 2/)
    expect(await fleet()).toEqual([])
  })

  it('says which columns are missing', async () => {
    const outcome = (await bring('fleet', 'HRC,colour\n57,blue\n')).body
    expect(outcome.missing).toEqual(['type', 'length', 'station'])
    expect(outcome.counts).toMatchObject({ add: 0, problem: 1 })
  })

  it('changes known knives only where the file says something', async () => {
    const knife = await addTestKnife(house, { code: 'CH-9', heelHeightMm: 44, name: 'keep me' })
    const outcome = (
      await bring('fleet', 'code,type,length,station,height,state\nCH-9,chef,238,Sauté,,quarantined\n', true)
    ).body
    expect(outcome.rows[0].verb).toBe('change')
    expect(outcome.rows[0].cells).toContainEqual({ column: 'length', at: 2, from: '240', to: '238', sentence: null })
    expect((await fleet()).find((one) => one['id'] === knife.id)).toMatchObject({
      lengthMm: 238,
      heelHeightMm: 44,
      name: 'keep me',
      status: 'quarantined',
    })
  })

  it('takes 5 000 rows in one go', async () => {
    const rows = Array.from({ length: 5000 }, (_, index) => `K${index},petty,150,Sauté`)
    const outcome = (await bring('fleet', ['code,type,length,station', ...rows].join('\n'), true)).body
    expect(outcome).toMatchObject({ applied: 5000, counts: { add: 5000 } })
  }, 60_000)

  it('comes out as it would go in, and survives the journey', async () => {
    await bring('fleet', DIALECT, true)
    const csv = (await house.manager.get('/api/exchange/fleet.csv')).body as string
    expect(csv).toContain('\r\n')
    // read by an independent RFC 4180 parser
    const parsed = Papa.parse<Record<string, string>>(csv, { header: true, skipEmptyLines: true })
    expect(parsed.errors).toEqual([])
    expect(parsed.data.map((row) => row['code'])).toEqual(['KM-1', 'KM-2', 'KM-3'])
    expect((await bring('fleet', csv)).body.counts).toMatchObject({ add: 0, change: 0, same: 3, problem: 0 })
  })

  it('writes no cell a spreadsheet would run', async () => {
    await addTestKnife(house, { code: 'F-1', name: '=1+1' })
    expect((await house.manager.get('/api/exchange/fleet.csv')).body).toContain(",'=1+1,")
  })
})

describe('people, readings and events', () => {
  it('brings people in by name with a PIN, and never gives the PIN out', async () => {
    const csv = 'Name,Job,PIN\nMira Toll,Commis,482913\nThe cook,sharpener,\n'
    const outcome = (await bring('people', csv, true)).body
    expect(outcome.counts).toMatchObject({ add: 1, change: 1 })
    const out = (await house.manager.get('/api/exchange/people.csv')).body as string
    expect(out).toContain('Mira Toll,apprentice,yes')
    expect(out).not.toContain('482913')
  })

  it('makes one check of the readings of one knife, moment and person, once', async () => {
    await addTestKnife(house, { code: 'R-1' })
    const csv =
      'knife;time;spot;grams\nR-1;2026-03-09 16:40;heel;240\nR-1;2026-03-09 16:40;heel;260\nR-1;2026-03-09 16:40;point;512,5\n'
    expect((await bring('readings', csv, true)).body.counts).toMatchObject({ add: 3 })
    expect((await bring('readings', csv, true)).body.counts).toMatchObject({ add: 0, same: 3 })
    const log = (await house.manager.get('/api/exchange/events.csv')).body as string
    expect(log.match(/,checked,/g)).toHaveLength(1)
    expect(log).toContain('2026-03-09T16:40:00.000Z')
  })

  it('takes a corrected file as a correction: the new reading stands, the old stays readable as taken back', async () => {
    await addTestKnife(house, { code: 'R-2' })
    const csv = (force: number): string => `knife;time;spot;grams\nR-2;2026-03-09 12:40;tip;${force}\n`
    await bring('readings', csv(2450), true)
    const corrected = (await bring('readings', csv(245))).body
    expect(corrected.counts).toMatchObject({ add: 0, change: 1 })
    expect(corrected.rows[0].cells).toContainEqual({ column: 'force', at: 3, from: '2450', to: '245', sentence: null })
    await bring('readings', csv(245), true)
    expect((await bring('readings', csv(245), true)).body.counts).toMatchObject({ same: 1, change: 0, add: 0 })
    const fleet = (await house.manager.get('/api/fleet')).body
    const knife = fleet.knives.find((one: { code: string }) => one.code === 'R-2')
    expect(knife.readingCount).toBe(1)
    const timeline = (await house.manager.get(`/api/knives/${knife.id}/events`)).body as { voided: unknown }[]
    expect(timeline.filter(({ voided }) => voided !== null)).toHaveLength(1)
  })

  it('brings in readings older than the knife’s own entry: it has worked since the oldest of them', async () => {
    await addTestKnife(house, { code: 'R-3', condition: 'in-use' })
    const csv = ['2026-01-05', '2026-01-19', '2026-02-02']
      .map((day, at) => `R-3;${day} 10:40;tip;${200 + 40 * at}`)
      .join('\n')
    await bring('readings', `knife;time;spot;grams\n${csv}\n`, true)
    const fleet = (await house.manager.get('/api/fleet')).body
    const knife = fleet.knives.find((one: { code: string }) => one.code === 'R-3')
    expect(knife.hoursSinceSharpening).toBeGreaterThan(100)
    expect(knife.seen).toBe(true)
  })

  it('keeps readings of somebody the house does not know under their name, as one who has left', async () => {
    await addTestKnife(house, { code: 'R-5' })
    const csv =
      'knife;time;spot;grams;taken by\nR-5;2026-03-09 12:40;tip;300;Old Hand\nR-5;2026-03-09 13:40;tip;310;old hand\n'
    const dry = (await bring('readings', csv)).body
    expect(dry.counts).toMatchObject({ add: 2, problem: 0 })
    expect(dry.people).toMatchObject([{ name: 'Old Hand', make: true }])
    await bring('readings', csv, true)
    expect((await bring('readings', csv)).body.counts).toMatchObject({ same: 2, add: 0 })
    const { people } = (await house.manager.get('/api/fleet')).body
    expect(people.filter(({ name }: { name: string }) => /old hand/i.test(name))).toMatchObject([{ active: false }])
    // or under nobody's, where the chef does not want them
    const unnamed = csv.replaceAll('Old Hand', 'Stray').replaceAll('old hand', 'stray').replaceAll(':40', ':41')
    await bring('readings', unnamed, true, { people: [{ name: 'Stray', role: 'cook', make: false }] })
    const after = (await house.manager.get('/api/fleet')).body
    expect(after.people.map(({ name }: { name: string }) => name)).not.toContain('Stray')
    expect(after.knives.find(({ code }: { code: string }) => code === 'R-5').readingCount).toBe(4)
  })

  it('refuses a reading of an unknown knife, in the future, at no time, or of no force', async () => {
    await addTestKnife(house, { code: 'R-1' })
    const outcome = (
      await bring(
        'readings',
        'code,at,zone,force\nXX,2026-03-09 10:00,tip,200\nR-1,2027-01-01 10:00,tip,200\nR-1,yesterday,tip,200\nR-1,2026-03-09 10:00,tip,-3\n',
      )
    ).body
    expect(problemsOf(outcome)).toEqual(['2 code', '3 at', '4 at', '5 force'])
  })

  it('takes the log of events out and in again without writing anything twice', async () => {
    const knife = await addTestKnife(house, { code: 'E-1' })
    await house.manager.post('/api/events', { events: [check(knife.id, 200, 210, 220)] })
    const csv = (await house.manager.get('/api/exchange/events.csv')).body as string
    const outcome = (await bring('events', csv, true)).body
    expect(outcome).toMatchObject({ applied: 0, counts: { add: 0, same: 2, problem: 0 } })
    const bent = csv.replace('""heel""', '""handle""')
    expect(problemsOf((await bring('events', bent, true)).body)[0]).toMatch(/details/)
  })
})

describe('shifts', () => {
  it('come in by weekday and by day, twice without a change, and go out as they came', async () => {
    const csv =
      'Name,Weekday,Date,From,To,Note\nThe cook,Tue,,10:00,18:30,\nThe cook,3,,9.30,15:00,\nThe cook,,2026-03-17,,,wedding\n'
    expect((await bring('shifts', csv, true)).body).toMatchObject({ applied: 3, counts: { add: 3, problem: 0 } })
    expect((await bring('shifts', csv, true)).body.counts).toMatchObject({ add: 0, same: 3 })
    const out = (await house.manager.get('/api/exchange/shifts.csv')).body as string
    expect(out).toContain('The cook,tuesday,,10:00,18:30,')
    expect(out).toContain('The cook,wednesday,,09:30,15:00,')
    expect(out).toContain('The cook,,2026-03-17,,,wedding')
  })

  it('are refused for nobody, for no time, at both a weekday and a date, and where they overlap', async () => {
    const csv =
      'person,weekday,day,starts,ends\nNobody Here,mon,,10:00,12:00\nThe cook,mon,,25:00,12:00\nThe cook,mon,2026-03-16,10:00,12:00\nThe cook,mon,,10:00,\nThe cook,tue,,18:00,20:00\n'
    await bring('shifts', 'person,weekday,starts,ends\nThe cook,tue,10:00,18:30\n', true)
    const { body } = await bring('shifts', csv, true)
    expect(body.applied).toBe(null)
    expect([...new Set(problemsOf(body).map((one) => one.split(' ')[0]))]).toEqual(['3', '4', '5', '6'])
    expect(body.people).toEqual([{ name: 'Nobody Here', role: 'cook', make: true }])
    const overlap = body.rows.find(({ row }: Row) => row === 6).cells
    expect(overlap).toContainEqual(expect.objectContaining({ sentence: '10:00–18:30 and 18:00–20:00 overlap.' }))
  })

  it('come in as a rota with a column for each weekday, people made where the list offers them', async () => {
    const rota = 'Who,Mon,Tue,Sat\nThe cook,9–17,off,\nIda New,10am-2pm; 5pm-11pm,frei,17:00–01:00\n'
    expect((await bring('shifts', rota, true)).body).toMatchObject({ counts: { add: 2, problem: 0 } })
    const out = (await house.manager.get('/api/exchange/shifts.csv')).body as string
    expect(out).toContain('Ida New,monday,,17:00,23:00,')
    expect(out).toContain('Ida New,saturday,,17:00,01:00,')
    expect((await bring('shifts', rota)).body.counts).toMatchObject({ add: 0, same: 2 })
  })
})

describe('a messy list of a kitchen', () => {
  const MESSY = [
    'Knives of the house – spring,,,,,',
    ',,,,,',
    'ID,Blade,Size,Where,Who,Bought',
    "1,Chef's knife,24 cm,Sauce,Tom Brandt,03/11/2024",
    '2,Turning knife,7 cm,Sauce,Ida,13/11/2024',
    '3,"Slicer 12""","12""",Larder,The cook,2023',
    '4,Kitchen scissors,,Larder,shared,',
    '5,Whatnot,20 cm,Larder,,',
    'Total,5,,,,',
  ].join('\n')

  it('is matched by meaning; stations and people it names are offered, what nobody knows is asked', async () => {
    const dry = (await bring('fleet', MESSY)).body
    expect(dry.columns.map(({ means }: { means: string }) => means)).toEqual([
      'code',
      'words',
      'length',
      'station',
      'holder',
      'bought',
    ])
    expect(dry.counts).toMatchObject({ add: 4, problem: 1, note: 1 })
    expect(dry.stations.map(({ name, product }: { name: string; product: string }) => `${name}: ${product}`)).toEqual([
      'Sauce: meat',
      'Larder: vegetables',
    ])
    expect(dry.people.map(({ name }: { name: string }) => name)).toEqual(['Tom Brandt', 'Ida'])
    expect(dry.values.filter(({ means }: { means: unknown }) => means === null)).toMatchObject([{ text: 'Whatnot' }])
  })

  it('is taken in part: good rows now, the rest stays a list to mend; and what was said is remembered', async () => {
    const sheets = readFile(new TextEncoder().encode(MESSY), 'list.csv').sheets
    const told = { people: [{ name: 'Ida', role: 'apprentice', make: true }], columns: { 5: '' } }
    const good = await house.manager.post('/api/exchange/fleet', { sheets, told, take: 'good' })
    expect(good.body.applied).toBe(4)
    const knives = await fleet()
    const knife = (code: string): unknown => knives.find((one) => one['code'] === code)
    expect(knife('2')).toMatchObject({ type: 'turning', lengthMm: 70 })
    expect(knife('3')).toMatchObject({ type: 'slicer', lengthMm: 304.8 })
    expect(knife('4')).toMatchObject({ type: 'shears', holderId: null, status: 'counted' })
    const people = (await house.manager.get('/api/fleet')).body.people as { name: string; role: string }[]
    expect(people.find(({ name }) => name === 'Ida')?.role).toBe('apprentice')
    const again = (await bring('fleet', MESSY)).body
    expect(again.columns[5]).toMatchObject({ means: null, how: 'remembered' })
    expect(again.counts).toMatchObject({ same: 4, problem: 1 })
    const mended = await bring('fleet', MESSY, true, {
      values: [{ column: 'type', text: 'Whatnot', means: 'petty' }],
    })
    expect(mended.body).toMatchObject({ applied: 1, counts: { same: 4, add: 1 } })
  })

  it('gives knives without labels the next free ones, once', async () => {
    const list = 'Knife,Qty,Station\nParing knife 9cm,3,Sauté\nBread knife 25 cm,1,Sauté\n'
    const dry = (await bring('fleet', list)).body
    expect(dry.rows.map(({ label }: { label: string }) => label)).toEqual(['PA-01, PA-02, PA-03', 'BR-01'])
    await bring('fleet', list, true)
    expect(await fleet()).toHaveLength(4)
    expect((await bring('fleet', list, true)).body.counts).toMatchObject({ add: 0, same: 2 })
    expect(await fleet()).toHaveLength(4)
  })

  it('says how far it has come, and when it is stopped nothing was brought in', async () => {
    const rows = Array.from({ length: 4000 }, (_, index) => `S${index},petty,150,Sauté`)
    const { sheets } = readFile(new TextEncoder().encode(['code,type,length,station', ...rows].join('\n')), 'a.csv')
    const jobId = '5b3a7f0e-1c2d-4e3f-8a9b-0c1d2e3f4a5b'
    const work = house.manager.post('/api/exchange/fleet', { sheets, told: {}, take: 'all', jobId })
    const seen: number[] = []
    while (!seen.some((done) => done > 0)) {
      const jobs = (await house.manager.get('/api/jobs')).body as { id: string; done: number }[]
      seen.push(jobs.find(({ id }) => id === jobId)?.done ?? 0)
    }
    await house.manager.send('DELETE', `/api/jobs/${jobId}`)
    const answer = await work
    expect(answer.status).toBe(409)
    expect(answer.body.error.sentence).toMatch(/Nothing was brought in/)
    expect(await fleet()).toEqual([])
    const [job] = (await house.manager.get('/api/jobs')).body as { status: string }[]
    expect(job?.status).toBe('cancelled')
  }, 60_000)

  it('brings in what was looked at and nothing else, when two people do it at once', async () => {
    const sheets = readFile(new TextEncoder().encode('code,type,length,station\nT-1,chef,240,Sauté'), 'a.csv').sheets
    const ask = async (take: string, fingerprint?: string): ReturnType<TestHouse['manager']['post']> =>
      house.manager.post('/api/exchange/fleet', { sheets, told: {}, take, fingerprint })
    const { fingerprint } = (await ask('none')).body
    const both = await Promise.all([ask('all', fingerprint), ask('all', fingerprint)])
    const answers = both.map(({ body }) => `${body.applied} ${body.stale}`).sort()
    expect(answers).toEqual(['1 false', 'null true'])
    expect(await fleet()).toHaveLength(1)
  })
})

describe('a log longer than fits one page', () => {
  it('comes out whole and in order, voided readings left out', async () => {
    const own = await test.house('Long house')
    const knife = await addTestKnife(own, { code: 'LONG-1' })
    await test.app.db.query(
      `insert into events (house_id, id, knife_id, kind, at, payload)
       select $1, gen_random_uuid(), $2, 'checked', $3::timestamptz - make_interval(secs => n / 3),
              jsonb_build_object('readings', jsonb_build_array(jsonb_build_object('zone', 'tip', 'forcesGf', array[200 + n])), 'ladder', '[]'::jsonb)
       from generate_series(1, 4500) as n`,
      [own.houseId, knife.id, NOW],
    )
    const lines = (body: unknown): string[] => String(body).trim().split('\r\n')
    const events = lines((await own.manager.get('/api/exchange/events.csv')).body)
    expect(events).toHaveLength(1 + 1 + 4500)
    const ids = events.slice(1).map((line) => line.split(',')[0])
    expect(new Set(ids).size).toBe(4501)
    const times = events.slice(1).map((line) => line.split(',')[2] ?? '')
    expect(times).toEqual([...times].sort())
    expect(lines((await own.manager.get('/api/exchange/readings.csv')).body)).toHaveLength(1 + 4500)
  })
})

describe('a cell that is only long', () => {
  const LONG = {
    figures: '9'.repeat(80_000),
    spaces: `1.2${' '.repeat(80_000)}x`,
    commas: '1,'.repeat(40_000),
    times: '08:00-'.repeat(15_000),
  }
  const TABLES = {
    fleet: ['Code', 'Length', 'Angle', 'Bought', 'Type', 'Steel'],
    people: ['Name', 'Role', 'Monday', 'Tuesday', 'Days'],
    gear: ['Name', 'Kind', 'Grit', 'Thickness'],
  }

  // read with patterns that go back and forth, one such cell took the server tens of seconds: the test would run out of time
  it.each(Object.entries(TABLES))('in a list of %s is refused as quickly as any', async (table, columns) => {
    for (const long of Object.values(LONG)) {
      const rows = columns.map((_column, at) => columns.map((_other, place) => (at === place ? long : 'x')))
      const sheets = [{ name: 'a', rows: [columns, ...rows] }]
      const { status, body } = await house.manager.post(`/api/exchange/${table}`, { sheets, told: {}, take: 'none' })
      expect([200, 422], JSON.stringify(body).slice(0, 300)).toContain(status)
    }
  })
})
