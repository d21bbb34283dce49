/**
 * The floors of the code, and who may enter which room. Nothing points up, between rooms or inside them: a floor
 * imports from those listed before it, and from itself.
 */
const floors = {
  core: [
    'core/(measure|time|group)',
    'core/statistics',
    'core/knife',
    'core/geometry',
    'core/abrasive',
    'core/house',
    'core/edge/model',
    'core/edge/filter',
    'core/edge/log',
    'core/edge/fleet',
    'core/edge/forecast',
    'core/edge/verdict',
    'core/session',
    'core/workshop',
    'core/hands',
    'core/course',
    'core/listening',
    'core/ledger',
    'core/plan',
  ],
  services: ['log', 'shelf', 'fleet', 'bench', 'week', 'house'].map((noun) => `server/services/${noun}`),
}

const rooms = ['core', 'contract', 'words', 'sheets', 'server', 'web', 'demo', 'synthetic', 'scripts', 'tests']
const mayImport = {
  core: [],
  contract: ['core'],
  words: ['core', 'contract'],
  // files as spreadsheets write them, and nothing of what is in them
  sheets: [],
  server: ['core', 'contract', 'words', 'sheets'],
  web: ['core', 'contract', 'words', 'sheets'],
  synthetic: ['core'],
  demo: ['core', 'contract', 'words', 'server'],
}
const NOT_TESTS = '\\.test\\.ts$'

const floorRules = Object.values(floors).flatMap((order) =>
  order.slice(0, -1).map((floor, at) => ({
    name: `${floor.replaceAll('/', '-').replaceAll(/[()|]/g, '-')}-points-down`,
    severity: 'error',
    from: { path: `^${floor}[/.]`, pathNot: NOT_TESTS },
    to: { path: `^(${order.slice(at + 1).join('|')})[/.]` },
  })),
)

module.exports = {
  forbidden: [
    { name: 'no-circular', severity: 'error', from: {}, to: { circular: true } },
    { name: 'no-circular-folders', severity: 'error', scope: 'folder', from: {}, to: { circular: true } },
    ...Object.entries(mayImport).map(([room, allowed]) => ({
      name: `${room}-keeps-to-itself`,
      severity: 'error',
      from: { path: `^${room}/`, pathNot: NOT_TESTS },
      to: { path: `^(${rooms.filter((other) => other !== room && !allowed.includes(other)).join('|')})/` },
    })),
    ...floorRules,
    {
      name: 'nobody-inside-edge-asks-its-front',
      severity: 'error',
      from: { path: '^core/edge/.+/', pathNot: NOT_TESTS },
      to: { path: '^core/edge/index' },
    },
    {
      name: 'sql-stays-in-queries',
      comment: 'only files of db/ may ask the driver itself',
      severity: 'error',
      from: { pathNot: '^(server/db/|scripts/|.*\\.test\\.ts$)' },
      to: { path: 'node_modules/pg/' },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    // a test may look at any room: it stands outside all of them
    exclude: { path: '\\.test\\.ts$' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.json' },
    enhancedResolveOptions: { extensions: ['.ts', '.vue', '.js', '.json'] },
  },
}
