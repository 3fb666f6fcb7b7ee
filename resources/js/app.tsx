import { QueryClient, QueryClientProvider } from '@tanstack/react-query'
import { StrictMode, Suspense } from 'react'
import { createRoot } from 'react-dom/client'
import { ApiProblem } from './api/client'
import { useKeepFocus } from './lib/useKeepFocus'
import { applyScheme } from './lib/useScheme'
import { texts } from './messages'
import { applyLanguage } from './messages/language'
import { Screens } from './routes'
import { CommandsProvider } from './ui/commands'
import { Waiting } from './ui/Message'
import { Toasts } from './ui/Toasts'

applyLanguage()
applyScheme()

const client = new QueryClient({
  defaultOptions: {
    // Whether the server can be reached is found out by asking it, and said.
    mutations: { networkMode: 'always' },
    queries: {
      networkMode: 'always',
      staleTime: 15_000,
      retry: (times, problem) => times < 2 && !(problem instanceof ApiProblem && problem.status >= 400 && problem.status < 500),
    },
  },
})

/** Mounted above the screens, so that it survives navigation. */
function KeepFocus() {
  useKeepFocus()
  return null
}

const root = document.getElementById('app')
if (!root) throw new Error('There is no place for the application on this page.')
createRoot(root).render(
  <StrictMode>
    <QueryClientProvider client={client}>
      <Toasts words={{ label: texts.frame.notices, undo: texts.frame.undo, close: texts.frame.close }}>
        <CommandsProvider>
          <KeepFocus />
          <Suspense fallback={<Waiting text={texts.loading} />}>
            <Screens />
          </Suspense>
        </CommandsProvider>
      </Toasts>
    </QueryClientProvider>
  </StrictMode>,
)
