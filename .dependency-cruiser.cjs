/** The rooms of the code and who may enter them. */
const rooms = ['core', 'contract', 'words', 'server', 'web', 'demo', 'scripts', 'tests']
const mayImport = {
  core: [],
  contract: ['core'],
  words: ['core', 'contract'],
  server: ['core', 'contract', 'words'],
  web: ['core', 'contract', 'words'],
  demo: ['core', 'contract', 'server'],
}

module.exports = {
  forbidden: [
    { name: 'no-circular', severity: 'error', from: {}, to: { circular: true } },
    ...Object.entries(mayImport).map(([room, allowed]) => ({
      name: `${room}-keeps-to-itself`,
      severity: 'error',
      from: { path: `^${room}/`, pathNot: '\\.test\\.ts$' },
      to: { path: `^(${rooms.filter((other) => other !== room && !allowed.includes(other)).join('|')})/` },
    })),
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.json' },
    enhancedResolveOptions: { extensions: ['.ts', '.vue', '.js', '.json'] },
  },
}
