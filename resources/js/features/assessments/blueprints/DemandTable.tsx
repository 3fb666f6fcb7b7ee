import { useRef, useState } from 'react'
import { Link, useNavigate } from 'react-router'
import type { Availability, Blueprint, BlueprintCell, BlueprintTable } from '@/api/blueprints'
import { list } from '@/lib/format'
import { texts } from '@/messages'
import { Button } from '@/ui/Button'
import { Menu } from '@/ui/Menu'
import { useToast } from '@/ui/Toasts'
import { AddLines } from './AddLines'
import { CellInput } from './CellInput'
import { type Measure, rangeText, sumOf } from './cellText'
import {
  cellAt,
  isSplit,
  placeId,
  type Shown,
  type Side,
  shownLines,
  withCell,
  withLines,
  withoutLine,
  withoutSplit,
  withSplit,
} from './content'
import type { Attribute } from './lineTitle'

const words = texts.blueprints

type Props = {
  table: BlueprintTable
  stored: Blueprint
  banks: string[]
  isFirst: boolean
  mayWrite: boolean
  availability: Availability | undefined
  /** What the test that is shown has, by place. */
  found: Record<string, { count: number; points: number }> | undefined
  /** Places that cannot be met. */
  short: Set<string>
  place: string | null
  onPlace: (place: string, name: string) => void
  onTable: (edit: (table: BlueprintTable) => BlueprintTable) => void
  onRemove: () => void
}

/** Rows and columns of questions: how many there are where they meet, and how many are wanted. */
export function DemandTable({
  table,
  stored,
  banks,
  isFirst,
  mayWrite,
  availability,
  found,
  short,
  place,
  onPlace,
  onTable,
  onRemove,
}: Props) {
  const [adding, setAdding] = useState<'rows' | 'columns' | 'split rows' | 'split columns' | null>(null)
  const grid = useRef<HTMLTableElement>(null)
  const tell = useToast()
  /** An edit that may take numbers with it: says how many, with a way back. */
  const clear = (edit: (table: BlueprintTable) => BlueprintTable) => {
    const lost = (table.cells ?? []).length - (edit(table).cells ?? []).length
    onTable(edit)
    if (lost > 0) tell({ text: words.cellsCleared({ n: lost }), undo: () => onTable(() => table) })
  }
  const rows = shownLines(table.rows)
  const columns = shownLines(table.columns)
  const measure: Measure = table.measure ?? 'count'
  const isEmpty = rows.length === 0 && columns.length === 0
  const nameOf = (row: Shown | null, column: Shown | null) => {
    const names = [row?.within?.title, row?.line.title, column?.within?.title, column?.line.title].filter(Boolean)
    return names.length === 0 ? table.title || words.wholeTable : names.join(', ')
  }
  const move = (event: React.KeyboardEvent<HTMLInputElement>) => {
    const step = { ArrowUp: -1, ArrowDown: 1, Enter: 1 }[event.key]
    if (step === undefined || event.ctrlKey || event.metaKey) return
    const inputs = [...(grid.current?.querySelectorAll<HTMLInputElement>('input[data-cell]') ?? [])]
    const across = columns.length + 1
    const next = inputs[inputs.indexOf(event.currentTarget) + step * across]
    if (!next) return
    event.preventDefault()
    next.focus()
  }
  const cell = (row: Shown | null, column: Shown | null) => {
    const [rowId, columnId] = [row?.line.id ?? null, column?.line.id ?? null]
    const at = placeId(table.id, rowId, columnId)
    const numbers = availability?.places[at]
    const wanted = cellAt(table, rowId, columnId)
    const isMargin = row === null || column === null
    const isShort = short.has(at)
    const there = measure === 'points' ? words.ofPoints({ n: Number(numbers?.points ?? 0) }) : words.of({ n: numbers?.usable ?? 0 })
    const name = nameOf(row, column)
    const sum = isMargin ? marginSum(table, rows, columns, row, column, measure) : ''
    return (
      <td
        key={columnId ?? 'all'}
        className={`border-hairline border-b border-l px-2 py-1.5 align-top ${isShort ? 'bg-attention-tint' : place === at ? 'bg-accent-tint' : isMargin ? '' : 'bg-paper'} ${place === at ? 'outline-2 -outline-offset-2 outline-accent' : ''}`}
      >
        <span className="flex items-center justify-between gap-2">
          <CellInput
            name={words.cellName({ name })}
            wanted={wanted}
            measure={measure}
            sum={sum}
            disabled={!mayWrite}
            onWanted={(next) => onTable((now) => withCell(now, rowId, columnId, next))}
            onMove={move}
            onFocus={() => undefined}
          />
          {numbers ? (
            <button
              type="button"
              title={words.cellAbout({ have: numbers.have, approved: numbers.approved, unused: numbers.unused })}
              aria-label={words.cellOpen({ shown: there, name })}
              className={`min-h-6 whitespace-nowrap rounded-ui px-1 text-caption hover:underline ${isShort ? 'font-semibold text-attention' : 'text-second'}`}
              onClick={() => onPlace(at, name)}
            >
              {there}
            </button>
          ) : null}
        </span>
        {numbers && more(numbers, stored.content.unused_since) !== '' ? (
          <span className="block pt-0.5 text-caption text-quiet">{more(numbers, stored.content.unused_since)}</span>
        ) : null}
        {found && wanted ? (
          <span className="block pt-0.5 text-caption text-second">
            {words.found({ n: measure === 'points' ? (found[at]?.points ?? 0) : (found[at]?.count ?? 0) })}
          </span>
        ) : null}
      </td>
    )
  }
  const head = (shown: Shown, side: 'rows' | 'columns') => {
    const missing = shown.line.where?.no?.[0] ?? shown.within?.where?.no?.[0]
    const there = availability?.places[side === 'rows' ? placeId(table.id, shown.line.id, null) : placeId(table.id, null, shown.line.id)]
    return (
      <span className="flex items-start gap-1">
        <span className="min-w-0 flex-1 pt-0.5">
          {shown.within ? <span className="block text-caption font-normal text-second">{shown.within.title}</span> : null}
          <span className={`block ${missing ? 'text-attention' : ''}`}>{shown.line.title}</span>
          {missing && there && there.have > 0 ? <TagThese missing={missing} count={there.have} banks={stored.banks} /> : null}
        </span>
        {mayWrite ? (
          <button
            type="button"
            aria-label={words.removeLine({ name: shown.line.title ?? '' })}
            title={words.removeLine({ name: shown.line.title ?? '' })}
            className="min-h-6 min-w-6 flex-none rounded-ui text-quiet hover:bg-well hover:text-ink"
            onClick={() => clear((now) => withoutLine(now, side, shown.line.id))}
          >
            <span aria-hidden="true">×</span>
          </button>
        ) : null}
      </span>
    )
  }
  const byOf = (side: Side) =>
    (table[`${side}_by`] ?? []).map((one) => words.attributes[one as Attribute] ?? one).join(isSplit(table, side) ? ' › ' : ', ')
  const open = adding
  return (
    <section aria-label={table.title || words.table} className="pb-6">
      <div className="flex flex-wrap items-center gap-2 pb-2">
        {mayWrite ? (
          <>
            <Button onClick={() => setAdding('rows')}>{words.addRows}</Button>
            <Button onClick={() => setAdding('columns')}>{words.addColumns}</Button>
            <label className="flex items-center gap-2 text-second">
              {words.countIn}
              <select
                className="min-h-8 rounded-ui border border-edge bg-paper px-2 text-ink"
                value={measure}
                onChange={(event) => onTable((now) => ({ ...now, measure: event.target.value as Measure }))}
              >
                <option value="count">{words.measures.count}</option>
                <option value="points">{words.measures.points}</option>
              </select>
            </label>
            <span className="flex-1" />
            <Menu.Root align="end" button={<Button look="quiet">{words.tableMenu}</Button>}>
              {isSplit(table, 'rows') ? (
                <Menu.Item onSelect={() => clear((now) => withoutSplit(now, 'rows'))}>{words.unsplitRows}</Menu.Item>
              ) : (
                <Menu.Item disabled={rows.length === 0} onSelect={() => setAdding('split rows')}>
                  {words.splitRows}
                </Menu.Item>
              )}
              {isSplit(table, 'columns') ? (
                <Menu.Item onSelect={() => clear((now) => withoutSplit(now, 'columns'))}>{words.unsplitColumns}</Menu.Item>
              ) : (
                <Menu.Item disabled={columns.length === 0} onSelect={() => setAdding('split columns')}>
                  {words.splitColumns}
                </Menu.Item>
              )}
              <Menu.Item onSelect={() => onTable((now) => ({ ...now, only: now.only === false }))}>
                {table.only === false ? words.onlyCells : words.othersToo}
              </Menu.Item>
              <Menu.Item onSelect={() => clear((now) => ({ ...now, cells: [] }))}>{words.clearCells}</Menu.Item>
              {isFirst ? null : <Menu.Item onSelect={onRemove}>{words.removeTable}</Menu.Item>}
            </Menu.Root>
          </>
        ) : null}
      </div>
      {isEmpty ? (
        <p className="max-w-[65ch] pb-2 text-second">{isFirst ? words.tableEmpty : words.tableEmptyMore}</p>
      ) : (
        // biome-ignore lint/a11y/noNoninteractiveTabindex: what scrolls is reached by keyboard too
        <section className="overflow-x-auto" tabIndex={0} aria-label={words.tableBody}>
          <table ref={grid} className="min-w-full border-collapse">
            <thead>
              <tr className="text-left text-second">
                <th scope="col" className="min-w-44 border-hairline border-b py-1.5 pr-2 font-normal">
                  {byOf('rows')}
                </th>
                {columns.map((column) => (
                  <th key={column.line.id} scope="col" className="min-w-32 border-hairline border-b border-l px-2 py-1.5 font-semibold">
                    {head(column, 'columns')}
                  </th>
                ))}
                <th scope="col" className="min-w-28 border-hairline border-b border-l px-2 py-1.5 font-semibold">
                  {columns.length === 0 ? words.wanted : words.sum}
                </th>
              </tr>
            </thead>
            <tbody>
              {rows.map((row) => (
                <tr key={row.line.id}>
                  <th scope="row" className="border-hairline border-b py-1.5 pr-2 text-left align-top font-semibold">
                    {head(row, 'rows')}
                  </th>
                  {columns.map((column) => cell(row, column))}
                  {cell(row, null)}
                </tr>
              ))}
              <tr className="border-edge border-t-2">
                <th scope="row" className="py-1.5 pr-2 text-left align-top font-semibold">
                  {rows.length === 0 ? words.wanted : words.sum}
                </th>
                {columns.map((column) => cell(null, column))}
                {cell(null, null)}
              </tr>
            </tbody>
          </table>
        </section>
      )}
      {open ? (
        <AddLines
          blueprint={stored.id}
          banks={banks}
          title={words.adding[open]}
          go={open === 'rows' || open === 'columns' ? words.addGo : words.splitGo}
          become="lines"
          of={firstOf(open, table)}
          onClose={() => setAdding(null)}
          onAdd={(lines, by) =>
            open === 'rows' || open === 'columns'
              ? onTable((now) => withLines(now, open, lines, by))
              : clear((now) => withSplit(now, open === 'split rows' ? 'rows' : 'columns', lines, by))
          }
        />
      ) : null}
    </section>
  )
}

/** One step to the questions that have no value: tagging where that is what is missing, else the list of them. */
function TagThese({ missing, count, banks }: { missing: string; count: number; banks: { slug: string; name: string }[] }) {
  const navigate = useNavigate()
  const look = 'text-left text-caption font-semibold text-accent hover:underline'
  const to = (slug: string) =>
    missing === 'topic' || missing === 'standard'
      ? `/banks/${slug}/tagging?${missing === 'topic' ? 'topics=1&' : ''}no=${missing}`
      : `/banks/${slug}?no=${missing}`
  if (banks.length === 1 && banks[0])
    return (
      <Link className={look} to={to(banks[0].slug)}>
        {words.tagThese({ n: count })}
      </Link>
    )
  return (
    <Menu.Root
      button={
        <button type="button" className={look}>
          {words.tagThese({ n: count })} …
        </button>
      }
    >
      <Menu.Label>{words.tagIn}</Menu.Label>
      {banks.map((bank) => (
        <Menu.Item key={bank.slug} onSelect={() => navigate(to(bank.slug))}>
          {bank.name}
        </Menu.Item>
      ))}
    </Menu.Root>
  )
}

/** What a cell has beside what may be taken, where that differs. */
function more(numbers: Availability['places'][string], since: string | null | undefined): string {
  return list([
    numbers.approved < numbers.usable ? words.approved({ n: numbers.approved }) : '',
    numbers.usable < numbers.have ? words.otherStatus({ n: numbers.have - numbers.usable }) : '',
    since && numbers.unused < numbers.usable ? words.unused({ n: numbers.unused }) : '',
  ])
}

function firstOf(adding: string, table: BlueprintTable): Attribute {
  const last = (adding.endsWith('rows') ? table.rows_by : table.columns_by)?.[0] as Attribute | undefined
  if (adding === 'rows') return last ?? 'topic'
  if (adding === 'columns') return last ?? 'kind'
  return 'difficulty'
}

/** What the cells of a line ask for together, for the margin. */
function marginSum(
  table: BlueprintTable,
  rows: Shown[],
  columns: Shown[],
  row: Shown | null,
  column: Shown | null,
  measure: Measure,
): string {
  const cells: (BlueprintCell | undefined)[] = []
  for (const one of row ? [row] : rows) {
    for (const other of column ? [column] : columns) cells.push(cellAt(table, one.line.id, other.line.id))
  }
  if (row === null && columns.length === 0) for (const one of rows) cells.push(cellAt(table, one.line.id, null))
  if (column === null && rows.length === 0) for (const one of columns) cells.push(cellAt(table, null, one.line.id))
  const asked = cells.filter((one) => one !== undefined)
  return asked.length === 0 || asked.some((one) => one.all) ? '' : rangeText(sumOf(asked.map((one) => one[measure])))
}
