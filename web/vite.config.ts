import tailwind from '@tailwindcss/vite'
import react from '@vitejs/plugin-react'
import { fileURLToPath } from 'node:url'
import { VitePWA } from 'vite-plugin-pwa'
import type { Plugin } from 'vite'
import { defineConfig } from 'vitest/config'

/** The page and everything it needs opens without network; what was read before is shown from the last answer. */
const offline = VitePWA({
  strategies: 'generateSW',
  registerType: 'autoUpdate',
  injectRegister: false,
  manifest: {
    name: 'Morphotera',
    short_name: 'Morphotera',
    description: 'Soil tests in the field, worked out, kept, and read again years later.',
    start_url: '/fields',
    display: 'standalone',
    background_color: '#ecefea',
    theme_color: '#14211e',
    icons: [
      { src: '/icon-192.png', sizes: '192x192', type: 'image/png' },
      { src: '/icon-512.png', sizes: '512x512', type: 'image/png' },
      { src: '/icon-512.png', sizes: '512x512', type: 'image/png', purpose: 'maskable' },
    ],
  },
  workbox: {
    globPatterns: ['**/*.{js,css,html,svg,png,woff2}'],
    maximumFileSizeToCacheInBytes: 3_000_000,
    navigateFallback: '/index.html',
    navigateFallbackDenylist: [/^\/api\//, /^\/actuator\//],
    clientsClaim: true,
    skipWaiting: true,
    runtimeCaching: [
      {
        // clocks go by the server's time: an old answer would set them wrong; instruments stream
        urlPattern: ({ url, request }) =>
          request.method === 'GET' &&
          url.pathname.startsWith('/api/') &&
          url.pathname !== '/api/timers' &&
          !url.pathname.startsWith('/api/devices/'),
        handler: 'NetworkFirst',
        options: {
          cacheName: 'data-read',
          networkTimeoutSeconds: 6,
          expiration: { maxEntries: 600 },
          cacheableResponse: { statuses: [200] },
        },
      },
    ],
  },
})

/** A core that was compiled anew is taken up by a new load: the page keeps the one it has opened. */
const newCore: Plugin = {
  name: 'new-core',
  hotUpdate({ file }) {
    if (!file.endsWith('/morphotera-core.js')) return
    this.environment.hot.send({ type: 'full-reload' })
    return []
  },
}

export default defineConfig({
  plugins: [react(), tailwind(), offline, newCore],
  resolve: {
    alias: {
      // the core, compiled for the page by the browser module
      '@morphotera/core': fileURLToPath(
        new URL('../browser/target/page/morphotera-core.js', import.meta.url),
      ),
    },
  },
  build: { target: 'es2022', chunkSizeWarningLimit: 900 },
  server: { proxy: { '/api': process.env.MORPHOTERA_API ?? 'http://127.0.0.1:8080' }, fs: { allow: ['..'] } },
  test: {
    environment: 'jsdom',
    setupFiles: ['src/testing/setup.ts'],
    include: ['src/**/*.test.{ts,tsx}'],
    testTimeout: 20_000,
  },
})
