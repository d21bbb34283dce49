import { mkdir, mkdtemp, rm, writeFile } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { expect, it } from 'vitest'
import { startApp } from './testing/harness'

it('a page whose files a newer build took away is told so, and the server goes on', async () => {
  const webRoot = await mkdtemp(join(tmpdir(), 'web-'))
  await mkdir(join(webRoot, 'assets'))
  await writeFile(join(webRoot, 'index.html'), '<title>x</title>')
  const script = join(webRoot, 'assets', 'index-1.js')
  await writeFile(script, 'export {}')
  const test = await startApp({ webRoot })
  try {
    const ask = async (): Promise<number> => (await fetch(`${test.base}/assets/index-1.js`)).status
    expect(await ask()).toBe(200)
    await rm(script)
    expect(await ask()).toBe(404)
    expect((await fetch(`${test.base}/assets/..%2f..%2fetc%2fpasswd`)).status).toBe(404)
    expect((await fetch(`${test.base}/api/health`)).status).toBe(200)
  } finally {
    await test.close()
    await rm(webRoot, { recursive: true })
  }
})
