import type { InfiniteData, UseInfiniteQueryResult } from '@tanstack/react-query'
import type { Page, Trees } from '@/api/queries'
import type { QuestionRow } from '@/api/schema'
import { useAct } from '@/bulk/useAct'
import type { Dragged } from '@/lib/drag'
import { lazily } from '@/lib/lazily'
import { foundOf } from '@/lib/phrases/banks'
import type { Selection } from '@/lib/useSelection'
import { texts } from '@/messages'
import { DetailsMenu } from '@/question/details/DetailsMenu'
import { QuestionListRow, useRowHeight } from '@/question/QuestionListRow'
import { Asked } from '@/ui/Asked'
import { Button } from '@/ui/Button'
import { Nothing } from '@/ui/Message'
import { VirtualRows } from '@/ui/VirtualRows'
import { Chips } from './Chips'
import { NothingFound } from './NothingFound'
import type { Filter } from './useFilter'
import { useOrderByHand } from './useOrderByHand'

const GroupedRows = lazily(() => import('./GroupedRows'), 'GroupedRows')

type Props = {
  slug: string
  mayWrite?: boolean
  filter: Filter
  trees: Trees | undefined
  pages: UseInfiniteQueryResult<InfiniteData<Page>>
  rows: QuestionRow[]
  /** How many there are, and of how many; undefined until they are counted. */
  found: number | undefined
  of: number | undefined
  active: string | undefined
  selection: Selection
  /** Questions that the assessment at hand has. */
  taken: Set<string>
  onOpen: (row: QuestionRow) => void
  onWrite?: () => void
  /** Where there is no room for the trees beside the list. */
  onNarrow?: () => void
  /** What dropping each condition would give, when nothing is found. */
  without: Record<string, number>
  /** Words that may have been meant instead. */
  meant: { words: string; count: number } | null
  /** Over several banks. */
  withBank?: boolean
  /** What a row carries when it is dragged. */
  drag?: (row: QuestionRow) => Dragged
}

/** The conditions, how many questions meet them, and the questions. */
export function ListPane({
  slug,
  mayWrite = false,
  filter,
  trees,
  pages,
  rows,
  found,
  of,
  active,
  selection,
  taken,
  onOpen,
  onWrite,
  onNarrow,
  without,
  meant,
  withBank,
  drag,
}: Props) {
  const meta = pages.data?.pages[0]?.meta
  const height = useRowHeight()
  const restore = useAct(slug)
  const place = filter.values('place')[0] ?? ''
  const own = filter.sort === 'own' && place !== '' && mayWrite
  const order = useOrderByHand(slug, place, filter.query)
  const [howMany, ofAll] = found === undefined || of === undefined ? [] : foundOf(found, of)
  return (
    <div className="flex h-full flex-col">
      <div className="flex flex-none flex-col gap-2 border-hairline border-b px-3 py-2">
        <Chips filter={filter} slug={slug} trees={trees} />
        <div className="flex flex-wrap items-center gap-2">
          <p className="flex-1" aria-live="polite">
            {meta && howMany !== undefined ? (
              <>
                <strong>{howMany}</strong> {ofAll}
                {meta.cut ? <span className="block text-attention">{texts.bank.cut}</span> : null}
              </>
            ) : (
              ' '
            )}
          </p>
          {onNarrow ? <Button onClick={onNarrow}>{texts.bank.narrow}</Button> : null}
          {filter.values('is').includes('binned') && mayWrite && (found ?? 0) > 0 ? (
            <Button onClick={() => restore.mutate({ target: { filter: filter.query }, change: { bin: false } })}>
              {texts.acts.bin.backAll({ count: found ?? 0 })}
            </Button>
          ) : null}
          <select
            aria-label={texts.bank.group}
            title={texts.bank.group}
            className="min-h-7 max-w-48 rounded-ui border [field-sizing:content] border-transparent bg-transparent text-caption text-second hover:border-edge"
            value={filter.group}
            onChange={(event) => filter.setGroup(event.target.value)}
          >
            {Object.entries(texts.bank.groups).map(([key, title]) => (
              <option key={key} value={key}>
                {title}
              </option>
            ))}
          </select>
          <select
            aria-label={texts.bank.sort}
            title={texts.bank.sort}
            className="min-h-7 max-w-48 rounded-ui border [field-sizing:content] border-transparent bg-transparent text-caption text-second hover:border-edge"
            value={filter.sort}
            onChange={(event) => {
              const folder = filter.values('folder')[0]
              if (event.target.value === 'own' && folder) filter.setPlace(folder)
              else filter.setSort(event.target.value)
            }}
          >
            {Object.entries(texts.bank.sorts)
              .filter(
                ([key]) =>
                  (key !== 'best' || filter.words !== '') &&
                  (key !== 'own' || filter.values('place').length === 1 || filter.values('folder').length === 1),
              )
              .map(([key, title]) => (
                <option key={key} value={key}>
                  {title}
                </option>
              ))}
          </select>
          <DetailsMenu />
        </div>
      </div>
      <div className="min-h-0 flex-1">
        <Asked query={pages} />
        {pages.data && rows.length === 0 ? (
          filter.values('is').includes('binned') && filter.query === 'is=binned' ? (
            <Nothing title={texts.acts.bin.empty} />
          ) : filter.any ? (
            <NothingFound filter={filter} without={without} meant={meant} />
          ) : (
            <Nothing title={texts.bank.empty}>
              <p>{texts.bank.emptyNext}</p>
              {onWrite ? (
                <p className="mt-3">
                  <Button onClick={onWrite}>{texts.bank.write}</Button>
                </p>
              ) : null}
            </Nothing>
          )
        ) : null}
        {own ? <p className="border-hairline border-b px-3 py-1 text-caption text-quiet">{texts.bank.orderHint}</p> : null}
        {rows.length > 0 && filter.group !== '' ? (
          <GroupedRows slug={slug} filter={filter} trees={trees} active={active} selection={selection} taken={taken} onOpen={onOpen} />
        ) : null}
        {rows.length > 0 && filter.group === '' ? (
          <VirtualRows
            label={texts.bank.list}
            rows={rows}
            all={found}
            height={height}
            id={(row) => row.id}
            active={active}
            selected={selection.ids}
            onActive={(row, extend, from) => {
              if (extend) selection.extend(from, row.id)
              filter.setQuestion(row.id)
            }}
            onSelect={(row, extend, from) => (extend ? selection.extend(from, row.id) : selection.toggle(row.id))}
            onOpen={onOpen}
            {...(own ? { onMove: (row: QuestionRow, before: QuestionRow | null) => order.mutate({ row, before }) } : {})}
            {...(drag ? { drag } : {})}
            onEnd={() => (pages.hasNextPage && !pages.isFetchingNextPage ? pages.fetchNextPage() : undefined)}
            draw={(row, state) => <QuestionListRow row={row} {...state} taken={taken.has(row.id)} {...(withBank ? { withBank } : {})} />}
          />
        ) : null}
      </div>
    </div>
  )
}
