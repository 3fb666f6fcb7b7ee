import { useState } from 'react'
import { texts } from '@/messages'
import { creditFromPercent, percentFromCredit } from './html'

type Props = { value: string; onChange: (credit: string) => void; label: string; problem?: string | undefined }

/** Credit as a percentage; stored exactly. */
export function Credit({ value, onChange, label, problem }: Props) {
  const [typed, setTyped] = useState<string | null>(null)
  return (
    <span data-aside="" className="inline-flex items-baseline">
      <input
        aria-label={`${texts.parts.credit}: ${label}`}
        aria-invalid={problem ? true : undefined}
        title={problem}
        inputMode="decimal"
        className={`min-h-7 w-12 rounded-t-ui border-transparent border-b-2 bg-transparent px-1 text-right hover:border-edge focus:border-accent focus:bg-well aria-invalid:border-problem ${value === '1' ? 'font-semibold text-accent' : ''}`}
        value={typed !== null && creditFromPercent(typed) === value ? typed : percentFromCredit(value)}
        onFocus={(event) => event.target.select()}
        onChange={(event) => {
          setTyped(event.target.value)
          onChange(creditFromPercent(event.target.value))
        }}
        onBlur={() => setTyped(null)}
      />
      <span className={value === '1' ? 'font-semibold text-accent' : 'text-quiet'}>%</span>
    </span>
  )
}
