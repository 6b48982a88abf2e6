import { fileURLToPath } from 'node:url'
import { defineConfig } from 'vitest/config'

/** A test may take so long; what explores far, in `npm run test:deep`, longer. */
const timeoutOf = (mode: string) => (mode === 'deep' ? 900_000 : 60_000)

export default defineConfig(({ mode }) => ({
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
    testTimeout: timeoutOf(mode),
    hookTimeout: 60_000,
  },
}))
