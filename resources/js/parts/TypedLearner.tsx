import { texts } from '@/messages'
import type { LearnerProps } from './definePart'

/** A line to type in, inside a sentence. */
export function TypedLearner({ part, response, onChange, disabled, result, numeric }: LearnerProps & { numeric?: boolean }) {
  const tone = result ? { right: 'border-accent', partly: 'border-attention', wrong: 'border-problem' }[result.state] : undefined
  return (
    <input
      aria-label={part.label || (numeric ? texts.parts.typesNumber : texts.parts.types)}
      inputMode={numeric ? 'decimal' : 'text'}
      autoComplete="off"
      spellCheck={false}
      disabled={disabled}
      placeholder={String(part.settings.placeholder ?? '')}
      style={{ width: `${Math.max(4, Number(part.settings.width ?? 12)) + 2}ch` }}
      className={`mx-1 max-w-full border-0 border-b-2 bg-well px-2 py-0.5 font-serif text-question ${tone ?? 'border-edge'}`}
      value={String(response?.text ?? '')}
      onChange={(event) => onChange({ text: event.target.value })}
    />
  )
}
