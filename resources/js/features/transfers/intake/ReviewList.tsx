import type { InfiniteData, UseInfiniteQueryResult } from '@tanstack/react-query'
import type { Intake, StagedRow as Row, StagedPage } from '@/api/intakes'
import { number } from '@/lib/format'
import type { Selection } from '@/lib/useSelection'
import { texts } from '@/messages'
import { kindNames } from '@/parts/words'
import { Asked } from '@/ui/Asked'
import { Button } from '@/ui/Button'
import { Nothing } from '@/ui/Message'
import { VirtualRows } from '@/ui/VirtualRows'
import { STAGED_HEIGHT, StagedRow } from './StagedRow'

type Props = {
  intake: Intake
  address: URLSearchParams
  set: (name: string, value: string) => void
  pages: UseInfiniteQueryResult<InfiniteData<StagedPage>>
  rows: Row[]
  active: string | undefined
  selection: Selection
  onOpen: (id: string) => void
}

/** The questions of an intake, narrowed by what speaks against them, by kind and by file. */
export function ReviewList({ intake, address, set, pages, rows, active, selection, onOpen }: Props) {
  const show = address.get('show') ?? 'all'
  const ways = Object.entries({ ...texts.intake.shows, ...texts.intake.outcomes }).filter(
    ([way]) => way === 'all' || way === show || (intake.counts[way] ?? 0) > 0,
  )
  const pick = (name: string, label: string, any: string, options: [string, string][]) =>
    options.length > 1 ? (
      <select
        aria-label={label}
        className="min-h-7 max-w-48 rounded-ui border [field-sizing:content] border-transparent bg-transparent text-caption text-second hover:border-edge"
        value={address.get(name) ?? ''}
        onChange={(event) => set(name, event.target.value)}
      >
        <option value="">{any}</option>
        {options.map(([value, title]) => (
          <option key={value} value={value}>
            {title}
          </option>
        ))}
      </select>
    ) : null
  return (
    <div className="flex h-full flex-col">
      <div className="flex flex-none flex-wrap items-center gap-1 border-hairline border-b px-3 py-2">
        {ways.map(([way, title]) => (
          <Button
            key={way}
            look="quiet"
            className="!min-h-7 !px-2"
            aria-pressed={way === show}
            onClick={() => set('show', way === 'all' ? '' : way)}
          >
            {title} <span className="font-normal">{number(intake.counts[way] ?? 0)}</span>
          </Button>
        ))}
        {pick(
          'kind',
          texts.intake.kind,
          texts.intake.anyKind,
          Object.entries(intake.kinds).map(([kind, n]) => [kind, `${kindNames[kind] ?? kind} (${n})`]),
        )}
        {pick(
          'group',
          texts.intake.group,
          texts.intake.anyGroup,
          intake.groups.map((group) => [
            group.id,
            `${'\u2003'.repeat(group.depth)}${group.title || texts.intake.groupKinds[group.kind] || group.kind} (${group.questions})`,
          ]),
        )}
        {pick(
          'file',
          texts.intake.file,
          texts.intake.anyFile,
          intake.files.filter((file) => file.state === 'read').map((file) => [file.id, file.name]),
        )}
      </div>
      <div className="min-h-0 flex-1">
        <Asked query={pages} />
        {pages.data && rows.length === 0 ? <Nothing title={texts.intake.nothing} /> : null}
        {rows.length > 0 ? (
          <VirtualRows
            label={texts.intake.list}
            rows={rows}
            all={pages.data?.pages[0]?.meta.found ?? rows.length}
            height={STAGED_HEIGHT}
            id={(row) => row.id}
            active={active}
            selected={selection.ids}
            onActive={(row, extend, from) => {
              if (extend) selection.extend(from, row.id)
              set('question', row.id)
            }}
            onSelect={(row, extend, from) => (extend ? selection.extend(from, row.id) : selection.toggle(row.id))}
            onOpen={(row) => onOpen(row.id)}
            onEnd={() => (pages.hasNextPage && !pages.isFetchingNextPage ? pages.fetchNextPage() : undefined)}
            draw={(row, state) => <StagedRow row={row} {...state} />}
          />
        ) : null}
      </div>
    </div>
  )
}
