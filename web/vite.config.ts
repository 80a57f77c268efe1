import tailwind from '@tailwindcss/vite'
import react from '@vitejs/plugin-react'
import { fileURLToPath } from 'node:url'
import { compression } from 'vite-plugin-compression2'
import { VitePWA } from 'vite-plugin-pwa'
import { defineConfig, type Plugin } from 'vite'

/** The page and everything it needs opens without network; what was read before is shown from the last answer. */
const offline = VitePWA({
  strategies: 'generateSW',
  registerType: 'autoUpdate',
  injectRegister: false,
  manifest: {
    name: 'Morphotera',
    short_name: 'Morphotera',
    description: 'Soil tests in the field, worked out, kept, and read again years later.',
    start_url: '/today',
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
          url.pathname !== '/api/session' &&
          !url.pathname.startsWith('/api/devices/'),
        handler: 'NetworkFirst',
        options: {
          cacheName: 'data-read',
          networkTimeoutSeconds: 6,
          expiration: { maxEntries: 600 },
          cacheableResponse: { statuses: [200] },
          // a session that ended takes with it what was read in it
          plugins: [
            {
              fetchDidSucceed: async ({ response }) => {
                if (response.status === 401) await caches.delete('data-read')
                return response
              },
            },
          ],
        },
      },
      {
        // who is signed in is asked of the server for as long as it may take: an old answer would be somebody else
        urlPattern: ({ url, request }) => request.method === 'GET' && url.pathname === '/api/session',
        handler: 'NetworkFirst',
        options: {
          cacheName: 'data-session',
          cacheableResponse: { statuses: [200] },
          plugins: [
            {
              fetchDidSucceed: async ({ response }) => {
                const { me } = await response
                  .clone()
                  .json()
                  .catch(() => ({}))
                const owners = await caches.open('data-owner')
                const before = await owners.match('/owner')
                if (!me || (before && (await before.text()) !== me.id)) await caches.delete('data-read')
                await owners.put('/owner', new Response(me ? me.id : ''))
                return response
              },
            },
          ],
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
  plugins: [
    react(),
    tailwind(),
    offline,
    newCore,
    // packed once here instead of at each load by the server; not for a page that is only tried
    ...(process.env.PAGE_UNPACKED
      ? []
      : [compression({ include: /\.(js|css|html|svg|webmanifest)$/, algorithms: ['gzip', 'brotliCompress'] })]),
  ],
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
})
