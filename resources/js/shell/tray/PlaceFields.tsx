import { useQuery } from '@tanstack/react-query'
import { useId } from 'react'
import { type AssessmentRow, assessmentsQuery } from '@/api/assembly'
import { compare } from '@/lib/format'
import { texts } from '@/messages'
import { Field } from '@/ui/Field'

const words = texts.assembly.places

const valuesIn = (rows: AssessmentRow[], of: (row: AssessmentRow) => string[]): string[] =>
  [...new Set(rows.flatMap(of).filter((value) => value !== ''))].sort(compare)

export type PlaceValue = { folder: string; course: string; term: string }

/** "Year 9 › Autumn", typed with › or /, as names. */
export const folderNames = (typed: string): string[] =>
  typed
    .split(/[›/]/)
    .map((name) => name.trim())
    .filter((name) => name !== '')
    .slice(0, 12)
export const folderText = (folder: string[]): string => folder.join(' › ')

/** Where an assessment lies in its bank, and for which course and term: typed, or taken from those that are there. */
export function PlaceFields({ bank, value, onChange }: { bank: string; value: PlaceValue; onChange: (next: PlaceValue) => void }) {
  const id = useId()
  const rows = useQuery(assessmentsQuery).data ?? []
  const here = rows.filter((row) => row.bank === bank)
  const paths = valuesIn(here, (row) => row.folder.map((_, i) => row.folder.slice(0, i + 1).join('\n'))).map((one) =>
    folderText(one.split('\n')),
  )
  const list = (name: keyof PlaceValue, options: string[]) => (
    <datalist id={`${id}-${name}`}>
      {options.map((one) => (
        <option key={one} value={one} />
      ))}
    </datalist>
  )
  const field = (name: keyof PlaceValue, label: string, options: string[], placeholder = '') => (
    <Field.Root>
      <Field.Label>{label}</Field.Label>
      <Field.Text
        list={`${id}-${name}`}
        maxLength={name === 'folder' ? 2000 : 200}
        placeholder={placeholder}
        value={value[name]}
        onChange={(event) => onChange({ ...value, [name]: event.target.value })}
      />
      {list(name, options)}
    </Field.Root>
  )
  return (
    <>
      {field('folder', words.folder, paths, words.folderHint)}
      <div className="grid grid-cols-2 gap-4">
        {field(
          'course',
          words.course,
          valuesIn(rows, (row) => [row.course]),
        )}
        {field(
          'term',
          words.term,
          valuesIn(rows, (row) => [row.term]),
        )}
      </div>
    </>
  )
}
