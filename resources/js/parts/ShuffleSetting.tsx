import { texts } from '@/messages'

/** Whether the things of a part are shown in another order to each learner. */
export function ShuffleSetting({ on, onChange }: { on: boolean; onChange: (on: boolean) => void }) {
  return (
    <label className="flex items-center gap-2">
      <input type="checkbox" checked={on} onChange={(event) => onChange(event.target.checked)} />
      {texts.parts.shuffleOrder}
    </label>
  )
}
