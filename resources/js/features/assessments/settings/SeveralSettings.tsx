import { useState } from 'react'
import type { EntryOverride } from '@/api/assembly'
import { entriesOf, withOverride, withPlace } from '@/lib/assessment'
import { texts } from '@/messages'
import { control } from '@/ui/Field'
import { FormDialog } from '@/ui/FormDialog'
import type { Document } from '../useDocument'
import { Labelled, OverrideFields } from './OverrideFields'

const words = texts.assembly.settings

/** The same settings for several entries: what is set here is set for all, what is not stays with each; or none for any. */
export function SeveralSettings({
  document,
  ids,
  bank,
  onClose,
}: {
  document: Document
  ids: string[]
  bank: string
  onClose: () => void
}) {
  const [value, setValue] = useState<EntryOverride>({})
  const [place, setPlace] = useState<'' | 'first' | 'anywhere' | 'last'>('')
  const [drop, setDrop] = useState(false)
  const apply = () => {
    document.change((now) => {
      const some = entriesOf(now).filter((entry) => ids.includes(entry.id))
      const set = some.reduce((next, entry) => withOverride(next, [entry.id], { ...(drop ? {} : entry.override), ...value }), now)
      return place === '' ? set : withPlace(set, ids, place)
    })
    onClose()
  }
  return (
    <FormDialog
      wide
      title={words.severalTitle({ n: ids.length })}
      about={words.severalAbout}
      go={words.apply}
      onSubmit={apply}
      onClose={onClose}
    >
      <label className="flex items-center gap-2">
        <input type="checkbox" className="accent-accent" checked={drop} onChange={({ target }) => setDrop(target.checked)} />
        {words.dropFirst}
      </label>
      <OverrideFields value={value} onChange={setValue} disabled={false} bank={bank} />
      <Labelled label={words.place}>
        {(id) => (
          <select id={id} className={`${control} self-start`} value={place} onChange={({ target }) => setPlace(target.value as 'first')}>
            <option value="">{words.leave}</option>
            {Object.entries(words.places).map(([key, name]) => (
              <option key={key} value={key}>
                {name}
              </option>
            ))}
          </select>
        )}
      </Labelled>
    </FormDialog>
  )
}
