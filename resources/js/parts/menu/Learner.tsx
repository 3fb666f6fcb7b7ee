import type { Rule } from '@/api/question'
import { texts } from '@/messages'
import type { LearnerProps, OptionShown } from '../definePart'
import { Flat } from '../Flat'
import { treeWords } from '../treeWords'

const words = texts.kind.menu

/** A drop-down inside a sentence; with the key shown, the right option stands behind it. */
export function Learner({ part, response, onChange, disabled, keyOf, result }: LearnerProps) {
  const options = part.settings.options as OptionShown[]
  const rules = (keyOf?.key?.rules ?? []) as Rule<string>[]
  const right = options.filter((option) => rules.some((rule) => rule.on === option.id && rule.credit === '1'))
  const tone = result ? { right: 'border-accent', partly: 'border-attention', wrong: 'border-problem' }[result.state] : undefined
  return (
    <span className="mx-1 inline-flex items-baseline gap-1">
      <select
        aria-label={part.label || words.picks}
        disabled={disabled}
        className={`max-w-full cursor-pointer rounded-t-ui border-0 border-b-2 bg-well px-1.5 py-0.5 font-serif text-question [field-sizing:content] ${tone ?? 'border-edge'}`}
        value={(response?.chosen as string[] | undefined)?.[0] ?? ''}
        onChange={(event) => onChange({ chosen: event.target.value === '' ? [] : [event.target.value] })}
      >
        <option value="">{words.choose}</option>
        {options.map((option) => (
          <option key={option.id} value={option.id}>
            {treeWords(option.body)}
          </option>
        ))}
      </select>
      {right.map((option) => (
        <span key={option.id} className="rounded-ui bg-accent-tint px-1 text-accent">
          <Flat nodes={option.body} />
        </span>
      ))}
    </span>
  )
}
