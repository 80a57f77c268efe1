import { defineConfig, mergeConfig } from 'vitest/config'
import page from './vite.config'

export default mergeConfig(
  page,
  defineConfig({
    test: {
      environment: 'jsdom',
      setupFiles: ['src/testing/setup.ts'],
      include: ['src/**/*.test.{ts,tsx}'],
      testTimeout: 20_000,
    },
  }),
)
