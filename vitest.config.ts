import { availableParallelism } from 'node:os'
import vue from '@vitejs/plugin-vue'
import { defineConfig } from 'vitest/config'
import { catalogueParts } from './scripts/catalogueParts.ts'

export default defineConfig({
  plugins: [vue(), catalogueParts()],
  test: {
    include: ['{core,contract,words,sheets,server,web,demo,scripts}/**/*.test.ts'],
    globalSetup: ['scripts/testDatabase.ts'],
    setupFiles: ['scripts/spokenTests.ts'],
    // both cores of the smallest machine; left to itself the runner keeps one for a watcher that is not there
    maxWorkers: Math.max(2, availableParallelism() - 1),
    // nothing here is timed: these only end what hangs, and a busy machine is slow
    hookTimeout: 60_000,
    testTimeout: 60_000,
  },
})
