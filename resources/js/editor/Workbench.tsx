import { useDeferredValue, useMemo, useRef, useState } from 'react'
import { useNavigate } from 'react-router'
import type { Finding, ModelAnswer, Part, QuestionJson } from '@/api/question'
import { useDebouncedValue } from '@/lib/useDebouncedValue'
import { useHistory } from '@/lib/useHistory'
import { useSteady } from '@/lib/useSteady'
import { texts } from '@/messages'
import { freshId } from '@/parts/fresh'
import { usePresentation } from '@/question/try/usePresentation'
import { Shell } from '@/shell/Shell'
import { Button } from '@/ui/Button'
import type { Crumb } from '@/ui/Frame'
import { Message } from '@/ui/Message'
import { PageAndSide } from '@/ui/PageAndSide'
import { useToast } from '@/ui/Toasts'
import { Conflict } from './Conflict'
import { DeskFooter } from './DeskFooter'
import { DeskSidebar } from './DeskSidebar'
import type { Home } from './home'
import { Page } from './Page'
import { KeepStart } from './starts/KeepStart'
import { ReplaceDialog } from './starts/ReplaceDialog'
import { takeTypeAhead } from './typeAhead'
import { useDeskCommands } from './useDeskCommands'
import { useDeskSaving } from './useDeskSaving'
import { useQuietFindings } from './useQuietFindings'
import { useRecord } from './useRecord'
import { useWrittenStimulus } from './useWrittenStimulus'

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

const none: Finding[] = []

/** The question on the left as one page, each part with its key; on the right as a learner meets it. */
export function Workbench({ home, crumbs, revision, start, note, dirty, onAnother }: Props) {
  const history = useHistory(start)
  const question = history.value
  const latest = useRef(question)
  latest.current = question
  const navigate = useNavigate()
  const tell = useToast()
  const saving = useDeskSaving(question, home, { revision, dirty })
  const apart = !saving.isNew && home.record !== 'inside'
  const [tab, setTab] = useState('try')
  const [dialog, setDialog] = useState<'compare' | 'replace' | 'keep start' | null>(null)
  const close = () => setDialog(null)
  const record = useRecord(question, home.slug, apart, history.change, home.choosesFolders && !apart ? home.subject : null)
  const tried = useDeferredValue(useDebouncedValue({ ...question, record: record.record }, 250))
  const shown = usePresentation(tried, 1, home.slug)
  const findings = shown.data?.findings ?? none
  const untouched = revision === 0 && !dirty
  const quiet = useQuietFindings(findings, shown.isPlaceholderData, question, untouched && !note)
  useWrittenStimulus(history.change)
  const save = (then?: { go: () => void; typeAhead: boolean }, merged?: { content: QuestionJson; base: number }) => {
    quiet.showAll()
    return saving.save(record.settled, then, merged)
  }
  const goOn = onAnother ?? (home.next ? () => navigate(home.next ?? '') : null)
  const another = goOn
    ? {
        title: home.next ? texts.intake.saveNext : texts.desk.saveAnother,
        run: () => save({ go: goOn, typeAhead: goOn === onAnother }),
      }
    : null
  const duplicate = apart ? () => navigate(`/banks/${home.slug}/write?like=${question.id}`) : null
  useDeskCommands({
    save: () => save(),
    another,
    undo: history.undo,
    redo: history.redo,
    replace: () => setDialog('replace'),
    keepStart: () => setDialog('keep start'),
    duplicate,
    showTab: setTab,
  })
  const acts = useSteady({
    now: () => latest.current,
    save: () => {
      save()
    },
    another: () => another?.run(),
    duplicate: () => duplicate?.(),
    restore: (content: QuestionJson, number: number) => {
      history.change((now) => ({ ...content, ...(now.record ? { record: now.record } : {}) }))
      saving.setNote(texts.desk.restoredFrom({ n: number }))
      tell({ text: texts.desk.restoredHere({ n: number }) })
    },
    model: (id: string, model: Omit<ModelAnswer, 'id'>) => {
      history.change((now) => ({ ...now, parts: now.parts.map((part) => (part.id === id ? withModel(part, model) : part)) }))
      tell({ text: texts.marking.keptAsModel })
    },
    undo: history.undo,
    redo: history.redo,
  })
  const { canUndo, canRedo } = history
  const steps = useMemo(() => ({ canUndo, canRedo, undo: acts.undo, redo: acts.redo }), [canUndo, canRedo, acts])
  const mayDuplicate = duplicate !== null
  const more = useMemo(
    () => [
      { title: texts.starts.replace.title, run: () => setDialog('replace') },
      { title: texts.starts.keep, run: () => setDialog('keep start') },
      ...(mayDuplicate ? [{ title: texts.bank.duplicate, run: acts.duplicate }] : []),
    ],
    [mayDuplicate, acts],
  )
  const title = question.title || record.name || texts.desk.fresh
  const aside = [
    saving.revision > 0 && apart ? texts.bank.revision({ n: saving.revision }) : '',
    saving.saving ? texts.desk.saving : (texts.desk.keeping[saving.keeping] ?? ''),
  ]
  const page = (
    <div className="flex h-full min-h-0 flex-col">
      <div className="flex min-h-0 flex-1 flex-col gap-3 overflow-y-auto bg-well p-4" ref={quiet.page}>
        {note ? (
          <Message look="attention" actions={note.action ? <Button onClick={note.act}>{note.action}</Button> : null}>
            {note.text}
          </Message>
        ) : null}
        {saving.conflict !== null ? (
          <Message look="attention" actions={<Button onClick={() => setDialog('compare')}>{texts.desk.compare}</Button>}>
            {texts.desk.conflict({ n: saving.conflict })}
          </Message>
        ) : null}
        {saving.refused ? <Message look="problem">{saving.refused.message}</Message> : null}
        <Page
          question={question}
          findings={quiet.shown}
          bank={home.slug}
          {...(untouched ? { begin: takeTypeAhead } : {})}
          refused={(path) => (saving.refused?.path === `/question${path}` ? saving.refused.message : undefined)}
          change={history.change}
          onValues={() => setTab('values')}
        />
      </div>
      <DeskFooter
        place={home.after || !saving.isNew ? home.name : texts.desk.inBank({ bank: home.name })}
        folders={record.folders}
        saveName={home.saveName ?? texts.desk.save({ n: saving.revision + 1 })}
        busy={saving.saving}
        history={steps}
        onSave={acts.save}
        more={more}
        {...(apart ? { note: saving.note, onNote: saving.setNote } : {})}
        {...(another ? { onAnother: acts.another, anotherName: another.title } : {})}
      />
    </div>
  )
  const side = (
    <DeskSidebar
      question={tab === 'values' ? question : tried}
      tried={tried}
      now={acts.now}
      bank={home.slug}
      stored={apart}
      folders={apart || home.choosesFolders === true}
      record={record}
      findings={findings}
      shown={quiet.shown.length}
      tab={tab}
      onTab={setTab}
      revision={saving.revision}
      change={history.change}
      onRestore={acts.restore}
      onModel={acts.model}
    />
  )
  return (
    <Shell title={title} crumbs={[...crumbs, { title }]} aside={<span role="status">{aside.filter((one) => one).join(', ')}</span>}>
      <PageAndSide name="desk" label={texts.desk.stem} page={page} side={side} />
      {dialog === 'replace' ? <ReplaceDialog question={question} onReplace={(next) => history.change(() => next)} onClose={close} /> : null}
      {dialog === 'keep start' ? <KeepStart question={question} onClose={close} /> : null}
      {dialog === 'compare' && saving.conflict !== null ? (
        <Conflict
          mine={question}
          home={home}
          revision={saving.conflict}
          onClose={close}
          onSave={(both) => {
            history.change(() => both)
            close()
            save(undefined, { content: both, base: saving.conflict ?? 0 })
          }}
        />
      ) : null}
    </Shell>
  )
}

/** A part with one more example answer. */
function withModel(part: Part, model: Omit<ModelAnswer, 'id'>): Part {
  const models = part.key?.models ?? []
  return { ...part, key: { ...part.key, models: [...models, { id: freshId(models, 'm'), ...model }] } }
}
