import type { Section } from '@/api/assembly'
import { texts } from '@/messages'
import { Button } from '@/ui/Button'
import { Dialog } from '@/ui/Dialog'
import { control } from '@/ui/Field'
import { Labelled, OverrideFields } from './OverrideFields'

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
  const tick = (name: 'shuffle' | 'new_page', label: string) => (
    <label className="flex items-center gap-2">
      <input
        type="checkbox"
        className="accent-accent"
        disabled={!mayWrite}
        checked={section[name] ?? false}
        onChange={({ target }) => onChange({ [name]: target.checked })}
      />
      {label}
    </label>
  )
  return (
    <Dialog
      open
      onClose={onClose}
      title={words.ofSection({ section: title })}
      closeName={texts.frame.close}
      actions={<Button onClick={onClose}>{texts.frame.close}</Button>}
    >
      <div className="flex flex-col gap-4">
        {tick('shuffle', words.sectionShuffle)}
        {tick('new_page', words.newPage)}
        <div className="grid grid-cols-2 gap-3">
          <Labelled label={words.sectionTime}>
            {(id) => (
              <input
                id={id}
                type="number"
                min={0.5}
                max={1440}
                step={0.5}
                className={control}
                disabled={!mayWrite}
                placeholder={words.noLimit}
                value={section.time_limit ? section.time_limit / 60 : ''}
                onChange={({ target }) => onChange({ time_limit: seconds(target.value) })}
              />
            )}
          </Labelled>
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

/** Minutes as typed → seconds; null for none. */
export const seconds = (minutes: string): number | null => {
  const n = Math.round(Number(minutes) * 60)
  return n >= 1 ? Math.min(86400, n) : null
}
