import { describe, expect, it } from 'vitest'
import { TABLE_KEYS, TABLES, type ReadingTold } from '../../contract/exchange'
import { readFile } from '../../sheets/readFile'
import { speaker } from '../../words/say'
import { FLEET_COLUMNS, SHIFT_COLUMNS, TABLE_COLUMNS } from './columns'
import { readTable, type ReadTable } from './readTable'

const say = speaker()
const reading = (csv: string, told: ReadingTold = {}) => ({
  sheets: readFile(new TextEncoder().encode(csv), 'list.csv').sheets,
  told,
  remembered: { columns: new Map<string, string>(), values: new Map<string, string>() },
  zone: 'UTC',
  dayOrder: 'dmy' as const,
})
const read = (csv: string, told?: ReadingTold): ReadTable<typeof FLEET_COLUMNS> =>
  readTable(reading(csv, told), 'fleet', FLEET_COLUMNS, say, ['type', 'length', 'station'])
const meanings = (csv: string): (string | null)[] => read(csv).columns.map(({ means }) => means)

describe('the columns of a table', () => {
  it('are those that are offered, and each has words for what goes there', () => {
    for (const table of TABLES) {
      expect([...TABLE_KEYS[table]].sort()).toEqual(Object.keys(TABLE_COLUMNS[table]).sort())
      for (const key of TABLE_KEYS[table]) expect(say(`column.${table}.${key}.what`)).not.toContain('column.')
    }
  })
})

describe('a table from a file', () => {
  it.each([
    ['commas', 'code,length\nA1,200'],
    ['semicolons', 'code;length\nA1;200,5'],
    ['tabs', 'code\tlength\nA1\t200'],
    ['bars', 'code|length\nA1|200'],
    ['nothing', 'code\nA1'],
  ])('is cut at %s', (_what, csv) => {
    const table = read(csv)
    expect(table.problems).toEqual([])
    expect(table.rows[0]?.values.code).toBe('A1')
  })

  it('takes old and new line ends, a byte-order mark and blank lines alike', () => {
    for (const csv of [
      'code,length\r\nA1,200\r\n\r\nB1,210\r\n',
      '\uFEFFcode,length\nA1,200\n\nB1,210',
      'code,length\nA1,200\n,\nB1,210\n',
    ]) {
      const table = read(csv)
      expect(table.rows.map(({ row, values }) => [row, values.code, values.length])).toEqual([
        [2, 'A1', 200],
        [4, 'B1', 210],
      ])
    }
  })

  it.each([
    'Blade length (mm)',
    'blade_length',
    'BLADE LENGTH [mm]',
    'Length mm',
    'length',
    'Klingenlänge',
    'Longueur (mm)',
  ])('knows the column %j', (header) => {
    expect(read(`code,${header}\nA1,200`).rows[0]?.values.length).toBe(200)
  })

  it.each(['length (in)', 'Length in', 'blade length (inches)', 'length ["]'])('reads %j in inches', (header) => {
    expect(read(`code,${header}\nA1,8`).rows[0]?.values.length).toBe(203.2)
  })

  it('takes bare lengths in the unit in which the knives would be as long as such knives are', () => {
    const length = (cells: string): (number | undefined)[] =>
      read(`code,type,size\n${cells}`).rows.map(({ values }) => values.length)
    expect(length('A1,chef,24\nA2,paring,9')).toEqual([240, 90])
    expect(length('A1,chef,10\nA2,paring,3.5')).toEqual([254, 88.9])
    expect(length('A1,chef,240\nA2,paring,90')).toEqual([240, 90])
  })

  it.each([
    [
      'Knife,Kind,Blade (cm),Where\nX1,chef,24,Hot\nX2,boning,15,Block\nX3,bread,25,Pastry',
      ['code', 'type', 'length', 'station'],
    ],
    [
      'Knife,Kind,Blade,Where\nX1,chef,24,Hot\nX2,boning,15 cm,Block\nX3,bread,25,Pastry',
      ['code', 'type', 'length', 'station'],
    ],
    ['Knife,Kind,(cm)\nX1,chef,24\nX2,boning,15\nX3,bread,25', ['code', 'type', 'length']],
    ['No,Blade,Length\n1,chef,24\n2,boning,15\n3,bread,25', ['code', 'words', 'length']],
  ])('takes a measure for the length, whatever its title: %s', (csv, expected) => {
    expect(meanings(csv)).toEqual(expected)
  })

  it('knows a header that is nothing but a unit', () => {
    expect(read('code,HRC\nA1,58').rows[0]?.values.hardness).toBe(58)
  })

  it('finds its header under titles and blank rows, and leaves sums, remarks and repeated headers out', () => {
    const table = read(
      'Knife list of the house,,\n,,\nupdated in spring,,\nNo.,Kind,Size\nA1,chef,240\nNo.,Kind,Size\nA2,petty,150\nTotal,2,\n',
    )
    expect(table.headerRow).toBe(3)
    expect(table.rows.map(({ row, values }) => [row, values.code])).toEqual([
      [5, 'A1'],
      [7, 'A2'],
    ])
    expect(table.notes.map(({ row }) => row)).toEqual([6, 8])
  })

  it('tells what stands above rows as a heading, and what is copied with a ditto mark', () => {
    const table = read('No,Kind,Size\nHot line,,\nA1,chef,240\n')
    expect(table.rows.map(({ under }) => under)).toContain('Hot line')
    const ditto = read('No;Kind;Size\nA1;chef;240\nA2;″;″\n')
    expect(ditto.rows[1]?.values).toMatchObject({ type: 'chef', length: 240 })
  })

  it.each([
    ['Nr;Messertyp;Klingenlänge (cm);Posten;Inhaber', ['code', 'type', 'length', 'station', 'holder']],
    ['N°;Type de couteau;Longueur;Poste;Utilisateur', ['code', 'type', 'length', 'station', 'holder']],
    ['Código;Tipo de cuchillo;Longitud;Partida;Responsable', ['code', 'type', 'length', 'station', 'holder']],
    ['Codice;Tipo di coltello;Lunghezza;Partita;Utente', ['code', 'type', 'length', 'station', 'holder']],
    ['Código;Tipo de faca;Comprimento;Praça;Responsável', ['code', 'type', 'length', 'station', 'holder']],
    ['ID;Blade;Size;Where;Who', ['code', 'words', 'length', 'station', 'holder']],
    ['Knife;Type;Size;Location;Holder', ['code', 'type', 'length', 'station', 'holder']],
  ])('matches %j by meaning', (header, means) => {
    const row = 'K-7;Chef 24cm;24;Sauce;Tom'
    expect(meanings(`${header}\n${row}\n${row.replace('7', '8')}`)).toEqual(means)
  })

  it('asks what the file does not decide, and reads such cells only when told', () => {
    const csv = 'code;price;bought\nA1;1,234;03/04/2025\nA2;1.234;13/04/2025\nA3;5;04/13/2025'
    const table = read(csv)
    expect(table.questions.map(({ kind }) => kind)).toEqual(['decimal', 'day-order'])
    expect(table.problems.map(({ row, column }) => `${row} ${column}`)).toContain('2 price')
    expect(table.problems.map(({ row, column }) => `${row} ${column}`)).toContain('2 bought')
    const told = read(csv, { decimal: ',', dayOrder: 'mdy' })
    expect(told.rows[0]?.values).toMatchObject({ price: 1.234, bought: '2025-03-04' })
    expect(read('code;bought\nA1;03/04/2025\nA2;13/04/2025').rows[0]?.values.bought).toBe('2025-04-03')
  })

  it('leaves out columns nobody knows, and takes what it is told of them', () => {
    const csv = 'code,shelf,colour\nA1,1,blue'
    expect(meanings(csv)).toEqual(['code', null, null])
    expect(read(csv, { columns: { 1: 'station', 2: '' } }).rows[0]?.values.station).toBe('1')
  })

  it('asks of texts nobody knows once each, and reads them as told', () => {
    const csv = 'code,kind,size\nA1,thingamajig,200\nA2,thingamajig,210\nA3,turning knife,70'
    const [asked] = read(csv).values
    expect(asked).toMatchObject({ column: 'type', text: 'thingamajig', rows: 2, means: null })
    const told = read(csv, { values: [{ column: 'type', text: 'Thingamajig', means: 'petty' }] })
    expect(told.rows.map(({ values }) => values.type)).toEqual(['petty', 'petty', 'turning'])
  })

  it('says which table a sheet rather is', () => {
    const table = read('Name,Job title,PIN,Still here\nMira,cook,1234,yes')
    expect(table.looksLike).toBe('people')
  })

  it('reads a rota with a column for each weekday', () => {
    const rota = readTable(
      reading('Name;Mon;Tue;Mi;So\nMira;9-17;off;10:00-14:00, 17-23;frei'),
      'shifts',
      SHIFT_COLUMNS,
      say,
    )
    expect(rota.columns.map(({ means }) => means)).toEqual(['person', 'monday', 'tuesday', 'wednesday', 'sunday'])
    expect(rota.rows[0]?.values.wednesday).toHaveLength(2)
  })

  it('never runs a formula, and takes off the apostrophe that keeps a spreadsheet from running a cell', () => {
    expect(read('code,name\nA1,=1+1').problems).toMatchObject([{ row: 2, column: 'name' }])
    expect(read("code,name\nA1,'=A1\nA2,'tis").rows.map(({ values }) => values.name)).toEqual(['=A1', "'tis"])
  })
})
