import '@fontsource-variable/atkinson-hyperlegible-next/wght.css'
import './styles.css'
import { QueryClient, QueryClientProvider } from '@tanstack/react-query'
import { StrictMode } from 'react'
import { createRoot } from 'react-dom/client'
import { RouterProvider } from 'react-router'
import { ApiError } from './api/client'
import { router } from './app/router'

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

createRoot(document.getElementById('root')!).render(
  <StrictMode>
    <QueryClientProvider client={client}>
      <RouterProvider router={router} />
    </QueryClientProvider>
  </StrictMode>,
)
