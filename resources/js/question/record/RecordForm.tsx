import { useQuery } from '@tanstack/react-query'
import type { ReactNode } from 'react'
import type { Classification } from '@/api/actions'
import { facetsQuery, type TreeNodeRow, treesQuery } from '@/api/queries'
import type { RecordJson } from '@/api/question'
import { texts } from '@/messages'
import { StandardsField } from '@/standards/StandardsField'
import { ChoiceField, LineField, PathsField, WordsField } from './Fields'
import { pathsOf } from './paths'

export const difficulties: [string, string][] = [
  ['', texts.record.unset],
  ...[1, 2, 3, 4, 5].map((n): [string, string] => [String(n), `${n}`]),
]
export const statuses = Object.entries(texts.status)

/** The paths and words a bank already uses, to choose from. */
export function useKnown(slug: string) {
  const trees = useQuery({ ...treesQuery(slug), enabled: slug !== '' }).data
  const tags = useQuery({ ...facetsQuery(slug, '', ['tag']), enabled: slug !== '' }).data?.facets.tag ?? []
  const paths = (nodes: TreeNodeRow[]) => pathsOf(nodes).map(([, path]) => path)
  return { topics: paths(trees?.topics ?? []), folders: paths(trees?.folders ?? []), tags: tags.map((one) => one.value) }
}

type Props = {
  slug: string
  record: RecordJson
  folders?: string[][]
  onChange: (change: Classification) => void
  disabled: boolean
  /** Two columns, for a wide and low place. */
  wide?: boolean
}

/** The record of one question, edited in place; each field is told as it is left. */
export function RecordForm({ slug, record, folders, onChange, disabled, wide }: Props) {
  const known = useKnown(slug)
  const set = (field: string, value: unknown) => onChange({ record: { [field]: { set: value } } })
  const line = (field: 'level' | 'source' | 'licence' | 'author', label: string): [string, ReactNode] => [
    label,
    <LineField key={field} label={label} value={record[field] ?? ''} disabled={disabled} onChange={(value) => set(field, value)} />,
  ]
  const rows: [string, ReactNode][] = [
    [
      texts.record.topics,
      <PathsField
        key="topics"
        label={texts.record.topics}
        pick={texts.record.pickTopic}
        paths={record.topics ?? []}
        all={known.topics}
        disabled={disabled}
        onAdd={(path) => onChange({ topics: { add: [path] } })}
        onRemove={(path) => onChange({ topics: { remove: [path] } })}
      />,
    ],
    [
      texts.record.standards,
      <StandardsField
        key="standards"
        label={texts.record.standards}
        standards={record.standards ?? []}
        disabled={disabled}
        onAdd={(one) => onChange({ record: { standards: { add: [one] } } })}
        onRemove={(one) => onChange({ record: { standards: { remove: [one] } } })}
      />,
    ],
    [
      texts.record.tags,
      <WordsField
        key="tags"
        label={texts.record.tags}
        words={record.tags ?? []}
        known={known.tags}
        disabled={disabled}
        onAdd={(tag) => onChange({ record: { tags: { add: [tag] } } })}
        onRemove={(tag) => onChange({ record: { tags: { remove: [tag] } } })}
      />,
    ],
    ...(folders
      ? ([
          [
            texts.record.folders,
            <PathsField
              key="folders"
              label={texts.record.folders}
              pick={texts.record.pickFolder}
              paths={folders}
              all={known.folders}
              disabled={disabled}
              onAdd={(path) => onChange({ folders: { add: [path] } })}
              onRemove={(path) => onChange({ folders: { remove: [path] } })}
            />,
          ],
        ] as [string, ReactNode][])
      : []),
    [
      texts.record.status,
      <ChoiceField
        key="status"
        label={texts.record.status}
        value={record.status ?? 'draft'}
        options={statuses}
        disabled={disabled}
        onChange={(value) => set('status', value)}
      />,
    ],
    [
      texts.record.difficulty,
      <ChoiceField
        key="difficulty"
        label={texts.record.difficulty}
        value={String(record.difficulty ?? '')}
        options={difficulties}
        disabled={disabled}
        onChange={(value) => set('difficulty', value === '' ? null : Number(value))}
      />,
    ],
    line('level', texts.record.level),
    [
      texts.record.purpose,
      <WordsField
        key="purpose"
        label={texts.record.purpose}
        words={record.purpose ?? []}
        known={[]}
        disabled={disabled}
        onAdd={(word) => onChange({ record: { purpose: { add: [word] } } })}
        onRemove={(word) => onChange({ record: { purpose: { remove: [word] } } })}
      />,
    ],
    line('author', texts.record.author),
    line('source', texts.record.source),
    line('licence', texts.record.licence),
    [
      texts.record.notes,
      <LineField
        key="notes"
        label={texts.record.notes}
        value={record.notes ?? ''}
        disabled={disabled}
        lines={wide ? 1 : 3}
        onChange={(value) => set('notes', value)}
      />,
    ],
  ]
  return (
    <dl
      className={`grid items-start gap-x-3 gap-y-0.5 ${wide ? 'grid-cols-[72px_1fr_72px_1fr] max-lg:grid-cols-[72px_1fr]' : 'grid-cols-[auto_1fr]'}`}
    >
      {rows.map(([name, field]) => (
        <div key={name} className="contents">
          <dt className="pt-1.5 text-caption text-quiet">{name}</dt>
          <dd className="min-w-0">{field}</dd>
        </div>
      ))}
    </dl>
  )
}
