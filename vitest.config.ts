import { availableParallelism } from 'node:os'
import vue from '@vitejs/plugin-vue'
import { defineConfig } from 'vitest/config'
import { catalogueParts } from './scripts/catalogueParts.ts'

/** Files of one room, with what all tests need before them. */
const room = (name: string, folders: string, isolate: boolean) => ({
  extends: true as const,
  test: { name, include: [`${folders}/**/*.test.ts`], isolate, setupFiles: ['scripts/spokenTests.ts'] },
})

export default defineConfig({
  plugins: [vue(), catalogueParts()],
  test: {
    // a screen keeps what it knows in its modules; the others keep nothing, and need not be read anew for each file
    projects: [
      room('core', '{core,contract,words,sheets}', false),
      room('server', '{server,demo,scripts}', false),
      room('web', 'web', true),
    ],
    globalSetup: ['scripts/testDatabase.ts'],
    // both cores of the smallest machine; left to itself the runner keeps one for a watcher that is not there
    maxWorkers: Math.max(2, availableParallelism() - 1),
    // nothing here is timed: these only end what hangs, and a busy machine is slow
    hookTimeout: 60_000,
    testTimeout: 60_000,
  },
})
