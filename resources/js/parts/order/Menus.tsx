import { useState } from 'react'
import { texts } from '@/messages'
import type { LearnerProps } from '../definePart'
import { Flat } from '../Flat'
import { treeWords } from '../treeWords'
import type { ItemShown } from './sequence'

const words = texts.kind.order

/** A drop-down for each place; what is given stands there already. */
export function Menus({ part, response, onChange, disabled, media }: LearnerProps) {
  const items = part.settings.items as ItemShown[]
  const caption = part.settings.caption as { from: string; to: string }
  const loose = items.filter((item) => !item.given)
  const sequence = response?.sequence as string[] | undefined
  // Which place is empty is known here alone: a response is the things in their order.
  const [kept, setKept] = useState<(string | null)[]>([])
  const fits = sequence !== undefined && kept.filter((one) => one !== null).join('\t') === sequence.join('\t')
  const slots = fits ? kept : loose.map((_, i) => sequence?.[i] ?? null)
  const put = (at: number, id: string) => {
    const next = slots.map((one, i) => (i === at ? id || null : one === id ? null : one))
    setKept(next)
    onChange({ sequence: next.filter((one): one is string => one !== null) })
  }
  let at = -1
  return (
    <ol className="plain my-3 flex flex-col gap-1.5" aria-label={part.label || words.orders}>
      {items.map((item, i) => {
        const end = i === 0 ? caption.from || words.first : i === items.length - 1 ? caption.to || words.last : ''
        if (!item.given) at++
        const slot = at
        return (
          <li key={item.id} className="flex items-baseline gap-3">
            <span className="w-6 text-right font-sans text-second">{i + 1}</span>
            {item.given ? (
              <span className="font-serif">
                <Flat nodes={item.body} media={media} />
              </span>
            ) : (
              <select
                aria-label={words.place({ n: i + 1 })}
                disabled={disabled}
                className="cursor-pointer rounded-t-ui border-0 border-edge border-b-2 bg-well px-1.5 py-1 font-serif text-question"
                value={slots[slot] ?? ''}
                onChange={(event) => put(slot, event.target.value)}
              >
                <option value="">{words.choose}</option>
                {loose.map((one) => (
                  <option key={one.id} value={one.id}>
                    {treeWords(one.body)}
                  </option>
                ))}
              </select>
            )}
            <span className="font-sans text-caption text-quiet">{end}</span>
          </li>
        )
      })}
    </ol>
  )
}
