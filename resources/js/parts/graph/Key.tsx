import type { Part, Rule } from '@/api/question'
import { percent } from '@/lib/format'
import { useDrawn } from '@/ui/graph/useDrawn'
import { toWords } from '../html'

/** What is right and what is foreseen, in words. */
export function Key({ part }: { part: Part }) {
  const rules = (part.key?.rules ?? []) as Rule[]
  const drawn = useDrawn({ settings: part.settings ?? {}, wanted: rules.map((rule) => rule.on), language: 'en' })
  return (
    <ul className="my-2 border-hairline border-t font-sans text-ui">
      {rules.map((rule, i) => (
        <li key={rule.id} className={`flex gap-3 border-hairline border-b px-2 py-1.5 ${rule.credit === '1' ? 'bg-accent-tint' : ''}`}>
          <span className="min-w-0 flex-1">
            {drawn?.wanted[i]?.words || drawn?.wanted[i]?.problem}
            {rule.feedback ? <span className="block text-caption text-second">{toWords(rule.feedback.html)}</span> : null}
          </span>
          <span className={`text-caption ${rule.credit === '1' ? 'font-semibold text-accent' : 'text-quiet'}`}>{percent(rule.credit)}</span>
        </li>
      ))}
    </ul>
  )
}
