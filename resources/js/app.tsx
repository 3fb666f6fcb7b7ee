import { QueryClient, QueryClientProvider } from '@tanstack/react-query'
import { StrictMode, Suspense } from 'react'
import { createRoot } from 'react-dom/client'
import { createBrowserRouter, Navigate, RouterProvider } from 'react-router'
import { ApiProblem } from './api/client'
import { Button } from './components/Button'
import { lazyAgain } from './components/lazyAgain'
import { Message, Nothing, Waiting } from './components/Message'
import { Toasts } from './components/Toasts'
import { CommandsProvider } from './frame/commands'
import { Shell } from './frame/Shell'
import { applyScheme } from './frame/useScheme'
import { ActScreen, Acts } from './screens/Acts'
import { Assessments } from './screens/Assessments'
import { Bank } from './screens/Bank'
import { Banks } from './screens/Banks'
import { Catalogue } from './screens/Catalogue'
import { Dispatch } from './screens/Dispatch'
import { Give } from './screens/Give'
import { Home } from './screens/Home'
import { Intake } from './screens/Intake'
import { NewDispatch } from './screens/NewDispatch'
import { Order } from './screens/Order'
import { ReceiptScreen } from './screens/Receipt'
import { SignIn } from './screens/SignIn'
import { Stimuli } from './screens/Stimuli'
import { Transfers } from './screens/Transfers'
import { settings } from './settings'
import { texts } from './texts'

applyScheme()

// The editor is only loaded where somebody writes.
const NewDesk = lazyAgain(() => import('./screens/Desk').then((desk) => ({ default: desk.NewDesk })))
const QuestionDesk = lazyAgain(() => import('./screens/Desk').then((desk) => ({ default: desk.QuestionDesk })))
const NewStimulusDesk = lazyAgain(() => import('./screens/StimulusDesk').then((desk) => ({ default: desk.NewStimulusDesk })))
const StimulusDesk = lazyAgain(() => import('./screens/StimulusDesk').then((desk) => ({ default: desk.StimulusDesk })))
const StagedDesk = lazyAgain(() => import('./screens/StagedDesk').then((desk) => ({ default: desk.StagedDesk })))
const Assessment = lazyAgain(() => import('./screens/Assessment').then((one) => ({ default: one.Assessment })))
const EntryDesk = lazyAgain(() => import('./screens/EntryDesk').then((desk) => ({ default: desk.EntryDesk })))
const Print = lazyAgain(() => import('./screens/Print').then((one) => ({ default: one.Print })))
const Kept = lazyAgain(() => import('./screens/Kept').then((kept) => ({ default: kept.Kept })))
const Account = lazyAgain(() => import('./screens/Account').then((one) => ({ default: one.Account })))
const People = lazyAgain(() => import('./screens/People').then((one) => ({ default: one.People })))
const Work = lazyAgain(() => import('./screens/Work').then((one) => ({ default: one.Work })))
const Forgot = lazyAgain(() => import('./screens/Password').then((one) => ({ default: one.Forgot })))
const ChoosePassword = lazyAgain(() => import('./screens/Password').then((one) => ({ default: one.ChoosePassword })))
const Gallery = lazyAgain(() => import('./screens/Gallery').then((gallery) => ({ default: gallery.Gallery })))

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

/** A page that broke: what was typed is kept, and loading it again mends most things. */
function Broken() {
  return (
    <main className="p-6">
      <h1 className="sr-only">{texts.problem.title}</h1>
      <Message look="problem" actions={<Button onClick={() => location.reload()}>{texts.problem.reload}</Button>}>
        {texts.problem.broken}
      </Message>
    </main>
  )
}

const router = createBrowserRouter([
  {
    errorElement: <Broken />,
    children: [
      { path: '/', element: <Navigate to="/desk" replace /> },
      { path: '/sign-in', element: <SignIn /> },
      { path: '/forgot', element: <Forgot /> },
      { path: '/choose-password/:secret', element: <ChoosePassword /> },
      { path: '/account', element: <Account /> },
      { path: '/people', element: <People /> },
      { path: '/work', element: <Work /> },
      { path: '/desk', element: <Home /> },
      { path: '/banks', element: <Banks /> },
      { path: '/find', element: <Catalogue /> },
      { path: '/banks/:slug', element: <Bank /> },
      { path: '/banks/:slug/write', element: <NewDesk /> },
      { path: '/banks/:slug/order', element: <Order /> },
      { path: '/banks/:slug/acts', element: <Acts /> },
      { path: '/acts/:id', element: <ActScreen /> },
      { path: '/banks/:slug/stimuli', element: <Stimuli /> },
      { path: '/banks/:slug/stimuli/new', element: <NewStimulusDesk /> },
      { path: '/stimuli/:id', element: <StimulusDesk /> },
      { path: '/questions/:id', element: <QuestionDesk /> },
      { path: '/assessments', element: <Assessments /> },
      { path: '/assessments/:id', element: <Assessment /> },
      { path: '/assessments/:id/print', element: <Print /> },
      { path: '/assessments/:id/entries/:entry', element: <EntryDesk /> },
      { path: '/transfers', element: <Transfers /> },
      { path: '/help/formats', element: <Kept /> },
      { path: '/intakes/new', element: <Give /> },
      { path: '/intakes/:id', element: <Intake /> },
      { path: '/intakes/:id/questions/:staged', element: <StagedDesk /> },
      { path: '/dispatches/new', element: <NewDispatch /> },
      { path: '/dispatches/:id', element: <Dispatch /> },
      { path: '/receipts/:id', element: <ReceiptScreen /> },
      ...(settings.gallery ? [{ path: '/gallery', element: <Gallery /> }] : []),
      {
        path: '*',
        element: (
          <Shell title={texts.notFound} crumbs={[{ title: texts.banks.title, to: '/banks' }]}>
            <Nothing title={texts.notFound} />
          </Shell>
        ),
      },
    ],
  },
])

const root = document.getElementById('app')
if (!root) throw new Error('There is no place for the application on this page.')
createRoot(root).render(
  <StrictMode>
    <QueryClientProvider client={client}>
      <Toasts words={{ label: texts.frame.notices, undo: texts.frame.undo, close: texts.frame.close }}>
        <CommandsProvider>
          <Suspense fallback={<Waiting text={texts.loading} />}>
            <RouterProvider router={router} />
          </Suspense>
        </CommandsProvider>
      </Toasts>
    </QueryClientProvider>
  </StrictMode>,
)
