import Papa from 'papaparse'
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest'
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

const bring = async (table: string, csv: string, apply = false): ReturnType<TestHouse['manager']['post']> =>
  house.manager.post(`/api/exchange/${table}`, { csv, apply })
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
    expect(dry.problems).toEqual([])
    expect(dry).toMatchObject({
      applied: false,
      delimiter: ';',
      counts: { add: 3, change: 0, same: 0, problem: 0 },
      unknownColumns: ['Colour'],
      stationsToMake: ['Saucier', 'Abattoir'],
    })
    expect(await fleet()).toEqual([])
    expect((await bring('fleet', DIALECT, true)).body.applied).toBe(true)
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
      'BAD-5,chef,240,Sauté,48,Nobody Known,57',
      'BAD-6,chef,240,Sauté,48,,57,surplus',
    ].join('\n')
    const outcome = (await bring('fleet', wrong, true)).body
    expect(outcome.applied).toBe(false)
    const found = outcome.problems.map(
      (problem: { row: number; column: string | null }) => `${problem.row} ${problem.column}`,
    )
    expect(found.sort()).toEqual([
      '3 type',
      '4 length',
      '5 code',
      '6 station',
      '7 hardness',
      '7 height',
      '8 holder',
      '9 null',
    ])
    expect(outcome.problems.find((problem: { row: number }) => problem.row === 5).sentence).toMatch(/already in row 2/)
    expect(await fleet()).toEqual([])
  })

  it('says which columns are missing', async () => {
    const outcome = (await bring('fleet', 'name,colour\nfirst,blue\n')).body
    const columns = outcome.problems
      .filter((problem: { row: number }) => problem.row === 1)
      .map((problem: { column: string }) => problem.column)
    expect(columns).toEqual(['code', 'type', 'length', 'station'])
  })

  it('changes known knives only where the file says something', async () => {
    const knife = await addTestKnife(house, { code: 'CH-9', heelHeightMm: 44, name: 'keep me' })
    const outcome = (
      await bring('fleet', 'code,type,length,station,height,state\nCH-9,chef,238,Sauté,,quarantined\n', true)
    ).body
    expect(outcome.rows[0]).toMatchObject({ verb: 'change', changes: [{ column: 'length', from: '240', to: '238' }] })
    expect((await fleet()).find((one) => one['id'] === knife.id)).toMatchObject({
      lengthMm: 238,
      heelHeightMm: 44,
      name: 'keep me',
      status: 'quarantined',
    })
  })

  it('takes 5 000 rows, and not one more', async () => {
    const rows = (count: number): string =>
      ['code,type,length,station', ...Array.from({ length: count }, (_, index) => `K${index},petty,150,Sauté`)].join(
        '\n',
      )
    const outcome = (await bring('fleet', rows(5000), true)).body
    expect(outcome).toMatchObject({ applied: true, counts: { add: 5000 } })
    const more = await bring('fleet', `${rows(5002)}\n`)
    expect(more.status).toBe(422)
    expect(more.body.error.sentence).toMatch(/more than 5000 rows/)
  }, 60_000)

  it('comes out as it would go in, and survives the journey', async () => {
    await bring('fleet', DIALECT, true)
    const csv = (await house.manager.get('/api/exchange/fleet.csv')).body as string
    expect(csv).toContain('\r\n')
    // read by an independent RFC 4180 parser
    const parsed = Papa.parse<Record<string, string>>(csv, { header: true, skipEmptyLines: true })
    expect(parsed.errors).toEqual([])
    expect(parsed.data.map((row) => row['code'])).toEqual(['KM-1', 'KM-2', 'KM-3'])
    expect((await bring('fleet', csv)).body.counts).toEqual({ add: 0, change: 0, same: 3, problem: 0 })
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
    expect(out).toContain('Mira Toll,apprentice,,yes')
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
    expect(corrected.rows[0].changes).toEqual([{ column: 'force', from: '2450', to: '245' }])
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

  it('refuses a reading of an unknown knife, in the future, at no time, or of no force', async () => {
    await addTestKnife(house, { code: 'R-1' })
    const outcome = (
      await bring(
        'readings',
        'code,at,zone,force\nXX,2026-03-09 10:00,tip,200\nR-1,2027-01-01 10:00,tip,200\nR-1,yesterday,tip,200\nR-1,2026-03-09 10:00,tip,-3\n',
      )
    ).body
    expect(
      outcome.problems.map((problem: { row: number; column: string }) => `${problem.row} ${problem.column}`).sort(),
    ).toEqual(['2 code', '3 at', '4 at', '5 force'])
  })

  it('takes the log of events out and in again without writing anything twice', async () => {
    const knife = await addTestKnife(house, { code: 'E-1' })
    await house.manager.post('/api/events', { events: [check(knife.id, 200, 210, 220)] })
    const csv = (await house.manager.get('/api/exchange/events.csv')).body as string
    const outcome = (await bring('events', csv, true)).body
    expect(outcome).toMatchObject({ applied: true, counts: { add: 0, same: 2, problem: 0 } })
    const bent = csv.replace('""heel""', '""handle""')
    expect((await bring('events', bent, true)).body.problems[0]).toMatchObject({ column: 'details' })
  })
})

describe('shifts', () => {
  it('come in by weekday and by day, twice without a change, and go out as they came', async () => {
    const csv =
      'Name,Weekday,Date,From,To,Note\nThe cook,Tue,,10:00,18:30,\nThe cook,3,,9.30,15:00,\nThe cook,,2026-03-17,,,wedding\n'
    expect((await bring('shifts', csv, true)).body).toMatchObject({ applied: true, counts: { add: 3, problem: 0 } })
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
    expect(body.applied).toBe(false)
    expect([...new Set(body.problems.map(({ row }: { row: number }) => row))].sort()).toEqual([2, 3, 4, 5, 6])
    expect(body.problems.find(({ row }: { row: number }) => row === 6).sentence).toBe(
      '10:00–18:30 and 18:00–20:00 overlap.',
    )
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
