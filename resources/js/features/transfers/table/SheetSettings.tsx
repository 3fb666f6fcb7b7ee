import type { ReactNode } from 'react'
import type { QuestionTable, SheetMapping, TableMapping } from '@/api/tables'
import { texts } from '@/messages'
import { Field } from '@/ui/Field'
import { withSheet } from './corrections'

const words = texts.questionTable

type Rows = QuestionTable['sheets'][number]['rows']
type Props = { sheet: SheetMapping; rows: Rows; at: number; mapping: TableMapping; onChange: (mapping: TableMapping) => void }

/** What holds for a whole sheet. */
export function SheetSettings({ sheet, rows, at, mapping, onChange }: Props) {
  const set = (change: Partial<SheetMapping>) => onChange(withSheet(mapping, at, change))
  const choice = (label: string, value: string, options: [string, string][], pick: (value: string) => void): ReactNode => (
    <Field.Root>
      <Field.Label>{label}</Field.Label>
      <Field.Choice value={value} onChange={(event) => pick(event.target.value)}>
        {options.map(([name, title]) => (
          <option key={name} value={name}>
            {title}
          </option>
        ))}
      </Field.Choice>
    </Field.Root>
  )
  const headers: [string, string][] = [
    ['0', words.noHeader],
    ...rows.map(({ row }): [string, string] => [`${row}`, words.headerRow({ row })]),
  ]
  return (
    <div className="flex flex-wrap items-end gap-4 px-4 py-2">
      {mapping.sheets.length > 1 ? (
        <label className="flex min-h-8 items-center gap-2">
          <input type="checkbox" checked={sheet.read} onChange={(event) => set({ read: event.target.checked })} />
          {words.readSheet}
        </label>
      ) : null}
      {choice(words.header, `${sheet.header}`, headers, (row) => {
        // the columns are found anew below another heading
        const header = Number(row)
        set({ header, first: header + 1, columns: [] })
      })}
      {choice(
        words.rows,
        sheet.rows,
        [
          ['question', words.perQuestion],
          ['option', words.perOption],
        ],
        (rows) => set({ rows: rows === 'option' ? 'option' : 'question' }),
      )}
      {choice(
        words.keys,
        sheet.keys,
        [
          ['letter', words.keyStyles.letter],
          ['position', words.keyStyles.position],
          ['position from 0', words.keyStyles.fromZero],
          ['words', words.keyStyles.words],
        ],
        (keys) => set({ keys: keys as SheetMapping['keys'] }),
      )}
      {choice(
        words.decimal,
        sheet.decimal,
        [
          ['.', words.point],
          [',', words.comma],
        ],
        (decimal) => set({ decimal: decimal === ',' ? ',' : '.' }),
      )}
    </div>
  )
}
