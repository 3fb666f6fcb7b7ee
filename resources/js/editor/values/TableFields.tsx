import { Plus, X } from 'lucide-react'
import type { ClipboardEvent } from 'react'
import type { QuestionJson } from '@/api/question'
import type { Variable } from '@/api/values'
import { texts } from '@/messages'
import { Button } from '@/ui/Button'
import { NameField } from './NameField'

const words = texts.values
const cellLook = 'w-full min-w-16 bg-transparent px-1.5 py-1'

type Props = {
  variable: Variable
  question: QuestionJson
  freeName: (taken: string[]) => string
  onChange: (variable: Variable, place: string) => void
  onRenamed: (question: QuestionJson) => void
}

/** A table of values that belong together, each column a name; filled by hand or pasted from a spreadsheet. */
export function TableFields({ variable, question, freeName, onChange, onRenamed }: Props) {
  const columns = variable.columns ?? []
  const rows = variable.rows ?? []
  const set = (next: { columns?: string[]; rows?: (string | boolean)[][] }, place: string) => onChange({ ...variable, ...next }, place)
  const setCell = (row: number, column: number, value: string) =>
    set({ rows: rows.map((cells, i) => (i === row ? columns.map((_, j) => (j === column ? value : (cells[j] ?? ''))) : cells)) }, 'rows')
  /** Cells of a spreadsheet fill the table from the cell they are pasted into; columns and rows are added as needed. */
  const paste = (event: ClipboardEvent, row: number, column: number) => {
    const text = event.clipboardData.getData('text/plain')
    if (!/[\t\n]/.test(text.trimEnd())) return
    event.preventDefault()
    const cells = text
      .replace(/\r/g, '')
      .replace(/\n$/, '')
      .split('\n')
      .map((line) => line.split('\t').map((cell) => cell.trim()))
    const width = Math.max(columns.length, column + Math.max(...cells.map((line) => line.length)))
    const named = [...columns]
    // a first row of words above numbers names the columns
    const head = row <= 0 && column === 0 && isHead(cells) ? cells.shift() : undefined
    head?.forEach((name, i) => {
      named[i] = nameFrom(name) || freeName(named)
    })
    while (named.length < width) named.push(freeName(named))
    const filled = rows.map((line) => [...line])
    cells.forEach((line, i) => {
      const at = Math.max(0, row) + i
      filled[at] = named.map((_, j) => (j >= column && j < column + line.length ? (line[j - column] ?? '') : (filled[at]?.[j] ?? '')))
    })
    set({ columns: named, rows: filled.map((line) => named.map((_, j) => line?.[j] ?? '')) }, '')
  }
  return (
    <div className="w-full overflow-x-auto">
      <table className="border-collapse text-caption">
        <thead>
          <tr>
            {columns.map((name, j) => (
              // biome-ignore lint/suspicious/noArrayIndexKey: a column has no identity but its place
              <th key={j} className="border border-edge p-0 text-left font-normal">
                <div className="flex items-center">
                  <NameField
                    name={name}
                    label={words.column({ n: j + 1 })}
                    className="!border-transparent !bg-transparent"
                    question={question}
                    onRenamed={onRenamed}
                    onPaste={(event) => paste(event, -1, j)}
                  />
                  {columns.length > 1 ? (
                    <Button
                      look="quiet"
                      className="!min-h-6 !px-1"
                      aria-label={words.removeColumn({ name })}
                      title={words.removeColumn({ name })}
                      onClick={() =>
                        set({ columns: columns.filter((_, i) => i !== j), rows: rows.map((row) => row.filter((_, i) => i !== j)) }, '')
                      }
                    >
                      <X size={12} aria-hidden="true" />
                    </Button>
                  ) : null}
                </div>
              </th>
            ))}
            <th className="p-0">
              <Button
                look="quiet"
                className="!min-h-6 !px-1"
                aria-label={words.addColumn}
                title={words.addColumn}
                onClick={() => set({ columns: [...columns, freeName(columns)], rows: rows.map((row) => [...row, '']) }, '')}
              >
                <Plus size={14} aria-hidden="true" />
              </Button>
            </th>
          </tr>
        </thead>
        <tbody>
          {rows.map((row, i) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: a row has no identity but its place
            <tr key={i}>
              {columns.map((name, j) => (
                <td key={name} className="border border-edge p-0">
                  <input
                    aria-label={words.cell({ column: name, n: i + 1 })}
                    className={`${cellLook} font-serif`}
                    maxLength={1000}
                    value={String(row[j] ?? '')}
                    onChange={(event) => setCell(i, j, event.target.value)}
                    onPaste={(event) => paste(event, i, j)}
                  />
                </td>
              ))}
              <td className="p-0">
                <Button
                  look="quiet"
                  className="!min-h-6 !px-1"
                  aria-label={words.removeRow({ n: i + 1 })}
                  title={words.removeRow({ n: i + 1 })}
                  onClick={() => set({ rows: rows.filter((_, at) => at !== i) }, '')}
                >
                  <X size={12} aria-hidden="true" />
                </Button>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <div className="flex flex-wrap items-baseline gap-x-3">
        <Button look="quiet" className="!min-h-7 !px-0" onClick={() => set({ rows: [...rows, columns.map(() => '')] }, '')}>
          {words.addRow}
        </Button>
        <span className="text-caption text-quiet">{words.pasteHelp}</span>
      </div>
    </div>
  )
}

const isNumber = (cell: string) => /^[-−]?\d+([.,]\d+)?$/.test(cell)

const isHead = (cells: string[][]): boolean =>
  cells.length > 1 && (cells[0] ?? []).every((cell) => cell !== '' && !isNumber(cell)) && (cells[1] ?? []).some(isNumber)

/** A heading as a name: "Hardness (Mohs)" becomes hardness. */
const nameFrom = (heading: string): string =>
  heading
    .replace(/\(.*?\)/g, '')
    .trim()
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '_')
    .replace(/^[^a-z]+|_+$/g, '')
    .slice(0, 40)
