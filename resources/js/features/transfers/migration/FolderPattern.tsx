import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { type Migration, type MigrationChange, migrationQuery } from '@/api/migration'
import { useDebouncedValue } from '@/lib/useDebouncedValue'
import { texts } from '@/messages'
import { Field } from '@/ui/Field'

const words = texts.migration.folders

const presets = {
  quiz: '{quiz}',
  kind: '{kind}',
  both: '{quiz} › {kind}',
  heading: '{quiz} › {heading}',
  points: '{quiz} › {points}',
  topic: '{topic}',
} as const

type Preset = keyof typeof presets
type Props = { intake: string; held: Migration; onChange: (change: MigrationChange) => void }

/** A pattern of names, and the tree it makes, whose names can be typed over. */
export function FolderPattern({ intake, held, onChange }: Props) {
  const [pattern, setPattern] = useState(held.pattern)
  // Every change sends all names, so one must not wait for the answer to the one before it.
  const [names, setNames] = useState(held.names)
  const [isOwn, setOwn] = useState(false)
  const rested = useDebouncedValue(pattern, 300)
  const tried = isOwn ? rested : pattern
  const preview = useQuery({ ...migrationQuery(intake, tried), enabled: tried !== '' && tried !== held.pattern })
  const shown = [tried, pattern].includes(held.pattern) ? held : preview.data
  const named = (Object.keys(presets) as Preset[]).find((one) => presets[one] === pattern)
  const chosen = isOwn ? 'own' : pattern === '' ? '' : (named ?? 'own')
  const leaves = shown?.tree.filter((row, i) => (shown.tree[i + 1]?.depth ?? 0) <= row.depth).length ?? 0
  const choose = (next: string) => {
    setOwn(next === 'own')
    if (next === 'own') return
    const value = next === '' ? '' : presets[next as Preset]
    setPattern(value)
    onChange({ pattern: value })
  }
  const problem = tried !== '' && preview.isError ? preview.error.message : null
  return (
    <section aria-label={words.title} className="flex flex-col gap-3">
      <div>
        <h2 className="font-semibold text-title">{words.title}</h2>
        <p className="text-second">{words.about}</p>
      </div>
      <Field.Root>
        <Field.Label>{words.by}</Field.Label>
        <Field.Choice value={chosen} onChange={(event) => choose(event.target.value)}>
          <option value="">{words.none}</option>
          {(Object.keys(presets) as Preset[]).map((one) => (
            <option key={one} value={one}>
              {words.presets[one]}
            </option>
          ))}
          <option value="own">{words.presets.own}</option>
        </Field.Choice>
      </Field.Root>
      {chosen === '' ? null : (
        <Field.Root problem={problem}>
          <Field.Label>{words.pattern}</Field.Label>
          <Field.Text
            value={pattern}
            maxLength={500}
            onChange={(event) => {
              setOwn(true)
              setPattern(event.target.value)
            }}
            onBlur={() => {
              if (pattern !== held.pattern && !problem) onChange({ pattern })
            }}
          />
          <p className="text-caption text-quiet">{words.patternAbout({ parts: held.parts.join(', ') })}</p>
        </Field.Root>
      )}
      {chosen !== '' && shown && !problem ? (
        <>
          <p role="status" className="font-semibold">
            {words.count({ n: leaves })}
          </p>
          <ul className="max-h-96 overflow-y-auto rounded-ui border border-hairline bg-paper py-1">
            {shown.tree.map((row) => (
              <FolderRow
                key={row.path.join(' › ')}
                row={row}
                onName={(name) => {
                  const path = row.path.join(' › ')
                  const { [path]: _, ...others } = names
                  const next = name === row.path.at(-1) ? others : { ...others, [path]: name }
                  setNames(next)
                  onChange({ pattern, names: next })
                }}
              />
            ))}
          </ul>
        </>
      ) : null}
    </section>
  )
}

function FolderRow({ row, onName }: { row: Migration['tree'][number]; onName: (name: string) => void }) {
  const path = row.path.join(' › ')
  const kinds = Object.entries(row.kinds)
    .map(([kind, times]) => `${kind} ${times}`)
    .join(', ')
  return (
    <li className="flex items-center gap-2 px-2" style={{ paddingLeft: `${0.5 + row.depth * 1.25}rem` }} title={kinds}>
      <input
        key={row.name}
        aria-label={words.name({ path })}
        className="min-h-8 min-w-0 flex-1 rounded-ui border border-transparent bg-transparent px-1 hover:border-edge focus:border-edge"
        defaultValue={row.name}
        maxLength={200}
        onKeyDown={(event) => {
          if (event.key === 'Enter') event.currentTarget.blur()
        }}
        onBlur={(event) => {
          if (event.target.value !== row.name) onName(event.target.value.trim())
        }}
      />
      <span className="text-caption text-second">{words.questions({ n: row.questions })}</span>
    </li>
  )
}
