import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useEffect, useState } from 'react'
import { useNavigate, useParams } from 'react-router'
import { assessmentQuery, binAssessment, openedAssessment, restoreAssessment, type Assessment as Whole } from '@/api/assembly'
import { entriesOf, isDraw, without } from '@/lib/assessment'
import { useAddress } from '@/lib/useAddress'
import { useWide } from '@/lib/useWide'
import { texts } from '@/messages'
import { DetailsMenu } from '@/question/details/DetailsMenu'
import { useDetailKeys } from '@/question/details/useDetails'
import { Shell } from '@/shell/Shell'
import { NewAssessment } from '@/shell/tray/NewAssessment'
import { folderText } from '@/shell/tray/PlaceFields'
import { setAtHand } from '@/shell/tray/useAtHand'
import { withAlignment, withoutAlignment } from '@/standards/alignmentTo'
import { StandardsField } from '@/standards/StandardsField'
import { Button } from '@/ui/Button'
import { ctrl, useCommands } from '@/ui/commands'
import { Menu } from '@/ui/Menu'
import { Message, Nothing, Waiting } from '@/ui/Message'
import { Panes } from '@/ui/Panes'
import { Tabs } from '@/ui/Tabs'
import { useToast } from '@/ui/Toasts'
import { FromBlueprint } from './blueprints/FromBlueprint'
import { NewBlueprint } from './blueprints/NewBlueprint'
import { DrawPane } from './DrawPane'
import { EntryPane } from './EntryPane'
import { Instructions } from './Instructions'
import { MergeEdits } from './MergeEdits'
import { Outline } from './Outline'
import { PickPane } from './pick/PickPane'
import { usePicking } from './pick/usePicking'
import { RollsPane } from './RollsPane'
import { SheetPane } from './SheetPane'
import { StateBanner, StateMenu } from './StateMenu'
import { SettingsPane } from './settings/SettingsPane'
import { TotalsPane } from './TotalsPane'
import { useDocument } from './useDocument'

/** An assessment: outline, the sheet as printed, and banks to pick from. */
export function Assessment() {
  const id = useParams().id ?? ''
  const whole = useQuery({ ...assessmentQuery(id), refetchOnWindowFocus: false, staleTime: 0 })
  if (whole.data) return <Bench key={id} start={whole.data} />
  return (
    <Shell title={texts.assembly.title} crumbs={[{ title: texts.assembly.title, to: '/assessments' }, { title: '…' }]}>
      {whole.isError ? <Nothing title={whole.error.message} /> : <Waiting text={texts.loading} />}
    </Shell>
  )
}

function Bench({ start }: { start: Whole }) {
  const document = useDocument(start)
  const { content, change, stored } = document
  const client = useQueryClient()
  const navigate = useNavigate()
  const tell = useToast()
  const { address, set } = useAddress()
  const [tab, setTab] = useState(content.sections.some((section) => section.entries.length > 0) ? 'question' : 'pick')
  const [isCopying, setCopying] = useState(false)
  const [isLike, setLike] = useState(false)
  const mayWrite = stored.may_write
  const wide = useWide(1100)
  const narrow = !useWide(768)
  const active = address.get('entry') ?? undefined
  useEffect(() => {
    if (mayWrite) setAtHand(stored.id)
  }, [mayWrite, stored.id])
  useEffect(() => {
    // the list has those first that were opened last
    openedAssessment(stored.id).then(
      () => client.invalidateQueries({ queryKey: ['assessments'] }),
      () => undefined,
    )
  }, [stored.id, client])
  const show = (entry: string) => {
    set('entry', entry, true)
    setTab('question')
  }
  const remove = (ids: string[]) => {
    const before = content
    change((now) => without(now, ids))
    tell({ text: texts.assembly.takenOut({ n: ids.length }), undo: () => change(() => before) })
  }
  const fail = (problem: Error) => tell({ text: problem.message, look: 'problem' })
  const restore = useMutation({
    mutationFn: () => restoreAssessment(stored.id),
    onSuccess: (now) => {
      client.invalidateQueries({ queryKey: ['assessments'] })
      client.setQueryData(assessmentQuery(stored.id).queryKey, now)
      document.adopt(now)
      tell({ text: texts.assembly.restored({ title: stored.title }) })
    },
    onError: fail,
  })
  const bin = useMutation({
    mutationFn: async () => {
      await document.flush()
      await binAssessment(stored.id)
    },
    onSuccess: () => {
      setAtHand(null)
      client.invalidateQueries({ queryKey: ['assessments'] })
      client.removeQueries({ queryKey: ['assessment', stored.id] })
      tell({ text: texts.assembly.removed({ title: stored.title }), undo: () => restore.mutate() })
      navigate('/assessments')
    },
    onError: fail,
  })
  const here = texts.frame.groups.here
  useDetailKeys()
  useCommands('assessment', [
    ...(mayWrite
      ? [
          { id: 'undo', group: here, title: texts.desk.undo, keys: 'Ctrl Z', on: ctrl('z'), run: () => document.undo() },
          {
            id: 'redo',
            group: here,
            title: texts.desk.redo,
            keys: 'Ctrl Shift Z',
            on: (event: KeyboardEvent) => (event.ctrlKey || event.metaKey) && event.shiftKey && event.key.toLowerCase() === 'z',
            run: () => document.redo(),
          },
        ]
      : []),
    { id: 'run', group: here, title: texts.assembly.run.command, run: () => navigate(`/assessments/${stored.id}/run`) },
    { id: 'print', group: here, title: texts.assembly.print, run: () => navigate(`/assessments/${stored.id}/print`) },
    { id: 'forms', group: here, title: texts.paper.forms.command, run: () => navigate(`/assessments/${stored.id}/forms`) },
    {
      id: 'history',
      group: here,
      title: texts.assembly.history.command,
      run: () => navigate(`/assessments/${stored.id}/history`),
    },
    { id: 'send', group: here, title: texts.tray.send, run: () => navigate(`/dispatches/new?assessment=${stored.id}`) },
  ])
  const draws = entriesOf(content).filter(isDraw)
  const draw = draws.find((one) => one.id === active)
  const picking = usePicking(document, active)
  const isPicking = mayWrite && picking.isWide && !narrow
  const showFound = (bank: string, query: string) => {
    setTab('pick')
    navigate(
      `?${new URLSearchParams([['entry', active ?? ''], ['from', bank === '' ? picking.EVERY : bank], ...new URLSearchParams(query)])}`,
    )
  }
  const outline = (
    <div className="flex h-full flex-col">
      <div className="flex-none border-hairline border-b px-3 py-2">
        <input
          aria-label={texts.assembly.name}
          value={content.title}
          maxLength={500}
          disabled={!mayWrite}
          onChange={(event) => change((now) => ({ ...now, title: event.target.value }), 'title')}
          className="w-full rounded-ui border border-transparent bg-transparent px-1 py-0.5 text-head font-semibold hover:border-edge focus:bg-paper"
        />
        <Instructions
          value={content.instructions ?? ''}
          mayWrite={mayWrite}
          onChange={(html) => change((now) => ({ ...now, instructions: html }), 'instructions')}
        />
        <div className="mt-1 flex items-start gap-2">
          <p className="flex-1 px-1 text-second" role="status">
            <strong>{texts.assembly.total({ n: stored.totals.questions, points: stored.totals.points })}</strong>
            {stored.totals.minutes === null ? '' : `, ${texts.assembly.minutes({ n: stored.totals.minutes })}`}
          </p>
          <DetailsMenu />
        </div>
      </div>
      <div className="min-h-0 flex-1">
        <Outline document={document} active={active} onActive={show} mayWrite={mayWrite} onRemove={remove} />
      </div>
    </div>
  )
  const beside = (
    <div className="h-full bg-paper">
      <Tabs
        label={texts.assembly.beside}
        value={tab}
        onChange={setTab}
        tabs={[
          ...(mayWrite
            ? [
                {
                  id: 'pick',
                  body: <PickPane picking={picking} />,
                },
              ]
            : []),
          {
            id: 'question',
            body: draw ? (
              <DrawPane key={draw.id} document={document} draw={draw} mayWrite={mayWrite} onRemove={remove} onShow={showFound} />
            ) : active ? (
              <EntryPane key={active} document={document} id={active} mayWrite={mayWrite} onRemove={remove} />
            ) : (
              <Nothing title={texts.assembly.pickEntry} />
            ),
          },
          { id: 'settings', body: <SettingsPane document={document} mayWrite={mayWrite} /> },
          { id: 'rolls', body: <RollsPane document={document} mayWrite={mayWrite} /> },
          ...(content.blueprint ? [{ id: 'blueprint', body: <FromBlueprint document={document} mayWrite={mayWrite} /> }] : []),
          {
            id: 'totals',
            body: (
              <TotalsPane id={stored.id} version={stored.version} totals={stored.totals}>
                <StandardsField
                  label={texts.record.standards}
                  standards={content.standards ?? []}
                  disabled={!mayWrite}
                  onAdd={(one) => change((now) => ({ ...now, standards: withAlignment(now.standards, one) }))}
                  onRemove={(one) => change((now) => ({ ...now, standards: withoutAlignment(now.standards, one) }))}
                />
              </TotalsPane>
            ),
          },
        ].map((one) => ({ ...one, title: texts.assembly.tabs[one.id] ?? '' }))}
      />
    </div>
  )
  const sheet = <SheetPane document={document} active={active} onActive={show} />
  const left = { id: 'outline', label: texts.assembly.outline, body: outline, size: 372, min: 300, max: 560 }
  const middle = { id: 'sheet', label: texts.assembly.sheet, body: sheet, size: 510, min: 320, max: 900 }
  return (
    <Shell
      title={content.title}
      crumbs={[{ title: texts.assembly.title, to: '/assessments' }, { title: content.title }]}
      aside={
        <>
          {folderText([stored.bank.name, ...stored.folder])},{' '}
          <span role="status">{document.keeping === 'kept' ? '' : texts.assembly.keeping[document.keeping]}</span>
        </>
      }
      actions={
        <>
          {stored.may_change_state ? <StateMenu document={document} onShow={show} /> : null}
          <Menu.Root align="end" button={<Button>{texts.bank.more}</Button>}>
            <Menu.Item onSelect={() => setCopying(true)}>{texts.assembly.duplicate}</Menu.Item>
            <Menu.Item onSelect={() => setLike(true)}>{texts.blueprints.likeCommand}</Menu.Item>
            <Menu.Item onSelect={() => navigate(`/assessments/${stored.id}/forms`)}>{texts.paper.forms.command}</Menu.Item>
            <Menu.Item onSelect={() => navigate(`/assessments/${stored.id}/compare`)}>{texts.assembly.compared.command}</Menu.Item>
            <Menu.Item onSelect={() => navigate(`/assessments/${stored.id}/history`)}>{texts.assembly.history.command}</Menu.Item>
            {mayWrite ? <Menu.Item onSelect={() => bin.mutate()}>{texts.assembly.remove}</Menu.Item> : null}
          </Menu.Root>
          {stored.binned_at ? null : (
            <>
              <Button onClick={() => navigate(`/assessments/${stored.id}/run`)}>{texts.assembly.run.command}</Button>
              <Button onClick={() => navigate(`/dispatches/new?assessment=${stored.id}`)}>{texts.tray.send}</Button>
              <Button look="primary" onClick={() => navigate(`/assessments/${stored.id}/print`)}>
                {texts.assembly.print}
              </Button>
            </>
          )}
        </>
      }
    >
      <div className="flex h-full flex-col">
        {stored.binned_at ? (
          <div className="p-3">
            <Message
              look="attention"
              actions={
                stored.may_restore ? (
                  <Button aria-disabled={restore.isPending} onClick={() => restore.mutate()}>
                    {texts.assembly.restore}
                  </Button>
                ) : null
              }
            >
              {texts.assembly.inBin}
            </Message>
          </div>
        ) : null}
        <StateBanner stored={stored} onDuplicate={() => setCopying(true)} />
        <div className="min-h-0 flex-1">
          {isPicking ? (
            <PickPane picking={picking} />
          ) : narrow ? (
            <div className="h-full overflow-y-auto">
              {outline}
              <div className="min-h-120 border-hairline border-t">{beside}</div>
            </div>
          ) : (
            <Panes
              name={wide ? 'assessment' : 'assessment-two'}
              borderName={(pane) => texts.frame.border({ pane })}
              panes={wide ? [left, middle] : [left]}
              last={beside}
            />
          )}
        </div>
      </div>
      {document.conflict ? (
        <MergeEdits document={document} conflict={document.conflict} onClose={() => document.setConflict(null)} />
      ) : null}
      {isLike ? (
        <NewBlueprint assessment={{ id: stored.id, title: stored.title, bank: stored.bank.slug }} onClose={() => setLike(false)} />
      ) : null}
      {isCopying ? <NewAssessment like={{ ...stored, bank: stored.bank.slug }} onClose={() => setCopying(false)} /> : null}
    </Shell>
  )
}
