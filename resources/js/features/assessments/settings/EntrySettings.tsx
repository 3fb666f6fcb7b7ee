import type { Entry, EntryOverride, Fact } from '@/api/assembly'
import { type Place, placeOf, withOverride, withPlace } from '@/lib/assessment'
import { list } from '@/lib/format'
import { texts } from '@/messages'
import { Button } from '@/ui/Button'
import { Message } from '@/ui/Message'
import type { Document } from '../useDocument'
import { Choice } from './Choice'
import { OverrideFields } from './OverrideFields'
import { setNames } from './setNames'

const words = texts.assembly.settings

type Props = { document: Document; entry: Entry; fact: Fact | undefined; mayWrite: boolean }

/** What holds for an entry only here; marked where something does, and dropped in one click. */
export function EntrySettings({ document, entry, fact, mayWrite }: Props) {
  const override = entry.override ?? {}
  const set = setNames(override)
  const change = (next: EntryOverride) => document.change((now) => withOverride(now, [entry.id], next), `settings ${entry.id}`)
  return (
    <details className="rounded-ui border border-hairline px-3 py-2" {...(set.length > 0 ? { open: true } : {})}>
      <summary className="min-h-7 cursor-pointer">
        <strong>{words.entry}</strong>{' '}
        <span className={set.length > 0 ? 'text-attention' : 'text-quiet'}>{set.length > 0 ? list(set) : words.nothingSet}</span>
      </summary>
      <div className="flex flex-col gap-3 pt-2">
        <OverrideFields value={override} onChange={change} disabled={!mayWrite} bank={document.stored.bank.slug} />
        <Choice
          label={words.place}
          value={placeOf(entry)}
          options={Object.entries(words.places)}
          disabled={!mayWrite}
          onChange={(place) => document.change((now) => withPlace(now, [entry.id], place as Place))}
        />
        {fact?.idle?.map((name) => (
          <Message key={name} look="attention">
            {words.idle[name] ?? name}
          </Message>
        ))}
        {mayWrite && set.length > 0 ? (
          <p>
            <Button onClick={() => change({})}>{words.drop}</Button>
          </p>
        ) : null}
      </div>
    </details>
  )
}
