import { useState } from 'react'
import { texts } from '@/messages'
import { cellText, type Measure, readCell, type Wanted } from './cellText'

const words = texts.blueprints

type Props = {
  name: string
  wanted: Wanted | undefined
  measure: Measure
  /** What the margin adds up to, shown where nothing is asked for. */
  sum?: string
  disabled: boolean
  onWanted: (wanted: Wanted | undefined) => void
  onMove: (event: React.KeyboardEvent<HTMLInputElement>) => void
  onFocus: () => void
}

/** What one cell asks for: a number, a range, all, or nothing. What cannot be read stays as it was typed, and is not taken. */
export function CellInput({ name, wanted, measure, sum = '', disabled, onWanted, onMove, onFocus }: Props) {
  const stored = cellText(wanted, measure, words)
  const [typed, setTyped] = useState<string | null>(null)
  const isWrong = typed !== null && readCell(typed, measure, words) === null
  return (
    <span className="relative">
      <input
        aria-label={name}
        aria-invalid={isWrong || undefined}
        title={isWrong ? words.cellWrong : undefined}
        value={typed ?? stored}
        placeholder={sum}
        disabled={disabled}
        maxLength={20}
        data-cell
        className="h-7 w-14 rounded-ui border border-edge bg-paper text-center font-semibold text-ink placeholder:font-normal placeholder:text-quiet focus:border-accent aria-invalid:border-problem disabled:border-transparent disabled:bg-transparent"
        onFocus={(event) => {
          event.target.select()
          onFocus()
        }}
        onChange={(event) => {
          setTyped(event.target.value)
          const read = readCell(event.target.value, measure, words)
          if (read !== null) onWanted(read)
        }}
        onBlur={() => (isWrong ? undefined : setTyped(null))}
        onKeyDown={onMove}
      />
      {isWrong ? (
        <span
          role="alert"
          className="absolute top-full left-0 z-10 w-44 rounded-ui border border-problem bg-paper p-1.5 text-caption text-problem shadow-float"
        >
          {words.cellWrong}
        </span>
      ) : null}
    </span>
  )
}
