import '@fontsource-variable/atkinson-hyperlegible-next/wght.css'
import './styles.css'
import { QueryClient, QueryClientProvider } from '@tanstack/react-query'
import { StrictMode } from 'react'
import { createRoot } from 'react-dom/client'
import { RouterProvider } from 'react-router'
import { ApiError, SIGNED_OUT } from './api/client'
import { fetchAhead, router } from './app/router'
import { openDevice } from './device/device'
import { endSession } from './app/session'

const FETCH_AHEAD_MS = 2000

const client = new QueryClient({
  defaultOptions: {
    queries: {
      // a refusal stays one; a server that was not reached is asked again
      retry: (count, error) => !(error instanceof ApiError && error.status > 0) && count < 2,
      staleTime: 5_000,
      networkMode: 'always',
    },
    mutations: { networkMode: 'always' },
  },
})

if ('serviceWorker' in navigator && import.meta.env.PROD) {
  void navigator.serviceWorker.register('/sw.js').catch(() => {})
}
// a page that is older than the server asks for parts that are gone: it comes back as the new one
addEventListener('vite:preloadError', (event) => {
  if (!navigator.onLine) return
  event.preventDefault()
  location.reload()
})
// the server says that nobody is signed in: what was read is forgotten, what is not sent yet waits for its owner
addEventListener(SIGNED_OUT, () => void endSession(client))
// what this device has kept is asked for before the first page, so that no page shows less than there is
await openDevice()

createRoot(document.getElementById('root')!).render(
  <StrictMode>
    <QueryClientProvider client={client}>
      <RouterProvider router={router} />
    </QueryClientProvider>
  </StrictMode>,
)
// not before the first page has what it needs
setTimeout(fetchAhead, FETCH_AHEAD_MS)
