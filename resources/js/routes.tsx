import { Suspense } from 'react'
import { ErrorBoundary } from 'react-error-boundary'
import { BrowserRouter, Navigate, type RouteObject, useRoutes } from 'react-router'
import { loadAhead } from './lib/lazily'
import { lazyAgain } from './lib/lazyAgain'
import { texts } from './messages'
import { type Screen, screens } from './screens'
import { CommandPalette } from './shell/CommandPalette'
import { Shell } from './shell/Shell'
import { Button } from './ui/Button'
import { Message, Nothing, Waiting } from './ui/Message'

/** Screens that are often opened: fetched when the first screen is there. */
const common = ['/banks/:slug', '/questions/:id', '/assessments/:id']
/** So long nothing else is to compete with the first screen. */
const FIRST = 4000

/** A screen that is fetched when it is first opened, and that breaks alone. */
function route({ path, load }: Screen): RouteObject {
  const Screen = lazyAgain(load)
  return {
    path,
    element: (
      <ErrorBoundary key={path} fallback={<Broken />}>
        <Suspense fallback={<Waiting text={texts.loading} />}>
          <Screen />
        </Suspense>
      </ErrorBoundary>
    ),
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
  ...screens.map(route),
  {
    path: '*',
    element: (
      <Shell title={texts.notFound} crumbs={[{ title: texts.banks.title, to: '/banks' }]}>
        <Nothing title={texts.notFound} />
      </Shell>
    ),
  },
]

const Routes = () => useRoutes(routes)

/** The screen of the address, and what stays while screens change. */
export function Screens() {
  return (
    <BrowserRouter>
      <ErrorBoundary fallback={<Broken />}>
        <Routes />
        <CommandPalette />
      </ErrorBoundary>
    </BrowserRouter>
  )
}

setTimeout(() => loadAhead(screens.filter(({ path }) => common.includes(path)).map(({ load }) => load)), FIRST)
