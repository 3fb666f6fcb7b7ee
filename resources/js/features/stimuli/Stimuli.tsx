import { useInfiniteQuery, useQuery } from '@tanstack/react-query'
import { useNavigate, useParams } from 'react-router'
import { bankQuery, treesQuery } from '@/api/queries'
import { type StimulusRow, stimuliQuery } from '@/api/stimuli'
import { useAddress } from '@/lib/useAddress'
import { useWide } from '@/lib/useWide'
import { texts } from '@/messages'
import { pathsOf } from '@/question/record/paths'
import { Shell } from '@/shell/Shell'
import { Asked } from '@/ui/Asked'
import { Button } from '@/ui/Button'
import { single, useCommands } from '@/ui/commands'
import { ListAndReading } from '@/ui/ListAndReading'
import { Nothing } from '@/ui/Message'
import { VirtualRows } from '@/ui/VirtualRows'
import { StimulusReading } from './StimulusReading'

const ROW = 72

/** The stimuli of a bank: found, read, placed, thrown away and brought back. */
export function Stimuli() {
  const slug = useParams().slug ?? ''
  const navigate = useNavigate()
  const bank = useQuery(bankQuery(slug))
  const trees = useQuery(treesQuery(slug))
  const { address, change } = useAddress()
  const get = (name: string) => address.get(name) ?? ''
  const [words, only, folder] = [get('words'), get('only'), get('folder')]
  const pages = useInfiniteQuery(stimuliQuery(new URLSearchParams({ bank: slug, words, only, folder }).toString()))
  const rows = pages.data?.pages.flatMap((page) => page.data) ?? []
  const found = pages.data?.pages[0]?.meta.found ?? 0
  const narrow = !useWide(768)
  const active = get('stimulus') || (narrow ? undefined : rows[0]?.id)
  const mayWrite = bank.data?.may_write === true
  const set = (name: string, value: string, replace = false) =>
    change((next) => (value === '' ? next.delete(name) : next.set(name, value)), replace)
  useCommands('stimuli', [
    ...(mayWrite
      ? [
          {
            id: 'write',
            group: texts.frame.groups.here,
            title: texts.stimuli.write,
            keys: 'n',
            single: true,
            on: single('n'),
            run: () => navigate(`/banks/${slug}/stimuli/new`),
          },
        ]
      : []),
  ])
  const nothing =
    words || folder
      ? texts.stimuli.noneFound
      : only === 'binned'
        ? texts.stimuli.noneBinned
        : only === 'unused'
          ? texts.stimuli.noneUnused
          : texts.stimuli.none
  const list = (
    <div className="flex h-full flex-col">
      <div className="flex flex-none flex-wrap items-center gap-2 border-hairline border-b px-3 py-2">
        <p className="flex-1" aria-live="polite">
          <strong>{pages.data ? texts.stimuli.found({ n: found }) : ' '}</strong>
        </p>
        <select
          aria-label={texts.stimuli.which}
          className="min-h-7 rounded-ui border [field-sizing:content] border-transparent bg-transparent text-caption text-second hover:border-edge"
          value={only}
          onChange={(event) => set('only', event.target.value)}
        >
          {Object.entries(texts.stimuli.only).map(([key, title]) => (
            <option key={key} value={key}>
              {title}
            </option>
          ))}
        </select>
        <select
          aria-label={texts.stimuli.folder}
          className="min-h-7 max-w-40 rounded-ui border [field-sizing:content] border-transparent bg-transparent text-caption text-second hover:border-edge"
          value={folder}
          onChange={(event) => set('folder', event.target.value)}
        >
          <option value="">{texts.stimuli.anyFolder}</option>
          {pathsOf(trees.data?.folders ?? []).map(([id, path]) => (
            <option key={id} value={id}>
              {path.join(' › ')}
            </option>
          ))}
        </select>
      </div>
      <div className="min-h-0 flex-1">
        <Asked query={pages} />
        {pages.data && rows.length === 0 ? (
          <Nothing title={nothing}>
            {!words && !folder && only === '' ? <p>{texts.stimuli.about}</p> : null}
            {mayWrite && only === '' ? (
              <p className="mt-3">
                <Button onClick={() => navigate(`/banks/${slug}/stimuli/new`)}>{texts.stimuli.write}</Button>
              </p>
            ) : null}
          </Nothing>
        ) : null}
        {rows.length > 0 ? (
          <VirtualRows
            label={texts.stimuli.list}
            rows={rows}
            all={found}
            height={ROW}
            id={(row) => row.id}
            active={active}
            selected={[]}
            onActive={(row) => set('stimulus', row.id, true)}
            onSelect={(row) => set('stimulus', row.id, true)}
            onOpen={(row) => (mayWrite ? navigate(`/stimuli/${row.id}`) : undefined)}
            onEnd={() => (pages.hasNextPage && !pages.isFetchingNextPage ? pages.fetchNextPage() : undefined)}
            draw={(row, state) => <Row row={row} here={slug} active={state.active} />}
          />
        ) : null}
      </div>
    </div>
  )
  const reading = active ? (
    <StimulusReading key={active} id={active} onBack={() => set('stimulus', '', true)} />
  ) : (
    <Nothing title={texts.stimuli.pick} />
  )
  return (
    <Shell
      title={texts.bank.stimuli}
      crumbs={[
        { title: texts.banks.title, to: '/banks' },
        { title: bank.data?.name ?? '…', to: `/banks/${slug}` },
        { title: texts.bank.stimuli },
      ]}
      search={{ label: texts.stimuli.find, value: words, onChange: (next) => set('words', next) }}
      actions={
        mayWrite ? (
          <Button look="primary" onClick={() => navigate(`/banks/${slug}/stimuli/new`)}>
            {texts.stimuli.write}
          </Button>
        ) : null
      }
    >
      {bank.isError ? (
        <Nothing title={bank.error.message} />
      ) : (
        <ListAndReading
          name="stimuli"
          list={{ id: 'list', label: texts.stimuli.list, body: list, size: 440, min: 300, max: 720 }}
          reading={{ label: texts.stimuli.reading, body: reading }}
          picked={get('stimulus') !== ''}
        />
      )}
    </Shell>
  )
}

function Row({ row, here, active }: { row: StimulusRow; here: string; active: boolean }) {
  const facts = [
    texts.stimuli.shownBy({ n: row.questions }),
    row.has_figure ? texts.stimuli.hasFigure : '',
    row.has_table ? texts.stimuli.hasTable : '',
    row.bank === here ? '' : row.bank_name,
  ].filter((one) => one !== '')
  return (
    <div
      className={`flex h-full flex-col justify-center overflow-hidden border-hairline border-b border-l-3 px-4 ${active ? 'border-l-accent bg-paper' : 'border-l-transparent hover:bg-well'}`}
    >
      <span className="truncate font-semibold">{row.title || row.stem.slice(0, 60) || texts.stimuli.untitled}</span>
      <span className="truncate font-serif text-second">{row.stem}</span>
      <span className={`text-caption ${row.questions === 0 ? 'text-attention' : 'text-second'}`}>{facts.join(', ')}</span>
    </div>
  )
}
