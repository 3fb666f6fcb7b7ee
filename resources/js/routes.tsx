import { Suspense } from 'react'
import { createBrowserRouter, Navigate, Outlet, type RouteObject } from 'react-router'
import { lazyAgain } from './lib/lazyAgain'
import { texts } from './messages'
import { settings } from './settings'
import { CommandPalette } from './shell/CommandPalette'
import { Shell } from './shell/Shell'
import { Button } from './ui/Button'
import { Message, Nothing, Waiting } from './ui/Message'

/** What every screen that is often opened needs is fetched once the first screen is there. */
const common = [
  () => import('./features/banks/Bank'),
  () => import('./features/questions/Desk'),
  () => import('./features/assessments/Assessment'),
]

/** A screen that is fetched when it is first opened, and that breaks alone. */
function screen<Module, Name extends keyof Module>(path: string, load: () => Promise<Module>, name: Name): RouteObject {
  const Screen = lazyAgain(() => load().then((module) => ({ default: module[name] as React.ComponentType })))
  return {
    path,
    element: (
      <Suspense fallback={<Waiting text={texts.loading} />}>
        <Screen />
      </Suspense>
    ),
    errorElement: <Broken />,
  }
}

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

const routes: RouteObject[] = [
  { path: '/', element: <Navigate to="/desk" replace /> },
  screen('/sign-in', () => import('./features/account/SignIn'), 'SignIn'),
  screen('/forgot', () => import('./features/account/Password'), 'Forgot'),
  screen('/choose-password/:secret', () => import('./features/account/Password'), 'ChoosePassword'),
  screen('/account', () => import('./features/account/Account'), 'Account'),
  screen('/people', () => import('./features/people/People'), 'People'),
  screen('/work', () => import('./features/home/Work'), 'Work'),
  screen('/desk', () => import('./features/home/Home'), 'Home'),
  screen('/banks', () => import('./features/banks/Banks'), 'Banks'),
  screen('/find', () => import('./features/banks/Catalogue'), 'Catalogue'),
  screen('/banks/:slug', () => import('./features/banks/Bank'), 'Bank'),
  screen('/banks/:slug/write', () => import('./features/questions/Desk'), 'NewDesk'),
  screen('/banks/:slug/order', () => import('./features/banks/Order'), 'Order'),
  screen('/banks/:slug/acts', () => import('./features/banks/BulkActions'), 'Acts'),
  screen('/acts/:id', () => import('./features/banks/BulkActions'), 'ActScreen'),
  screen('/banks/:slug/stimuli', () => import('./features/stimuli/Stimuli'), 'Stimuli'),
  screen('/banks/:slug/stimuli/new', () => import('./features/stimuli/StimulusDesk'), 'NewStimulusDesk'),
  screen('/stimuli/:id', () => import('./features/stimuli/StimulusDesk'), 'StimulusDesk'),
  screen('/questions/:id', () => import('./features/questions/Desk'), 'QuestionDesk'),
  screen('/assessments', () => import('./features/assessments/Assessments'), 'Assessments'),
  screen('/assessments/:id', () => import('./features/assessments/Assessment'), 'Assessment'),
  screen('/assessments/:id/print', () => import('./features/assessments/Print'), 'Print'),
  screen('/assessments/:id/entries/:entry', () => import('./features/assessments/EntryDesk'), 'EntryDesk'),
  screen('/transfers', () => import('./features/transfers/Transfers'), 'Transfers'),
  screen('/help', () => import('./features/help/Help'), 'Help'),
  screen('/help/formats', () => import('./features/transfers/FormatSupport'), 'FormatSupport'),
  screen('/help/:section', () => import('./features/help/Help'), 'Help'),
  screen('/intakes/new', () => import('./features/transfers/Import'), 'Import'),
  screen('/intakes/:id', () => import('./features/transfers/Intake'), 'Intake'),
  screen('/intakes/:id/questions/:staged', () => import('./features/transfers/StagedDesk'), 'StagedDesk'),
  screen('/dispatches/new', () => import('./features/transfers/NewDispatch'), 'NewDispatch'),
  screen('/dispatches/:id', () => import('./features/transfers/Dispatch'), 'Dispatch'),
  screen('/receipts/:id', () => import('./features/transfers/Receipt'), 'ReceiptScreen'),
  ...(settings.gallery ? [screen('/gallery', () => import('./features/help/Gallery'), 'Gallery')] : []),
  {
    path: '*',
    element: (
      <Shell title={texts.notFound} crumbs={[{ title: texts.banks.title, to: '/banks' }]}>
        <Nothing title={texts.notFound} />
      </Shell>
    ),
  },
]

/** What stays while screens change. */
function Layout() {
  return (
    <>
      <Outlet />
      <CommandPalette />
    </>
  )
}

export const router = createBrowserRouter([{ element: <Layout />, errorElement: <Broken />, children: routes }])

const whenIdle = window.requestIdleCallback ?? ((run: () => void) => setTimeout(run, 2000))
whenIdle(() => {
  for (const load of common) load().catch(() => undefined)
})
