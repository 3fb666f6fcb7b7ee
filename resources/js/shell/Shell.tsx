import { useQuery, useQueryClient } from '@tanstack/react-query'
import { type ReactNode, useEffect, useState } from 'react'
import { Navigate, useLocation, useNavigate } from 'react-router'
import { ApiProblem } from '@/api/client'
import { meQuery, signOut } from '@/api/queries'
import { lazily } from '@/lib/lazily'
import { nextPane } from '@/lib/useKeepFocus'
import { useScheme } from '@/lib/useScheme'
import { useSteady } from '@/lib/useSteady'
import { texts } from '@/messages'
import { settings } from '@/settings'
import { Button } from '@/ui/Button'
import { single, useCommandStore, useCommands } from '@/ui/commands'
import { Dialog } from '@/ui/Dialog'
import { type Crumb, Frame } from '@/ui/Frame'
import { Message, Waiting } from '@/ui/Message'
import { SearchField } from '@/ui/SearchField'
import { useToast } from '@/ui/Toasts'
import { PersonMenu } from './PersonMenu'
import { helpFor } from './pageFor'
import { TrayBar, type TrayScope } from './tray/TrayBar'

export type ShellSearch = { label: string; value: string; onChange: (words: string) => void }
const SignInForm = lazily(() => import('./SignInForm'), 'SignInForm')
const areas = [
  { title: texts.areas.desk, to: '/desk' },
  { title: texts.areas.banks, to: '/banks', also: ['/questions', '/stimuli', '/find'] },
  { title: texts.areas.assessments, to: '/assessments', also: ['/blueprints'] },
  { title: texts.areas.coverage, to: '/coverage', also: ['/frameworks'] },
  { title: texts.areas.transfers, to: '/transfers', also: ['/intakes', '/dispatches', '/receipts'] },
]
type Props = {
  title: string
  crumbs: Crumb[]
  aside?: ReactNode
  actions?: ReactNode
  search?: ShellSearch
  tray?: TrayScope
  children: ReactNode
}

/** The frame for who is signed in; others are sent to sign in and come back. */
export function Shell({ title, crumbs, aside, actions, search, tray, children }: Props) {
  const me = useQuery(meQuery)
  const client = useQueryClient()
  const navigate = useNavigate()
  const here = useLocation()
  const [scheme, setScheme] = useScheme()
  const ended = useSessionEnd()
  const { show } = useCommandStore()
  useRemovedCharacters()
  useEffect(() => {
    document.title = `${title} – ${texts.product}`
  }, [title])
  const leave = async () => {
    await signOut().catch(() => undefined)
    client.clear()
    navigate('/sign-in')
  }
  const acts = useSteady({ leave: () => void leave(), scheme: setScheme, showKeys: () => show('keys') })
  useCommands('frame', [
    {
      id: 'next-pane',
      group: texts.frame.groups.view,
      title: texts.frame.nextPane,
      keys: 'F6',
      on: (event) => event.key === 'F6' && !event.shiftKey,
      run: () => nextPane(1),
    },
    {
      id: 'previous-pane',
      group: texts.frame.groups.view,
      title: texts.frame.previousPane,
      keys: 'Shift F6',
      on: (event) => event.key === 'F6' && event.shiftKey,
      run: () => nextPane(-1),
    },
    ...(search
      ? [
          {
            id: 'search',
            group: texts.frame.groups.here,
            title: search.label,
            keys: '/',
            single: true,
            on: single('/'),
            run: () => document.querySelector<HTMLInputElement>('[data-search]')?.focus(),
          },
        ]
      : []),
    { id: 'desk-area', group: texts.frame.groups.go, title: texts.frame.desk, run: () => navigate('/desk') },
    { id: 'banks', group: texts.frame.groups.go, title: texts.frame.goBanks, run: () => navigate('/banks') },
    { id: 'catalogue', group: texts.frame.groups.go, title: texts.bank.catalogue, run: () => navigate('/find') },
    { id: 'assessments', group: texts.frame.groups.go, title: texts.frame.goAssessments, run: () => navigate('/assessments') },
    { id: 'coverage', group: texts.frame.groups.go, title: texts.frame.coverage, run: () => navigate('/coverage') },
    { id: 'frameworks', group: texts.frame.groups.go, title: texts.standards.title, run: () => navigate('/frameworks') },
    { id: 'transfers', group: texts.frame.groups.go, title: texts.frame.goTransfers, run: () => navigate('/transfers') },
    { id: 'bring', group: texts.frame.groups.go, title: texts.frame.bring, run: () => navigate('/intakes/new') },
    {
      id: 'help',
      group: texts.frame.groups.go,
      title: texts.help.title,
      keys: 'F1',
      on: (event) => event.key === 'F1',
      run: () => navigate(helpFor(here.pathname)),
    },
    { id: 'formats', group: texts.frame.groups.go, title: texts.frame.formats, run: () => navigate('/help/formats') },
    { id: 'account', group: texts.frame.groups.go, title: texts.frame.account, run: () => navigate('/account') },
    { id: 'work', group: texts.frame.groups.go, title: texts.frame.work, run: () => navigate('/work') },
    ...(me.data?.is_administrator
      ? [{ id: 'people', group: texts.frame.groups.go, title: texts.frame.people, run: () => navigate('/people') }]
      : []),
    ...(settings.gallery
      ? [{ id: 'gallery', group: texts.frame.groups.go, title: texts.frame.gallery, run: () => navigate('/gallery') }]
      : []),
    ...Object.entries(texts.frame.schemes).map(([id, name]) => ({
      id: `scheme-${id}`,
      group: texts.frame.scheme,
      title: name,
      run: () => setScheme(id),
    })),
    { id: 'leave', group: texts.frame.groups.go, title: texts.signIn.out, run: leave },
  ])
  if (me.isPending) return <Waiting text={texts.loading} />
  if (me.isError && me.error instanceof ApiProblem && me.error.status === 401)
    return <Navigate to="/sign-in" state={{ from: here.pathname + here.search }} replace />
  return (
    <>
      <Frame
        product={texts.product}
        skip={texts.skip}
        areas={areas}
        search={search ? <SearchField {...search} /> : null}
        person={
          me.data ? (
            <PersonMenu person={me.data} scheme={scheme} onScheme={acts.scheme} onShowKeys={acts.showKeys} onLeave={acts.leave} />
          ) : null
        }
        crumbs={crumbs}
        aside={aside}
        actions={actions}
        bottom={me.data ? <TrayBar scope={tray} /> : null}
      >
        {me.isError ? (
          <div className="p-6">
            <Message look="problem" actions={<Button onClick={() => me.refetch()}>{texts.problem.retry}</Button>}>
              {me.error.message}
            </Message>
          </div>
        ) : (
          children
        )}
      </Frame>
      <Dialog
        open={ended.ended}
        onClose={ended.dismiss}
        title={texts.frame.signedOut}
        about={texts.frame.signedOutAbout}
        closeName={texts.frame.close}
      >
        <SignInForm
          onDone={(person) => {
            const other = person.id !== me.data?.id
            ended.dismiss()
            if (other) client.clear() // what another person sees is not this one's
            client.setQueryData(meQuery.queryKey, person)
            client.invalidateQueries()
          }}
        />
      </Dialog>
    </>
  )
}

/** Whether some request was answered "signed out" while a screen was open. */
function useSessionEnd() {
  const [ended, setEnded] = useState(false)
  useEffect(() => {
    const end = () => setEnded(true)
    addEventListener('signed-out', end)
    return () => removeEventListener('signed-out', end)
  }, [])
  return { ended, dismiss: () => setEnded(false) }
}

/** Says when the server had to leave characters out of what was sent. */
function useRemovedCharacters() {
  const tell = useToast()
  useEffect(() => {
    const say = (event: Event) => tell({ text: texts.frame.removed({ n: (event as CustomEvent<number>).detail }) })
    addEventListener('characters-removed', say)
    return () => removeEventListener('characters-removed', say)
  }, [tell])
}
