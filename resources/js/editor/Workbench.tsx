import { useQuery } from '@tanstack/react-query'
import { useDeferredValue, useEffect, useRef, useState } from 'react'
import { useLocation, useNavigate } from 'react-router'
import { fetchFollowers, keepRevision } from '@/api/assembly'
import { ApiProblem } from '@/api/client'
import { presentationQuery } from '@/api/queries'
import type { QuestionJson } from '@/api/question'
import { followed } from '@/lib/phrases'
import { useDebouncedValue } from '@/lib/useDebouncedValue'
import { useHistory } from '@/lib/useHistory'
import { useSaving } from '@/lib/useSaving'
import { useWide } from '@/lib/useWide'
import { texts } from '@/messages'
import { pastedIn } from '@/parts/pasteLines'
import { Shell } from '@/shell/Shell'
import { Button } from '@/ui/Button'
import { altShift, ctrl, useCommands } from '@/ui/commands'
import type { Crumb } from '@/ui/Frame'
import { Message } from '@/ui/Message'
import { Panes } from '@/ui/Panes'
import { useToast } from '@/ui/Toasts'
import { Conflict } from './Conflict'
import { DeskFooter } from './DeskFooter'
import { DeskSidebar } from './DeskSidebar'
import type { Home } from './home'
import { Page } from './Page'
import { toPlace } from './places'
import { KeepStart } from './starts/KeepStart'
import { ReplaceDialog } from './starts/ReplaceDialog'
import { beginTypeAhead, takeTypeAhead } from './typeAhead'
import { useQuietFindings } from './useQuietFindings'
import { useRecord } from './useRecord'

type Props = {
  home: Home
  crumbs: Crumb[]
  /** The newest revision it stands on; 0 when it is not stored yet. */
  revision: number
  start: QuestionJson
  /** Said at the top: that it was restored, or what it is a copy of. */
  note?: { text: string; action?: string; act?: () => void }
  dirty: boolean
  onAnother?: () => void
}

/** The question on the left as one page, each part with its key; on the right as a learner meets it. */
export function Workbench({ home, crumbs, revision, start, note, dirty, onAnother }: Props) {
  const history = useHistory(start)
  const question = history.value
  const latest = useRef(question)
  latest.current = question
  const navigate = useNavigate()
  const tell = useToast()
  const saving = useSaving(question, home, revision, dirty)
  const apart = !saving.isNew && home.record !== 'inside'
  const another = onAnother ?? (home.next ? () => navigate(home.next ?? '') : null)
  const [tab, setTab] = useState('try')
  const [comparing, setComparing] = useState(false)
  const [noteOf, setNote] = useState('')
  const [replacing, setReplacing] = useState(false)
  const [keeping, setKeeping] = useState(false)
  const wide = useWide(900)
  const record = useRecord(question, home.slug, apart, history.change, home.choosesFolders && !apart ? home.subject : null)
  const tried = useDeferredValue(useDebouncedValue({ ...question, record: record.record }, 250))
  const shown = useQuery(presentationQuery(tried, 1))
  const findings = shown.data?.findings ?? []
  const quiet = useQuietFindings(findings, shown.isPlaceholderData, question, revision === 0 && !dirty && !note)
  const refused = saving.save.error instanceof ApiProblem && saving.save.error.status !== 412 ? saving.save.error : null
  const save = async (then?: () => void, merged?: { content: QuestionJson; base: number }) => {
    if (saving.save.isPending) return
    quiet.showAll()
    if (then && then === onAnother) beginTypeAhead()
    await Promise.all([record.settled(), pastedIn()]) // what was classified or pasted a moment ago goes along
    saving.save.mutate(
      { base: saving.revision, note: noteOf.trim(), ...merged },
      {
        onSuccess: ([, saved]) => {
          setNote('')
          tell({
            text: home.saved(saved.revision),
            // after "Save and write another" this question is no longer open
            ...(home.after || !then ? {} : { link: { title: texts.bank.open, go: () => navigate(`/questions/${saved.id}`) } }),
          })
          if (saved.revision > 1 && apart) tellFollowers(saved.id, saved.revision)
          if (then) then()
          else if (home.after) navigate(home.after)
          else if (saving.revision === 0) navigate(`/questions/${saved.id}`, { replace: true, flushSync: true })
        },
        onError: () => {
          const typed = takeTypeAhead()
          if (typed) tell({ text: texts.starts.typedAhead({ text: typed }), look: 'problem' })
        },
      },
    )
  }
  // Assessments that follow the question use the new revision now; offer to pin the one before.
  const tellFollowers = async (id: string, revision: number) => {
    const following = await fetchFollowers(id).catch(() => [])
    const mine = following.filter((one) => one.may_write)
    if (following.length === 0) return
    tell({
      text: followed(following.map((one) => one.title)),
      ...(mine.length === 0
        ? {}
        : {
            link: {
              title: texts.desk.keepBefore({ n: revision - 1 }),
              go: () =>
                keepRevision(id, revision - 1).then(
                  (kept) => tell({ text: texts.desk.keptBefore({ kept, n: revision - 1 }) }),
                  (problem: Error) => tell({ text: problem.message, look: 'problem' }),
                ),
            },
          }),
    })
  }
  // Back from writing a stimulus for it: that stands above it now.
  const place = useLocation()
  const written = (place.state as { stimulus?: string } | null)?.stimulus
  const { change } = history
  useEffect(() => {
    if (!written) return
    change((now) => (now.stimuli?.includes(written) ? now : { ...now, stimuli: [...(now.stimuli ?? []), written] }))
    tell({ text: texts.stimuli.added })
    navigate(`${place.pathname}${place.search}`, { replace: true, state: null })
  }, [written, change, tell, navigate, place.pathname, place.search])
  const here = texts.frame.groups.here
  useCommands('desk', [
    { id: 'save', group: here, title: texts.desk.saveKey, keys: 'Ctrl S', on: ctrl('s'), run: () => save() },
    ...(another
      ? [
          {
            id: 'another',
            group: here,
            title: home.next ? texts.intake.saveNext : texts.desk.saveAnother,
            keys: 'Ctrl Enter',
            on: ctrl('enter'),
            run: () => save(another),
          },
        ]
      : []),
    { id: 'next', group: here, title: texts.starts.next, keys: 'Alt Shift ↓', on: altShift('arrowdown'), run: () => toPlace(1) },
    { id: 'previous', group: here, title: texts.starts.previous, keys: 'Alt Shift ↑', on: altShift('arrowup'), run: () => toPlace(-1) },
    {
      id: 'replace',
      group: here,
      title: texts.starts.replace.title,
      keys: 'Alt Shift F',
      on: altShift('f'),
      run: () => setReplacing(true),
    },
    { id: 'keep-start', group: here, title: texts.starts.keep, run: () => setKeeping(true) },
    {
      id: 'remove-row',
      group: here,
      title: texts.desk.removeRow,
      keys: 'Alt Delete',
      on: (event) => event.altKey && (event.key === 'Delete' || event.key === 'Backspace'),
      run: removeRow,
    },
    { id: 'undo', group: here, title: texts.desk.undo, keys: 'Ctrl Z', on: ctrl('z'), run: () => history.undo() },
    {
      id: 'redo',
      group: here,
      title: texts.desk.redo,
      keys: 'Ctrl Shift Z',
      on: (event) =>
        (event.ctrlKey || event.metaKey) && ((event.shiftKey && event.key.toLowerCase() === 'z') || (!event.shiftKey && event.key === 'y')),
      run: () => history.redo(),
    },
    ...(!apart
      ? []
      : [
          {
            id: 'like',
            group: here,
            title: texts.bank.duplicate,
            keys: 'Alt Shift D',
            on: altShift('d'),
            run: () => navigate(`/banks/${home.slug}/write?like=${question.id}`),
          },
        ]),
    ...Object.entries(texts.desk.tabs).map(([id, title]) => ({
      id: `tab-${id}`,
      group: texts.frame.groups.view,
      title,
      run: () => setTab(id),
    })),
  ])
  const title = question.title || record.name || texts.desk.fresh
  const aside = [
    saving.revision > 0 && apart ? texts.bank.revision({ n: saving.revision }) : '',
    saving.save.isPending ? texts.desk.saving : (texts.desk.keeping[saving.keeping] ?? ''),
  ]
    .filter((one) => one)
    .join(', ')
  const page = (
    <div className="flex h-full min-h-0 flex-col">
      <div className="flex min-h-0 flex-1 flex-col gap-3 overflow-y-auto bg-well p-4" ref={quiet.page}>
        {note ? (
          <Message look="attention" actions={note.action ? <Button onClick={note.act}>{note.action}</Button> : null}>
            {note.text}
          </Message>
        ) : null}
        {saving.conflict !== null ? (
          <Message look="attention" actions={<Button onClick={() => setComparing(true)}>{texts.desk.compare}</Button>}>
            {texts.desk.conflict({ n: saving.conflict })}
          </Message>
        ) : null}
        {refused ? <Message look="problem">{refused.message}</Message> : null}
        <Page
          question={question}
          findings={quiet.shown}
          bank={home.slug}
          {...(revision === 0 && !dirty ? { begin: takeTypeAhead } : {})}
          refused={(path) => (refused?.path === `/question${path}` ? refused.message : undefined)}
          change={history.change}
        />
      </div>
      <DeskFooter
        place={home.after ? home.name : saving.isNew ? texts.desk.inBank({ bank: home.name }) : home.name}
        folders={record.folders}
        saveName={home.saveName ?? texts.desk.save({ n: saving.revision + 1 })}
        busy={saving.save.isPending}
        history={history}
        onSave={() => save()}
        more={[
          { title: texts.starts.replace.title, run: () => setReplacing(true) },
          { title: texts.starts.keep, run: () => setKeeping(true) },
          ...(apart ? [{ title: texts.bank.duplicate, run: () => navigate(`/banks/${home.slug}/write?like=${question.id}`) }] : []),
        ]}
        {...(apart ? { note: noteOf, onNote: setNote } : {})}
        {...(another ? { onAnother: () => save(another), anotherName: home.next ? texts.intake.saveNext : texts.desk.saveAnother } : {})}
      />
    </div>
  )
  const beside = (
    <DeskSidebar
      question={question}
      tried={tried}
      now={() => latest.current}
      bank={home.slug}
      stored={apart}
      folders={apart || home.choosesFolders === true}
      record={record}
      findings={findings}
      shown={quiet.shown.length}
      tab={tab}
      onTab={setTab}
      revision={saving.revision}
      onRestore={(content, number) => {
        history.change((now) => ({ ...content, ...(now.record ? { record: now.record } : {}) }))
        setNote(texts.desk.restoredFrom({ n: number }))
        tell({ text: texts.desk.restoredHere({ n: number }) })
      }}
    />
  )
  return (
    <Shell title={title} crumbs={[...crumbs, { title }]} aside={<span role="status">{aside}</span>}>
      {wide ? (
        <Desk page={page} beside={beside} />
      ) : (
        <div className="h-full overflow-y-auto">
          {page}
          <div className="min-h-120 border-hairline border-t">{beside}</div>
        </div>
      )}
      {replacing ? (
        <ReplaceDialog question={question} onReplace={(next) => history.change(() => next)} onClose={() => setReplacing(false)} />
      ) : null}
      {keeping ? <KeepStart question={question} onClose={() => setKeeping(false)} /> : null}
      {comparing && saving.conflict !== null ? (
        <Conflict
          mine={question}
          home={home}
          revision={saving.conflict}
          onClose={() => setComparing(false)}
          onSave={(both) => {
            history.change(() => both)
            setComparing(false)
            save(undefined, { content: both, base: saving.conflict ?? 0 })
          }}
        />
      ) : null}
    </Shell>
  )
}

/** Deletes the row with the cursor. Its button is not a tab stop, where Space would delete by accident. */
function removeRow() {
  const row = (button: Element) => button.closest('th,tr,li') ?? button.parentElement
  const buttons = [...document.querySelectorAll<HTMLElement>('[data-remove]')]
  buttons.find((button) => row(button)?.contains(document.activeElement))?.click()
}

/** The page on the left takes what the try beside it leaves; the border between them moves. */
function Desk({ page, beside }: { page: React.ReactNode; beside: React.ReactNode }) {
  const width = Math.max(560, Math.round(window.innerWidth * 0.66))
  return (
    <Panes
      name="desk"
      borderName={(pane) => texts.frame.border({ pane })}
      panes={[{ id: 'page', label: texts.desk.stem, body: page, size: width, min: 480, max: Math.max(560, window.innerWidth - 320) }]}
      last={beside}
    />
  )
}
