import vue from '@vitejs/plugin-vue'
import { defineConfig } from 'vitest/config'

export default defineConfig({
  plugins: [vue()],
  test: {
    include: ['{core,contract,words,server,web,demo,scripts}/**/*.test.ts'],
    globalSetup: ['scripts/testDatabase.ts'],
    hookTimeout: 60_000,
    testTimeout: 20_000,
  },
})
