import '@fontsource/source-sans-3/400.css'
import '@fontsource/source-sans-3/600.css'
import '@fontsource/spline-sans-mono/600.css'
import './app/look.css'
import { QueryClientProvider } from '@tanstack/react-query'
import { RouterProvider } from '@tanstack/react-router'
import { StrictMode } from 'react'
import { createRoot } from 'react-dom/client'
import { queryClient } from './api/queryClient'
import { router } from './app/router'
import { guardDoubleClicks } from './parts/doubleClick'
import { languages, speak } from './words/i18n'

guardDoubleClicks(document)

const wording = await languages.en.wording()
await speak('en', wording.default)

const root = document.getElementById('root')
if (root) {
  createRoot(root).render(
    <StrictMode>
      <QueryClientProvider client={queryClient}>
        <RouterProvider router={router} />
      </QueryClientProvider>
    </StrictMode>,
  )
}
