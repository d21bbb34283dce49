import { existsSync, readdirSync, statSync } from 'node:fs'
import { join } from 'node:path'
import { build } from 'vite'

export const WEB_ROOT = join(process.cwd(), 'dist', 'web')
const SOURCES = ['web', 'core', 'contract', 'words', 'package-lock.json', 'vite.config.ts']

function newest(path: string): number {
  const stat = statSync(path)
  if (!stat.isDirectory()) return stat.mtimeMs
  return Math.max(stat.mtimeMs, ...readdirSync(path).map((name) => newest(join(path, name))))
}

/** Builds the interface unless what is built is newer than everything it is made from. */
export async function buildWeb(): Promise<void> {
  const index = join(WEB_ROOT, 'index.html')
  if (existsSync(index) && statSync(index).mtimeMs > Math.max(...SOURCES.map(newest))) return
  await build({ logLevel: 'warn' })
}
