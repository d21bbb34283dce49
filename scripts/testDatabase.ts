import { join } from 'node:path'
import type { TestProject } from 'vitest/node'
import { startCluster } from './cluster'

declare module 'vitest' {
  interface ProvidedContext {
    databaseServer: { readonly template: string }
  }
}

/** One real PostgreSQL for a whole test run; each test file makes its own database in it. */
export default async function setup(project: TestProject): Promise<() => Promise<void>> {
  const cluster = await startCluster(join(process.cwd(), '.data', 'test'))
  project.provide('databaseServer', { template: cluster.urlFor('__database__') })
  return async () => {
    await cluster.stop()
  }
}
