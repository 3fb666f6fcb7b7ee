import { texts } from '@/messages'
import type { LearnerProps } from '../definePart'
import { shownValue, stepOf, stepsOf, valueAt } from './scale'

const words = texts.kind.slider

/** A scale to set a value on; nothing is set until it is touched. */
export function Learner({ part, response, onChange, disabled, result }: LearnerProps) {
  const { from, to, step } = part.settings as { from: string; to: string; step: string }
  const caption = part.settings.captions as { from: string; to: string }
  const steps = stepsOf(from, to, step)
  const value = response?.value as string | undefined
  const tone = result ? { right: 'text-accent', partly: 'text-attention', wrong: 'text-problem' }[result.state] : 'text-ink'
  /** Where the thumb stands from the beginning, which a browser takes for no change. */
  const setHere = (range: HTMLInputElement) => {
    if (value === undefined && !disabled) onChange({ value: valueAt(from, step, Number(range.value)) })
  }
  return (
    <div className="my-3 font-sans">
      <output className={`block text-center font-serif text-question ${value === undefined ? 'text-quiet' : tone}`}>
        {value === undefined ? words.notSet : shownValue(value)}
      </output>
      <input
        type="range"
        aria-label={part.label || words.sets}
        aria-valuetext={value === undefined ? words.notSet : shownValue(value)}
        min={0}
        max={steps}
        step={1}
        disabled={disabled}
        className={`h-9 w-full accent-(--color-accent) ${value === undefined ? 'opacity-55' : ''}`}
        value={value === undefined ? Math.floor(steps / 2) : stepOf(from, step, value)}
        onChange={(event) => onChange({ value: valueAt(from, step, Number(event.target.value)) })}
        onPointerUp={(event) => setHere(event.currentTarget)}
        onKeyDown={(event) => {
          if (event.key !== ' ' && event.key !== 'Enter') return
          event.preventDefault() // Space would scroll the page
          setHere(event.currentTarget)
        }}
      />
      <div className="flex justify-between text-caption text-second">
        <span>
          {shownValue(from)} {caption.from}
        </span>
        <span>
          {caption.to} {shownValue(to)}
        </span>
      </div>
    </div>
  )
}
