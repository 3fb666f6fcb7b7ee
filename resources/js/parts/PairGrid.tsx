import { useRef } from 'react'
import { Button } from '@/ui/Button'
import { afterRemoving } from './afterRemoving'
import { Credit } from './Credit'
import { isRight, type PairRule, type Row, withPair, withPairRule } from './pairKey'
import { RemoveButton } from './RemoveButton'
import { RowText } from './RowText'

type Props = {
  rows: Row[]
  columns: Row[]
  rules: PairRule[]
  /** Whether each row takes one tick only. */
  single: boolean
  weighed: boolean
  media: (id: string) => string
  focused: string | null
  names: {
    row: (n: number) => string
    column: (n: number) => string
    cell: (row: string, column: string) => string
    addRow: string
    addColumn: string
  }
  wrong: (list: 'rows' | 'columns', i: number) => string | undefined
  onRow: (id: string, html: string) => void
  onColumn: (id: string, html: string) => void
  onAdd: (list: 'rows' | 'columns') => void
  onRemove: (list: 'rows' | 'columns', id: string) => void
  onPaste: (i: number, text: string) => boolean
  onMove: (i: number, by: -1 | 1) => void
  onRules: (rules: PairRule[], place: string) => void
}

/** Rows and columns with a tick where they belong together. */
export function PairGrid({ rows, columns, rules, single, weighed, media, focused, names, wrong, ...on }: Props) {
  const table = useRef<HTMLTableElement>(null)
  const find = (row: string, column: string) => rules.find((rule) => rule.on[0] === row && rule.on[1] === column)
  const tick = (row: string, column: string, checked: boolean) => {
    const kept = single && checked ? rules.filter((rule) => rule.on[0] !== row || !isRight(rule) || rule.on[1] === column) : rules
    on.onRules(withPair(kept, row, column, checked), '')
  }
  const next = (i: number) => {
    const after = table.current?.querySelectorAll<HTMLElement>('tbody [data-row] [role=textbox]')[i + 1]
    if (after) after.focus()
    else on.onAdd('rows')
  }
  return (
    <div className="overflow-x-auto">
      <table ref={table} className="w-full border-collapse">
        <thead>
          <tr className="border-hairline border-b align-bottom">
            <td className="min-w-40" />
            {columns.map((column, i) => (
              <th key={column.id} scope="col" className="min-w-28 px-2 py-1.5 text-left font-normal">
                <div className="flex items-start">
                  <RowText
                    value={column.html}
                    label={names.column(i + 1)}
                    media={media}
                    placeholder={names.column(i + 1)}
                    autoFocus={focused === column.id}
                    wrong={wrong('columns', i)}
                    onChange={(html) => on.onColumn(column.id, html)}
                    onNext={() =>
                      columns[i + 1]
                        ? table.current?.querySelectorAll<HTMLElement>('thead [data-row] [role=textbox]')[i + 1]?.focus()
                        : on.onAdd('columns')
                    }
                  />
                  <RemoveButton name={names.column(i + 1)} onClick={() => on.onRemove('columns', column.id)} />
                </div>
              </th>
            ))}
            <td className="w-10" />
          </tr>
        </thead>
        <tbody>
          {rows.map((row, i) => (
            <tr key={row.id} className="border-hairline border-b">
              <th scope="row" className="px-2 py-1.5 text-left font-normal">
                <RowText
                  value={row.html}
                  label={names.row(i + 1)}
                  media={media}
                  placeholder={names.row(i + 1)}
                  autoFocus={focused === row.id}
                  wrong={wrong('rows', i)}
                  onChange={(html) => on.onRow(row.id, html)}
                  onNext={() => next(i)}
                  onMove={(by) => on.onMove(i, by)}
                  onPasteLines={(text) => on.onPaste(i, text)}
                />
              </th>
              {columns.map((column, j) => {
                const rule = find(row.id, column.id)
                const right = rule !== undefined && isRight(rule)
                const label = names.cell(names.row(i + 1), names.column(j + 1))
                return (
                  <td key={column.id} className={`px-2 py-1 text-center ${right ? 'bg-accent-tint' : ''}`}>
                    <label className="inline-flex min-h-7 min-w-7 cursor-pointer items-center justify-center">
                      <input
                        type="checkbox"
                        aria-label={label}
                        className="size-4 accent-(--color-accent)"
                        checked={right}
                        onChange={(event) => tick(row.id, column.id, event.target.checked)}
                      />
                    </label>
                    {weighed && rule ? (
                      <Credit
                        value={rule.credit}
                        label={label}
                        onChange={(credit) => on.onRules(withPairRule(rules, row.id, column.id, { credit }), `${rule.id} credit`)}
                      />
                    ) : null}
                  </td>
                )
              })}
              <td className="text-right">
                <RemoveButton
                  name={names.row(i + 1)}
                  onClick={() => {
                    on.onRemove('rows', row.id)
                    afterRemoving(table.current, 'tbody tr', i)
                  }}
                />
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <footer className="flex gap-2 px-1 py-1">
        <Button look="quiet" onClick={() => on.onAdd('rows')}>
          {names.addRow}
        </Button>
        <Button look="quiet" onClick={() => on.onAdd('columns')}>
          {names.addColumn}
        </Button>
      </footer>
    </div>
  )
}
