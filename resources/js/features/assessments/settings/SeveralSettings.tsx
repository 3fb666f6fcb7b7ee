import { useState } from 'react'
import type { EntryOverride } from '@/api/assembly'
import { entriesOf, type Place, withOverride, withPlace } from '@/lib/assessment'
import { texts } from '@/messages'
import { FormDialog } from '@/ui/FormDialog'
import type { Document } from '../useDocument'
import { Choice, TickField } from './Choice'
import { OverrideFields } from './OverrideFields'

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
  const [place, setPlace] = useState<'' | Place>('')
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
      <TickField label={words.dropFirst} checked={drop} disabled={false} onChange={setDrop} />
      <OverrideFields value={value} onChange={setValue} disabled={false} bank={bank} />
      <Choice
        label={words.place}
        value={place}
        options={[['', words.leave], ...Object.entries(words.places)]}
        disabled={false}
        onChange={(next) => setPlace(next as 'first')}
      />
    </FormDialog>
  )
}
