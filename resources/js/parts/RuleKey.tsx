import type { Part, Rule } from '@/api/question'
import { percent } from '@/lib/format'
import { texts } from '@/messages'
import { toWords } from './html'

/** The rules of a typed answer in words, for reading. */
export function RuleKey<On>({ part, words }: { part: Part; words: (on: On) => string }) {
  return (
    <ul className="my-2 border-hairline border-t font-sans text-ui">
      {((part.key?.rules ?? []) as Rule<On>[]).map((rule) => (
        <li key={rule.id} className={`flex gap-3 border-hairline border-b px-2 py-1.5 ${rule.credit === '1' ? 'bg-accent-tint' : ''}`}>
          <span className="min-w-0 flex-1">
            {texts.parts.theAnswer} {words(rule.on)}
            {rule.feedback ? <span className="block text-caption text-second">{toWords(rule.feedback.html)}</span> : null}
          </span>
          <span className={`text-caption ${rule.credit === '1' ? 'font-semibold text-accent' : 'text-quiet'}`}>{percent(rule.credit)}</span>
        </li>
      ))}
    </ul>
  )
}
