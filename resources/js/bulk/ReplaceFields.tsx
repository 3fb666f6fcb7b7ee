import { texts } from '@/messages'
import { Field } from '@/ui/Field'

const words = texts.starts.replace
export type Wish = { find: string; with: string; case: boolean; whole: boolean }

/** What to find, what to put in its place, and how closely to look. */
export function ReplaceFields({ wish, onChange }: { wish: Wish; onChange: (change: Partial<Wish>) => void }) {
  return (
    <>
      <div className="grid grid-cols-2 gap-3 max-md:grid-cols-1">
        <Field.Root>
          <Field.Label>{words.find}</Field.Label>
          <Field.Text autoFocus maxLength={500} value={wish.find} onChange={(event) => onChange({ find: event.target.value })} />
        </Field.Root>
        <Field.Root>
          <Field.Label>{words.with}</Field.Label>
          <Field.Text maxLength={2000} value={wish.with} onChange={(event) => onChange({ with: event.target.value })} />
        </Field.Root>
      </div>
      <div className="flex gap-6">
        {(['case', 'whole'] as const).map((name) => (
          <label key={name} className="flex items-center gap-2">
            <input type="checkbox" checked={wish[name]} onChange={(event) => onChange({ [name]: event.target.checked })} />
            {words[name]}
          </label>
        ))}
      </div>
    </>
  )
}

type PlaceProps = {
  number: number
  place: { before: string; found: string; after: string }
  /** What goes there, if anything. */
  by: string
  kept: boolean
  where: string
  onToggle: () => void
}

/** A place where words were found, as it is and as it would be. */
export function ReplacePlace({ number, place, by, kept, where, onToggle }: PlaceProps) {
  return (
    <li className="flex items-baseline gap-3 py-1">
      <input
        type="checkbox"
        aria-label={words.pick({ n: number, found: `${place.before}${place.found}${place.after}` })}
        checked={!kept}
        onChange={onToggle}
      />
      <span className="min-w-0 flex-1 font-serif">
        {place.before}
        {kept ? place.found : <del>{place.found}</del>}
        {by && !kept ? <ins className="ml-1">{by}</ins> : null}
        {place.after}
      </span>
      <span className="max-w-[40%] flex-none truncate text-caption text-quiet">{where}</span>
    </li>
  )
}
