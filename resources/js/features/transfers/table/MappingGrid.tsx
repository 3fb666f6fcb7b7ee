import type { QuestionTable, SheetMapping, TableMapping } from '@/api/tables'
import { texts } from '@/messages'
import { control } from '@/ui/Field'
import { withMeaning, withSheet } from './corrections'

const words = texts.questionTable

type Meaning = keyof typeof words.meanings
type Rows = QuestionTable['sheets'][number]['rows']
type Props = { sheet: SheetMapping; rows: Rows; at: number; mapping: TableMapping; onChange: (mapping: TableMapping) => void }

const groups: [string, Meaning[]][] = [
  [words.groups.question, ['question', 'title', 'passage', 'kind', 'identifier', 'points', 'picture', 'alternative text']],
  [
    words.groups.options,
    ['option', 'options', 'answer', 'right answer', 'wrong answer', 'mark', 'option feedback', 'tolerance', 'unit', 'model answer'],
  ],
  [words.groups.around, ['feedback', 'feedback when right', 'feedback when wrong', 'hint']],
  [words.groups.about, ['folder', 'topic', 'standard', 'tags', 'difficulty', 'level', 'minutes', 'language', 'source', 'author', 'notes']],
]

/** The first rows of a sheet, and above each column what it is. */
export function MappingGrid({ sheet, rows, at, mapping, onChange }: Props) {
  if (!sheet.read) return null
  const titleOf = (is: string) => words.meanings[is as Meaning] ?? is
  const nameOf = (column: SheetMapping['columns'][number]) =>
    column.option ? `${titleOf(column.is)} ${letterOf(column.option)}` : titleOf(column.is)
  const used = (column: SheetMapping['columns'][number]) => column.is !== 'ignored'
  const cellAt = (cells: string[], column: string) => cells[numberOf(column)] ?? ''
  return (
    // biome-ignore lint/a11y/noNoninteractiveTabindex: what scrolls can be reached by keyboard
    <section aria-label={words.columns} tabIndex={0} className="-outline-offset-2 overflow-x-auto border-hairline border-y bg-paper">
      <table className="border-separate border-spacing-0 text-caption">
        <thead>
          <tr>
            <th className="sticky left-0 bg-paper px-2 text-left font-normal text-quiet" scope="col">
              {words.row}
            </th>
            {sheet.columns.map((column) => (
              <th
                key={column.column}
                scope="col"
                className={`border-t-4 px-2 pt-1 pb-2 text-left font-normal ${used(column) ? 'border-accent' : 'border-hairline'}`}
              >
                <span className="block text-quiet">
                  {column.column}
                  {column.heading ? `: ${column.heading}` : ''}
                </span>
                <select
                  aria-label={words.is({ column: column.column })}
                  className={`${control} w-44`}
                  value={column.is}
                  onChange={(event) => onChange(withSheet(mapping, at, withMeaning(sheet, column.column, event.target.value)))}
                >
                  <option value="ignored">{words.meanings.ignored}</option>
                  {groups.map(([title, meanings]) => (
                    <optgroup key={title} label={title}>
                      {meanings.map((one) => (
                        <option key={one} value={one}>
                          {one === column.is ? nameOf(column) : titleOf(one)}
                        </option>
                      ))}
                    </optgroup>
                  ))}
                </select>
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map(({ row, cells }) => (
            <tr key={row} className={row < sheet.first ? 'text-quiet' : ''}>
              <th scope="row" className="sticky left-0 border-hairline border-t bg-paper px-2 py-1 text-right font-normal text-quiet">
                {row}
              </th>
              {sheet.columns.map((column) => (
                <td
                  key={column.column}
                  className={`max-w-64 truncate border-hairline border-t px-2 py-1 ${used(column) ? '' : 'text-quiet'} ${
                    row === sheet.header ? 'font-semibold' : ''
                  }`}
                >
                  {cellAt(cells, column.column)}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  )
}

/** A column's letters as a number from 0. */
function numberOf(letters: string): number {
  return [...letters].reduce((sum, letter) => sum * 26 + letter.charCodeAt(0) - 64, 0) - 1
}

function letterOf(option: number): string {
  return option <= 26 ? String.fromCharCode(64 + option) : `${option}`
}
