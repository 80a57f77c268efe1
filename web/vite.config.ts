import tailwind from '@tailwindcss/vite'
import react from '@vitejs/plugin-react'
import { fileURLToPath } from 'node:url'
import { defineConfig } from 'vitest/config'

export default defineConfig({
  plugins: [react(), tailwind()],
  resolve: {
    alias: {
      // the core, compiled for the page by the browser module
      '@morphotera/core': fileURLToPath(new URL('../browser/target/page/morphotera-core.js', import.meta.url)),
    },
  },
  build: { target: 'es2022', chunkSizeWarningLimit: 900 },
  server: { proxy: { '/api': process.env.MORPHOTERA_API ?? 'http://127.0.0.1:8080' }, fs: { allow: ['..'] } },
  test: { environment: 'jsdom', include: ['src/**/*.test.{ts,tsx}'] },
})
