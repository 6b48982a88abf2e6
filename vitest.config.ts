import { fileURLToPath } from 'node:url'
import { defineConfig } from 'vitest/config'

export default defineConfig({
  resolve: { alias: { '#core': fileURLToPath(new URL('./core', import.meta.url)) } },
  test: {
    include: [
      'core/**/*.test.ts',
      'server/**/*.test.ts',
      'app/**/*.test.ts',
      'demo/**/*.test.ts',
      'tests/server/**/*.test.ts',
    ],
    // The servers of these tests share two processors.
    maxWorkers: 2,
    testTimeout: 60_000,
    hookTimeout: 60_000,
  },
})
