import type { PrintSettings } from '@/api/assembly'
import { texts } from '@/messages'
import { Button } from '@/ui/Button'
import { Field } from '@/ui/Field'

const words = texts.assembly.printing

type Props = { settings: PrintSettings; mayWrite: boolean; onChange: (settings: PrintSettings) => void }

/** The number that values and shuffled answers of a paper are rolled from. */
export function SeedField({ settings, mayWrite, onChange }: Props) {
  const seed = settings.seed ?? 1
  return (
    <>
      <div className="flex items-end gap-2">
        <Field.Root>
          <Field.Label>{words.seed}</Field.Label>
          <Field.Text
            type="number"
            min={0}
            max={Number.MAX_SAFE_INTEGER}
            className="w-28"
            disabled={!mayWrite}
            value={seed}
            onChange={(event) => {
              if (event.target.value !== '') onChange({ ...settings, seed: Math.max(0, Math.floor(Number(event.target.value))) })
            }}
          />
        </Field.Root>
        {mayWrite ? <Button onClick={() => onChange({ ...settings, seed: seed + 1 })}>{words.roll}</Button> : null}
      </div>
      <p className="text-caption text-second">{words.seedAbout}</p>
    </>
  )
}
