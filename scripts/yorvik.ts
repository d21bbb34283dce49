import { join, resolve } from 'node:path'
import { parseArgs } from 'node:util'
import { isLanguage, LANGUAGES } from '../contract/languages'
import { backupNow, restore, verify } from './backups'
import { giveCode } from './giveCode'
import { serve, type ServeOptions } from './serve'
import { runTests } from './tests'

const HELP = `Yorvik keeps a kitchen's shared knife fleet sharp.

  ./yorvik demo    start with the sample house, Hallow Quay
  ./yorvik start   start with your own house; the first page sets it up
  ./yorvik backup         back the house up now; start does it once a day by itself
  ./yorvik verify FILE    restore a backup beside everything else and compare every table
  ./yorvik restore FILE   restore a backup into a data folder that has nothing in it
  ./yorvik code    give somebody who is locked out a code to choose a new password with
  ./yorvik test    check everything: lint, types, unit, server and browser tests

  --port N     port of the page on loopback (default 4310)
  --data DIR   where the database lives (default .data/demo or .data/house)
  --host ADDR  address to listen on (default 127.0.0.1)
  --trust-proxy N   proxies in front that speak TLS and say who asks (default 0)
  --allow-host NAME answer to this name and no other; may be given several times
  --backups DIR     where backups go (default: backups, in the data folder)
  --photos DIR      where pictures lie; in the database without it
  --language TAG    what the sample house speaks: ${LANGUAGES.join(', ')} (default en)
  --person NAME     whom ./yorvik code is for

DATABASE_URL makes start use a PostgreSQL server of your own; it may name several hosts.
YORVIK_LISTEN_URL is the same database past a pooler.
YORVIK_METRICS_TOKEN gives /api/metrics to whoever brings it as a bearer token.`

function readOptions(): ServeOptions & {
  command: string
  file: string | undefined
  person: string | undefined
} {
  const { values, positionals } = parseArgs({
    allowPositionals: true,
    options: {
      port: { type: 'string', default: '4310' },
      host: { type: 'string', default: '127.0.0.1' },
      data: { type: 'string' },
      'trust-proxy': { type: 'string', default: '0' },
      'allow-host': { type: 'string', multiple: true, default: [] },
      person: { type: 'string' },
      backups: { type: 'string' },
      photos: { type: 'string' },
      language: { type: 'string', default: 'en' },
      help: { type: 'boolean', short: 'h', default: false },
    },
  })
  const [command = 'help', file] = values.help ? ['help'] : positionals
  const port = Number(values.port)
  if (!Number.isInteger(port) || port < 1 || port > 65_535)
    throw new Error(`--port takes a number from 1 to 65535, not ${values.port}.`)
  const trustProxy = Number(values['trust-proxy'])
  if (!Number.isInteger(trustProxy) || trustProxy < 0 || trustProxy > 10)
    throw new Error(`--trust-proxy takes the number of proxies in front, 0 to 10, not ${values['trust-proxy']}.`)
  const { language } = values
  if (!isLanguage(language)) throw new Error(`--language takes one of ${LANGUAGES.join(', ')}, not ${language}.`)
  const demo = command === 'demo'
  return {
    command,
    demo,
    language,
    port,
    host: values.host,
    dataDirectory: resolve(values.data ?? join('.data', demo ? 'demo' : 'house')),
    databaseUrl: demo ? undefined : process.env['DATABASE_URL'],
    trustProxy,
    allowedHosts: values['allow-host'].flatMap((names) => names.toLowerCase().split(',')),
    person: values.person,
    file,
    backupDirectory: values.backups && resolve(values.backups),
    photoDirectory: values.photos && resolve(values.photos),
    startsAt: process.env['YORVIK_NOW'],
  }
}

async function main(): Promise<number> {
  const { command, ...options } = readOptions()
  switch (command) {
    case 'demo':
    case 'start':
      return await serve(options)
    case 'backup':
      return await backupNow(options)
    case 'restore':
      return await restore(options.file, options)
    case 'verify':
      return await verify(options.file, options)
    case 'code':
      return await giveCode(options)
    case 'test':
      return await runTests()
    default:
      console.log(HELP)
      return command === 'help' ? 0 : 2
  }
}

main().then(
  (code) => {
    process.exit(code)
  },
  (error: unknown) => {
    console.error(error instanceof Error ? error.message : error)
    process.exit(1)
  },
)
