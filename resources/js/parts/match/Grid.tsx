import type { Rule } from '@/api/question'
import { isPositive } from '@/lib/credit'
import { texts } from '@/messages'
import { judged, type LearnerProps } from '../definePart'
import { Flat } from '../Flat'
import { treeWords } from '../treeWords'
import { has, type Pair, type SideShown, toggled } from './pairs'

const words = texts.kind.match

/** A table to tick: one row for each on the left, one column for each on the right. */
export function Grid({ part, response, onChange, disabled, keyOf, result, media }: LearnerProps) {
  const left = part.settings.left as SideShown[]
  const right = part.settings.right as SideShown[]
  const pairs = (response?.pairs as Pair[] | undefined) ?? []
  const marks = judged(result)
  const key = ((keyOf?.key?.rules ?? []) as Rule<Pair>[]).filter((rule) => isPositive(rule.credit)).map((rule) => rule.on)
  return (
    <div className="plain my-3 overflow-x-auto">
      <table className="w-full border-collapse font-serif [overflow-wrap:normal]" aria-label={part.label || words.joins}>
        <thead>
          <tr>
            <td />
            {right.map((partner) => (
              <th key={partner.id} scope="col" className="border-hairline border-b px-2 py-1.5 align-bottom font-semibold">
                <Flat nodes={partner.body} media={media} />
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {left.map((item) => (
            <tr key={item.id} className="hover:bg-well">
              <th scope="row" className="border-hairline border-b px-2 py-2 text-left font-normal">
                <Flat nodes={item.body} media={media} />
              </th>
              {right.map((partner) => {
                const on = has(pairs, item.id, partner.id)
                const tone = has(key, item.id, partner.id)
                  ? 'bg-accent-tint'
                  : on && marks && has(marks.right, item.id, partner.id)
                    ? 'bg-accent-tint'
                    : on && marks
                      ? 'bg-problem-tint'
                      : ''
                return (
                  <td key={partner.id} className={`border-hairline border-b p-0 text-center ${tone}`}>
                    <label className="flex min-h-10 cursor-pointer items-center justify-center">
                      <input
                        type={item.uses === 1 ? 'radio' : 'checkbox'}
                        name={item.uses === 1 ? `match-${part.id}-${item.id}` : undefined}
                        aria-label={words.cell({ left: treeWords(item.body), right: treeWords(partner.body) })}
                        className="size-4 accent-(--color-accent)"
                        disabled={disabled}
                        checked={on}
                        onChange={() => onChange({ pairs: toggled(pairs, item, partner) })}
                      />
                    </label>
                  </td>
                )
              })}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  )
}
