import type { Part, Rule } from '@/api/question'
import { isPositive } from '@/lib/credit'
import { percent } from '@/lib/format'
import { htmlTree } from '@/ui/htmlTree'
import { Flat } from './Flat'
import { toWords } from './html'

type Props = { part: Part; first: (id: string) => string; second: (id: string) => string }

/** The pairs that a key lists, with what each earns and answers. */
export function PairKey({ part, first, second }: Props) {
  const weighed = part.scoring?.scheme === 'weights'
  return (
    <ul className="plain my-2 border-hairline border-t font-sans text-ui">
      {((part.key?.rules ?? []) as Rule<[string, string]>[]).map((rule) => {
        const right = isPositive(rule.credit)
        return (
          <li key={rule.id} className={`flex gap-3 border-hairline border-b px-2 py-1.5 ${right ? 'bg-accent-tint' : ''}`}>
            <span className="min-w-0 flex-1">
              <Flat nodes={htmlTree(first(rule.on[0]))} /> – <Flat nodes={htmlTree(second(rule.on[1]))} />
              {rule.feedback ? <span className="block text-caption text-second">{toWords(rule.feedback.html)}</span> : null}
            </span>
            {weighed || !right ? (
              <span className={`text-caption ${right ? 'font-semibold text-accent' : 'text-quiet'}`}>{percent(rule.credit)}</span>
            ) : null}
          </li>
        )
      })}
    </ul>
  )
}
