import { useInfiniteQuery, useMutation, useQueryClient } from '@tanstack/react-query'
import { useMemo, useState } from 'react'
import { useNavigate } from 'react-router'
import { commitIntake, dropIntake, type Intake, intakeQuery, stagedQuery } from '@/api/intakes'
import { moment } from '@/lib/format'
import { importEffects, makesAssessments } from '@/lib/phrases/transfers'
import { useAddress } from '@/lib/useAddress'
import { useSelection } from '@/lib/useSelection'
import { useWide } from '@/lib/useWide'
import { texts } from '@/messages'
import { Shell } from '@/shell/Shell'
import { Button } from '@/ui/Button'
import { single, useCommands } from '@/ui/commands'
import { Dialog } from '@/ui/Dialog'
import type { Crumb } from '@/ui/Frame'
import { ListAndReading } from '@/ui/ListAndReading'
import { Menu } from '@/ui/Menu'
import { Message, Nothing } from '@/ui/Message'
import { useToast } from '@/ui/Toasts'
import { DocumentReview } from '../document/DocumentReview'
import { MigrationReview } from '../migration/MigrationReview'
import { TableReview } from '../table/TableReview'
import { NoticeList } from './NoticeList'
import { PlaceDialog, placePath } from './PlaceDialog'
import { ReviewBar } from './ReviewBar'
import { ReviewList } from './ReviewList'
import { StagedReading } from './StagedReading'
import { useReview } from './useReview'

/** Every question as it will be, before any of it is in a bank. */
export function Review({ intake, crumbs }: { intake: Intake; crumbs: Crumb[] }) {
  const navigate = useNavigate()
  const client = useQueryClient()
  const tell = useToast()
  const { address, set: put } = useAddress()
  const filter = useMemo(() => {
    const query = new URLSearchParams()
    for (const name of ['show', 'kind', 'file', 'group', 'words']) if (address.get(name)) query.set(name, address.get(name) ?? '')
    return query.toString()
  }, [address])
  const set = (name: string, value: string) => put(name, value, name === 'question')
  const pages = useInfiniteQuery(stagedQuery(intake.id, filter))
  const rows = useMemo(() => pages.data?.pages.flatMap((page) => page.data) ?? [], [pages.data])
  const selection = useSelection(rows, filter)
  const [showKey, setShowKey] = useState(true)
  const [placing, setPlacing] = useState(false)
  const [telling, setTelling] = useState(false)
  const [discarding, setDiscarding] = useState(false)
  const narrow = !useWide(768)
  const review = useReview(intake.id)
  const active = address.get('question') ?? (narrow ? undefined : rows[0]?.id)
  const row = rows.find((one) => one.id === active)
  const commit = useMutation({
    mutationFn: () => commitIntake(intake.id),
    onSuccess: (now) => {
      client.setQueryData(intakeQuery(intake.id).queryKey, now)
      client.invalidateQueries()
    },
    onError: () => client.invalidateQueries({ queryKey: ['intake', intake.id] }),
  })
  const discard = useMutation({
    mutationFn: () => dropIntake(intake.id),
    onSuccess: () => {
      tell({ text: texts.intake.discarded({ title: intake.title }) })
      client.invalidateQueries({ queryKey: ['transfers'] })
      navigate('/transfers')
    },
  })
  const toggle = () =>
    row && review.mutate({ target: { ids: [row.id] }, change: { skipped: !row.skipped }, undo: { skipped: row.skipped }, quiet: true })
  const here = texts.frame.groups.here
  useCommands('review', [
    { id: 'skip', group: here, title: texts.intake.skip, keys: 's', single: true, on: single('s'), run: () => toggle() },
    {
      id: 'key',
      group: texts.frame.groups.view,
      title: texts.bank.toggleKey,
      keys: 'k',
      single: true,
      on: single('k'),
      run: () => setShowKey(!showKey),
    },
    { id: 'place', group: here, title: texts.intake.place, keys: 'p', single: true, on: single('p'), run: () => setPlacing(true) },
    ...(active
      ? [
          {
            id: 'open',
            group: here,
            title: texts.intake.open,
            keys: 'Enter',
            run: () => navigate(`/intakes/${intake.id}/questions/${active}`),
          },
        ]
      : []),
  ])
  const coming = intake.coming.added + intake.coming.replaced
  const placed = intake.bank !== null || intake.new_bank !== null
  const undone = intake.receipts[0]?.kind === 'undo' ? intake.receipts[0] : null
  const documents = intake.documents
  const asked = address.get('document')
  // a document that is more than lines of text is looked at beside its questions first
  const usual = documents.length > 0 && documents.length === intake.files.length ? documents.find((one) => one.type !== 'text') : undefined
  const tables = intake.tables
  // one with mistakes is looked at first, and stays when the last of them is mended
  const [faulty] = useState(() => tables.find((one) => one.wrong > 0)?.file)
  const table = asked === 'none' || asked === 'migration' ? undefined : tables.find((one) => one.file === (asked ?? faulty))
  const shown = asked === 'none' || asked === 'migration' || table ? undefined : (documents.find((one) => one.file === asked) ?? usual)
  const isMigrating = asked === 'migration'
  const views = [
    ...documents.map(({ file }) => ({ file, title: texts.document.view })),
    ...tables.map(({ file }) => ({ file, title: texts.questionTable.view })),
  ]
  // what was not used is listed beside the document, where something can be done about it
  const isListed = (one: { code: string; severity: string }) =>
    shown ? one.code === 'document.unused' : table ? one.code.startsWith('table.') && one.severity === 'problem' : false
  const notices = intake.notices.filter((one) => !isListed(one))
  const reading = active ? (
    <StagedReading
      key={active}
      intake={intake.id}
      id={active}
      slug={intake.bank?.slug ?? ''}
      showKey={showKey}
      onKey={() => setShowKey(!showKey)}
      onBack={() => set('question', '')}
    />
  ) : (
    <Nothing title={texts.intake.pickOne} />
  )
  const list = (
    <ReviewList
      intake={intake}
      address={address}
      set={set}
      pages={pages}
      rows={rows}
      active={active}
      selection={selection}
      onOpen={(id) => navigate(`/intakes/${intake.id}/questions/${id}`)}
    />
  )
  return (
    <Shell
      title={intake.title}
      crumbs={crumbs}
      aside={importEffects(intake.coming)}
      search={{ label: texts.intake.search, value: address.get('words') ?? '', onChange: (words) => set('words', words) }}
      actions={
        <>
          <Menu.Root align="end" button={<Button>{texts.bank.more}</Button>}>
            {intake.receipts.map((receipt) => (
              <Menu.Item key={receipt.id} onSelect={() => navigate(`/receipts/${receipt.id}`)}>
                {texts.intake.receipt}: {texts.intake.receiptOf[receipt.kind]}, {moment(receipt.created_at)}
              </Menu.Item>
            ))}
            <Menu.Item onSelect={() => setDiscarding(true)}>{texts.intake.discard} …</Menu.Item>
          </Menu.Root>
          <Button onClick={() => setPlacing(true)}>
            {placed ? texts.intake.placeAt({ path: placePath(intake) }) : texts.intake.place}
          </Button>
          <Button
            look="primary"
            aria-disabled={commit.isPending}
            onClick={() => {
              if (coming === 0) tell({ text: texts.intake.nothingToBring, look: 'problem' })
              else if (!placed) setPlacing(true)
              else if (!commit.isPending) commit.mutate()
            }}
          >
            {texts.intake.bringIn({ n: coming })}
          </Button>
        </>
      }
    >
      <div className="flex h-full flex-col">
        {commit.isError ||
        intake.problem ||
        undone ||
        intake.assessments.length > 0 ||
        notices.length > 0 ||
        intake.files.some((file) => file.problem) ? (
          <div className="flex max-h-60 flex-none flex-col gap-2 overflow-y-auto border-hairline border-b p-3">
            {commit.isError ? <Message look="problem">{commit.error.message}</Message> : null}
            {intake.assessments.length > 0 ? <p>{makesAssessments(intake.assessments)}</p> : null}
            {intake.problem ? <Message look="problem">{intake.problem}</Message> : null}
            {undone ? (
              <Message look="done" actions={<Button onClick={() => navigate(`/receipts/${undone.id}`)}>{texts.intake.receipt}</Button>}>
                {texts.intake.receiptOf.undo}, {moment(undone.created_at)}
              </Message>
            ) : null}
            {intake.files.map((file) =>
              file.problem ? (
                <Message key={file.id} look="problem">
                  {file.problem}
                </Message>
              ) : null,
            )}
            {notices.length > 0 ? (
              <div>
                <Button look="quiet" aria-expanded={telling} onClick={() => setTelling(!telling)}>
                  {texts.intake.ofFiles({ n: notices.length })}
                </Button>
                {telling ? (
                  <div className="px-3">
                    <NoticeList notices={notices} />
                  </div>
                ) : null}
              </div>
            ) : null}
          </div>
        ) : null}
        {views.length > 0 || intake.groups.length > 0 || intake.assessments.length > 0 ? (
          <nav aria-label={texts.document.view} className="flex flex-none flex-wrap gap-1.5 border-hairline border-b px-4 py-1.5">
            {views.map((one) => (
              <Button key={one.file} aria-pressed={(shown ?? table)?.file === one.file} onClick={() => set('document', one.file)}>
                {views.length > 1 ? intake.files.find((file) => file.id === one.file)?.name : one.title}
              </Button>
            ))}
            <Button aria-pressed={!shown && !table && !isMigrating} onClick={() => set('document', 'none')}>
              {texts.document.list}
            </Button>
            <Button aria-pressed={isMigrating} onClick={() => set('document', 'migration')}>
              {texts.migration.view}
            </Button>
          </nav>
        ) : null}
        <div className="min-h-0 flex-1">
          {shown ? <DocumentReview key={shown.file} intake={intake.id} file={shown.file} /> : null}
          {isMigrating ? <MigrationReview intake={intake.id} /> : null}
          {table ? <TableReview key={table.file} intake={intake.id} file={table.file} /> : null}
          {shown || table || isMigrating ? null : (
            <ListAndReading
              name="review"
              list={{ id: 'list', label: texts.intake.list, body: list, size: 480, min: 320, max: 760 }}
              reading={{ label: texts.bank.reading, body: reading }}
              picked={Boolean(address.get('question'))}
            />
          )}
        </div>
        <ReviewBar
          intake={intake.id}
          slug={intake.bank?.slug ?? ''}
          selection={selection}
          found={pages.data?.pages[0]?.meta.found ?? 0}
          filter={filter}
        />
      </div>
      {discarding ? (
        <Dialog
          open
          onClose={() => setDiscarding(false)}
          title={texts.intake.discardTitle({ title: intake.title })}
          closeName={texts.frame.close}
          actions={
            <>
              <Button onClick={() => setDiscarding(false)}>{texts.frame.cancel}</Button>
              <Button look="primary" aria-disabled={discard.isPending} onClick={() => discard.mutate()}>
                {texts.intake.discard}
              </Button>
            </>
          }
        >
          <p>{texts.intake.discardAbout({ n: coming + intake.coming.skipped })}</p>
          {discard.isError ? <Message look="problem">{discard.error.message}</Message> : null}
        </Dialog>
      ) : null}
      {placing ? <PlaceDialog intake={intake} onClose={() => setPlacing(false)} /> : null}
    </Shell>
  )
}
