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
import { tellServer } from './api/tellServer'
import { chosenLanguage, languages, speak } from './words/i18n'
import { Spoken } from './words/Spoken'

guardDoubleClicks(document)

const language = chosenLanguage()
const wording = await languages[language].wording()
await speak(language, wording.default)
tellServer('language', language)

const root = document.getElementById('root')
if (root) {
  createRoot(root).render(
    <StrictMode>
      <QueryClientProvider client={queryClient}>
        <Spoken>
          <RouterProvider router={router} />
        </Spoken>
      </QueryClientProvider>
    </StrictMode>,
  )
}
