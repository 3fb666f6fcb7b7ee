import { useRef } from 'react'
import { texts } from '@/messages'
import { judged, type LearnerProps } from '../definePart'
import { Flat } from '../Flat'
import { accept, carry, useHand } from '../PickUp'
import { treeWords } from '../treeWords'
import { has, type Pair, type SideShown, toggled } from './pairs'
import { useLines } from './useLines'

const words = texts.kind.match

const joined = (left: string, right: string): string => (right === '' ? words.notJoined({ left }) : words.joined({ left, right }))

/** Two columns and a line between what is joined: press one on the left, then one on the right; the same again takes them apart. */
export function Lines({ part, response, onChange, disabled, result, media }: LearnerProps) {
  const left = part.settings.left as SideShown[]
  const right = part.settings.right as SideShown[]
  const pairs = (response?.pairs as Pair[] | undefined) ?? []
  const hand = useHand(part.id)
  const box = useRef<HTMLFieldSetElement>(null)
  const lines = useLines(box, pairs)
  const marks = judged(result)
  const joinedTo = (side: 0 | 1, id: string, others: SideShown[]) =>
    pairs
      .filter((pair) => pair[side] === id)
      .map((pair) => treeWords(others.find((one) => one.id === pair[1 - side])?.body ?? []))
      .join(', ')
  const join = (item: string | null, partner: SideShown) => {
    const from = left.find((one) => one.id === item)
    if (from) onChange({ pairs: toggled(pairs, from, partner) })
    hand.letGo()
  }
  const look =
    'flex min-h-10 w-full items-center rounded-ui border border-edge bg-paper px-3 py-1.5 text-left font-serif text-question enabled:hover:bg-well aria-pressed:border-accent aria-pressed:bg-accent-tint aria-pressed:text-accent'
  return (
    <fieldset
      ref={box}
      aria-label={part.label || words.joins}
      className="plain relative my-3 grid min-w-0 grid-cols-[1fr_minmax(48px,14%)_1fr] gap-y-2"
    >
      <ul className="flex flex-col justify-around gap-2">
        {left.map((item) => (
          <li key={item.id}>
            <button
              type="button"
              data-left={item.id}
              disabled={disabled}
              aria-pressed={hand.thing === item.id}
              aria-label={joined(treeWords(item.body), joinedTo(0, item.id, right))}
              {...(disabled ? {} : { ref: carry(part.id, item.id) })}
              onClick={() => hand.pick(item.id, treeWords(item.body))}
              className={`${look} cursor-grab`}
            >
              <Flat nodes={item.body} media={media} />
            </button>
          </li>
        ))}
      </ul>
      <span />
      <ul className="flex flex-col justify-around gap-2">
        {right.map((partner) => (
          <li key={partner.id}>
            <button
              type="button"
              data-right={partner.id}
              disabled={disabled}
              aria-label={joined(treeWords(partner.body), joinedTo(1, partner.id, left))}
              ref={accept(part.id, (item) => join(item, partner))}
              onClick={() => join(hand.thing, partner)}
              className={`${look} ${hand.thing === null ? '' : 'outline-1 outline-accent outline-dashed'}`}
            >
              <Flat nodes={partner.body} media={media} />
            </button>
          </li>
        ))}
      </ul>
      <svg aria-hidden="true" className="pointer-events-none absolute inset-0 size-full">
        {lines.map(({ pair, x1, y1, x2, y2 }) => {
          const colour =
            marks && has(marks.wrong, ...pair)
              ? 'var(--color-problem)'
              : marks && has(marks.right, ...pair)
                ? 'var(--color-accent)'
                : 'var(--color-ink)'
          return <line key={pair.join('\t')} x1={x1} y1={y1} x2={x2} y2={y2} stroke={colour} strokeWidth="2" />
        })}
      </svg>
    </fieldset>
  )
}
