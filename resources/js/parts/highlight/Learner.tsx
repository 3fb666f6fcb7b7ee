import type { Rule, TreeNode } from '@/api/question'
import { isPositive } from '@/lib/credit'
import { texts } from '@/messages'
import { RichTree } from '@/ui/RichTree'
import type { LearnerProps } from '../definePart'

const words = texts.kind.highlight

/** A text whose pieces are pressed to pick them. */
export function Learner({ part, response, onChange, disabled, keyOf, media }: LearnerProps) {
  const chosen = (response?.chosen as string[] | undefined) ?? []
  const single = part.settings.max === 1
  const rules = (keyOf?.key?.rules ?? []) as Rule<string>[]
  const pick = (id: string) =>
    onChange({ chosen: chosen.includes(id) ? chosen.filter((one) => one !== id) : single ? [id] : [...chosen, id] })
  return (
    <fieldset aria-label={part.label || words.picks} className="my-3 min-w-0 rounded-ui border border-hairline p-3">
      <RichTree
        nodes={part.settings.text as TreeNode[]}
        {...(media ? { media } : {})}
        piece={(id, text) => {
          const right = rules.some((rule) => rule.on === id && isPositive(rule.credit))
          return (
            // biome-ignore lint/a11y/useSemanticElements: a button does not break over lines, and a piece may be a sentence
            <span
              role="button"
              tabIndex={disabled ? -1 : 0}
              aria-disabled={disabled}
              aria-pressed={chosen.includes(id)}
              className={`cursor-pointer rounded-ui px-0.5 underline decoration-edge decoration-dotted underline-offset-4 hover:bg-well aria-pressed:bg-accent aria-pressed:text-on-accent aria-pressed:no-underline ${right ? 'bg-accent-tint text-accent' : ''}`}
              onClick={() => (disabled ? undefined : pick(id))}
              onKeyDown={(event) => {
                if (disabled || (event.key !== 'Enter' && event.key !== ' ')) return
                event.preventDefault()
                pick(id)
              }}
            >
              {text}
            </span>
          )
        }}
      />
    </fieldset>
  )
}
