import type { Section } from '@/api/assembly'
import { texts } from '@/messages'
import { Button } from '@/ui/Button'
import { Dialog } from '@/ui/Dialog'
import { control } from '@/ui/Field'
import { Labelled, TickField, TimeField } from './Choice'
import { OverrideFields } from './OverrideFields'

const words = texts.assembly.settings

export type SectionChange = Partial<Pick<Section, 'title' | 'instructions' | 'shuffle' | 'weight' | 'time_limit' | 'new_page' | 'override'>>

type Props = {
  section: Section
  title: string
  mayWrite: boolean
  bank: string
  onChange: (next: SectionChange) => void
  onClose: () => void
}

/** How a section is asked: its order, time and weight, and what holds for all of its entries. */
export function SectionSettings({ section, title, mayWrite, bank, onChange, onClose }: Props) {
  return (
    <Dialog
      open
      onClose={onClose}
      title={words.ofSection({ section: title })}
      closeName={texts.frame.close}
      actions={<Button onClick={onClose}>{texts.frame.close}</Button>}
    >
      <div className="flex flex-col gap-4">
        <TickField
          label={words.sectionShuffle}
          checked={section.shuffle ?? false}
          disabled={!mayWrite}
          onChange={(shuffle) => onChange({ shuffle })}
        />
        <TickField
          label={words.newPage}
          checked={section.new_page ?? false}
          disabled={!mayWrite}
          onChange={(new_page) => onChange({ new_page })}
        />
        <div className="grid grid-cols-2 gap-3">
          <TimeField
            label={words.sectionTime}
            seconds={section.time_limit}
            disabled={!mayWrite}
            onChange={(time_limit) => onChange({ time_limit })}
          />
          <Labelled label={words.weight}>
            {(id) => (
              <input
                id={id}
                inputMode="decimal"
                className={control}
                disabled={!mayWrite}
                placeholder="1"
                maxLength={40}
                value={section.weight ?? ''}
                onChange={({ target }) => onChange({ weight: target.value.trim() === '' ? '1' : target.value.trim() })}
              />
            )}
          </Labelled>
        </div>
        <section aria-label={words.sectionEntries} className="flex flex-col gap-2">
          <h3 className="font-semibold">{words.sectionEntries}</h3>
          <OverrideFields value={section.override ?? {}} onChange={(override) => onChange({ override })} disabled={!mayWrite} bank={bank} />
        </section>
      </div>
    </Dialog>
  )
}
