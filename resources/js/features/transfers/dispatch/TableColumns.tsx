import { texts } from '@/messages'

const words = texts.dispatch.columns
const meanings = texts.questionTable.meanings

/** Columns that may be chosen; those of an option come with it. */
const all = [
  'identifier',
  'kind',
  'title',
  'passage',
  'picture',
  'option',
  'answer',
  'unit',
  'model answer',
  'points',
  'feedback',
  'hint',
  'folder',
  'topic',
  'standard',
  'tags',
  'difficulty',
  'level',
  'minutes',
  'language',
  'source',
  'author',
  'notes',
] as const

/** Which columns a table has: all that hold something, or those one chooses. */
export function TableColumns({ chosen, onChange }: { chosen: string[] | null; onChange: (chosen: string[] | null) => void }) {
  const box = 'size-4 accent-accent'
  return (
    <fieldset className="flex flex-col gap-1.5">
      <legend className="mb-1 text-caption text-second">{words.label}</legend>
      <label className="flex items-center gap-2">
        <input
          type="checkbox"
          className={box}
          checked={chosen !== null}
          onChange={(event) => onChange(event.target.checked ? [...all] : null)}
        />
        {words.own}
      </label>
      <p className="text-caption text-quiet">{words.about}</p>
      {chosen ? (
        <div className="grid grid-cols-2 gap-1">
          {all.map((one) => (
            <label key={one} className="flex items-center gap-2">
              <input
                type="checkbox"
                className={box}
                checked={chosen.includes(one)}
                onChange={(event) => onChange(all.filter((each) => (each === one ? event.target.checked : chosen.includes(each))))}
              />
              {meanings[one]}
            </label>
          ))}
        </div>
      ) : null}
    </fieldset>
  )
}
