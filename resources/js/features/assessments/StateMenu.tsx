import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { ChevronDown } from 'lucide-react'
import { useState } from 'react'
import { type Assessment, assessmentQuery, changeState, checkQuery, type StateChange } from '@/api/assembly'
import { day } from '@/lib/format'
import { texts } from '@/messages'
import { Button } from '@/ui/Button'
import { Dialog } from '@/ui/Dialog'
import { Field } from '@/ui/Field'
import { FormDialog } from '@/ui/FormDialog'
import { Menu } from '@/ui/Menu'
import { Message, Waiting } from '@/ui/Message'
import { useToast } from '@/ui/Toasts'
import type { Document } from './useDocument'

const words = texts.assembly.state

/** Draft, ready, used, archived: what it is, and what it can become. */
export function StateMenu({ document, onShow }: { document: Document; onShow: (entry: string) => void }) {
  const { stored } = document
  const client = useQueryClient()
  const tell = useToast()
  const [dialog, setDialog] = useState<'ready' | 'used' | null>(null)
  const versionOf = () => client.getQueryData(assessmentQuery(stored.id).queryKey)?.version ?? stored.version
  /** Notes again when it was used, after that was taken back by mistake. */
  const usedAgain = useMutation({
    mutationFn: async (occasions: Assessment['occasions']) => {
      let now: Assessment | null = null
      for (const one of occasions)
        now = await changeState(stored.id, { state: 'used', date: one.used_on, group: one.with_whom }, now?.version ?? versionOf())
      return now
    },
    onSuccess: (now) => {
      if (now) document.adopt(now)
      client.invalidateQueries({ queryKey: ['assessments'] })
    },
    onError: (problem) => tell({ text: problem.message, look: 'problem' }),
  })
  const change = useMutation({
    mutationFn: async (to: StateChange) => {
      await document.flush() // which stores another version where something was typed
      return changeState(stored.id, to, versionOf())
    },
    onSuccess: (now, { state }) => {
      document.adopt(now)
      client.invalidateQueries({ queryKey: ['assessments'] })
      if (state === 'ready') tell({ text: words.isReady({ title: now.title }) })
      if (state === 'unused') tell({ text: words.isUnused({ title: now.title }), undo: () => usedAgain.mutate(stored.occasions) })
      setDialog(null)
    },
    onError: (problem) => (dialog === 'used' ? undefined : tell({ text: problem.message, look: 'problem' })),
  })
  const to = (state: StateChange['state']) => () => change.mutate({ state })
  const { state } = stored
  return (
    <>
      <Menu.Root
        align="end"
        button={
          <Button aria-label={words.button({ state: texts.assembly.states[state] ?? state })}>
            {texts.assembly.states[state]}
            <ChevronDown size={14} aria-hidden="true" />
          </Button>
        }
      >
        {state === 'draft' ? <Menu.Item onSelect={() => setDialog('ready')}>{words.check}</Menu.Item> : null}
        {state === 'ready' ? <Menu.Item onSelect={to('draft')}>{words.draft}</Menu.Item> : null}
        {state === 'archived' ? (
          <Menu.Item onSelect={to('draft')}>{words.unarchive}</Menu.Item>
        ) : (
          <>
            <Menu.Item onSelect={() => setDialog('used')}>{state === 'used' ? words.usedAgain : words.used}</Menu.Item>
            {state === 'used' ? <Menu.Item onSelect={to('unused')}>{words.unused}</Menu.Item> : null}
            <Menu.Item onSelect={to('archived')}>{words.archive}</Menu.Item>
          </>
        )}
      </Menu.Root>
      {dialog === 'ready' ? (
        <ReadyDialog
          stored={stored}
          isPending={change.isPending}
          onReady={to('ready')}
          onShow={(entry) => {
            setDialog(null)
            onShow(entry)
          }}
          onClose={() => setDialog(null)}
        />
      ) : null}
      {dialog === 'used' ? (
        <UsedDialog
          problem={change.error?.message ?? null}
          isPending={change.isPending}
          onUsed={(when, group) => change.mutate({ state: 'used', date: when, group })}
          onClose={() => {
            setDialog(null)
            change.reset()
          }}
        />
      ) : null}
    </>
  )
}

type ReadyProps = {
  stored: Assessment
  isPending: boolean
  onReady: () => void
  onShow: (entry: string) => void
  onClose: () => void
}

/** What keeps it from being ready, and what should be looked at. */
function ReadyDialog({ stored, isPending, onReady, onShow, onClose }: ReadyProps) {
  const check = useQuery(checkQuery(stored.id, stored.version))
  const found = check.data ?? []
  const blocking = found.filter((one) => one.severity === 'blocking')
  const warnings = found.filter((one) => one.severity !== 'blocking')
  const list = (title: string, some: typeof found) =>
    some.length === 0 ? null : (
      <section aria-label={title}>
        <h3 className="font-semibold">{title}</h3>
        <ul>
          {some.map((one, i) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: findings do not move
            <li key={i} className="flex items-baseline gap-3 py-0.5">
              <span className="flex-1">{one.message}</span>
              {stored.entries[one.path.slice(1)] ? (
                <Button look="quiet" aria-label={`${words.show}: ${one.message}`} onClick={() => onShow(one.path.slice(1))}>
                  {words.show}
                </Button>
              ) : null}
            </li>
          ))}
        </ul>
      </section>
    )
  return (
    <Dialog
      open
      onClose={onClose}
      title={words.checkTitle}
      closeName={texts.frame.close}
      actions={
        <>
          <Button onClick={onClose}>{texts.frame.cancel}</Button>
          <Button
            look="primary"
            disabled={!check.isSuccess || blocking.length > 0}
            aria-disabled={isPending}
            onClick={() => !isPending && onReady()}
          >
            {words.ready}
          </Button>
        </>
      }
    >
      <div className="flex max-h-96 flex-col gap-4 overflow-y-auto">
        {check.isPending ? <Waiting text={words.checking} /> : null}
        {check.isError ? <Message look="problem">{check.error.message}</Message> : null}
        {check.isSuccess && found.length === 0 ? <Message look="done">{words.allWell}</Message> : null}
        {list(words.blocking, blocking)}
        {list(words.warnings, warnings)}
      </div>
    </Dialog>
  )
}

type UsedProps = { problem: string | null; isPending: boolean; onUsed: (date: string, group: string) => void; onClose: () => void }

/** On which day, and with whom. */
function UsedDialog({ problem, isPending, onUsed, onClose }: UsedProps) {
  const [when, setWhen] = useState(() => new Date().toLocaleDateString('sv')) // YYYY-MM-DD of here
  const [group, setGroup] = useState('')
  return (
    <FormDialog
      onClose={onClose}
      title={words.usedTitle}
      about={words.usedAbout}
      go={words.usedGo}
      disabled={isPending || when === '' || group.trim() === ''}
      onSubmit={() => onUsed(when, group)}
      className="flex flex-col gap-4"
    >
      <Field.Root>
        <Field.Label>{words.date}</Field.Label>
        <Field.Text type="date" required value={when} onChange={(event) => setWhen(event.target.value)} />
      </Field.Root>
      <Field.Root problem={problem}>
        <Field.Label>{words.group}</Field.Label>
        <Field.Text placeholder={words.groupHint} maxLength={200} value={group} onChange={(event) => setGroup(event.target.value)} />
      </Field.Root>
    </FormDialog>
  )
}

/** Why nothing can be changed, where that is because it was used or archived. */
export function StateBanner({ stored, onDuplicate }: { stored: Assessment; onDuplicate: () => void }) {
  const uses = stored.occasions.map((one) => words.usedOn({ date: day(`${one.used_on}T12:00`), group: one.with_whom })).join(' ')
  if (stored.binned_at || (stored.state !== 'used' && stored.state !== 'archived')) return null
  return (
    <div className="p-3 pb-0">
      <Message look="attention" actions={<Button onClick={onDuplicate}>{texts.assembly.duplicate}</Button>}>
        {stored.state === 'archived' ? `${words.archived} ${uses}` : `${uses} ${words.frozen}`}
      </Message>
    </div>
  )
}
