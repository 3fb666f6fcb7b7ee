import type { Rule } from '@/api/question'
import { both } from '@/lib/drag'
import { texts } from '@/messages'
import { judged, type LearnerProps } from '../definePart'
import { Flat } from '../Flat'
import { accept, carry, useHand } from '../PickUp'
import { treeWords } from '../treeWords'
import { type LabelShown, type Placed, type TargetShown, withLabel, withoutTarget } from './placed'
import type { TypedRule } from './targets'

const words = texts.kind.label

type Props = {
  part: string
  target: TargetShown
  number: number
  /** Whether its number stands in it, not beside it. */
  isNumbered: boolean
  by: string
  labels: LabelShown[]
  placed: Placed
  disabled: boolean
  /** What is right, where that may be seen. */
  rules: Rule[]
  result: LearnerProps['result']
  media: LearnerProps['media']
  onPlaced: (placed: Placed) => void
}

/** Where the label of one target stands: taken and put down, picked from a menu, or typed. */
export function Slot({ part, target, number, isNumbered, by, labels, placed, disabled, rules, result, media, onPlaced }: Props) {
  const hand = useHand(part)
  const now = placed[target.id] ?? ''
  const label = labels.find((one) => one.id === now)
  const marks = judged(result)
  const is = (pairs: [string, string][] | undefined) => pairs?.some((pair) => pair[0] === target.id) ?? false
  const tone = is(marks?.right) ? 'border-accent' : is(marks?.wrong) ? 'border-problem' : 'border-edge'
  const name = (said: string) => words.place({ n: number, name: target.label === '' ? 'no' : target.label, label: said })
  const put = (id: string) => {
    const taken = labels.find((one) => one.id === id)
    if (taken && !disabled) onPlaced(withLabel(placed, target.id, taken))
    hand.letGo()
  }
  const box = `block min-h-9 w-full rounded-ui border-2 bg-paper px-2 py-0.5 text-center font-serif text-question ${tone}`
  return (
    <>
      {by === 'typing' ? (
        <input
          aria-label={name(words.type)}
          className={box}
          autoComplete="off"
          spellCheck={false}
          maxLength={1000}
          disabled={disabled}
          value={now}
          onChange={(event) =>
            onPlaced(event.target.value === '' ? withoutTarget(placed, target.id) : { ...placed, [target.id]: event.target.value })
          }
        />
      ) : by === 'menu' ? (
        <select
          aria-label={name(words.pick)}
          className={box}
          disabled={disabled}
          value={now}
          onChange={(event) => (event.target.value === '' ? onPlaced(withoutTarget(placed, target.id)) : put(event.target.value))}
        >
          <option value="">…</option>
          {labels.map((one) => (
            <option key={one.id} value={one.id}>
              {treeWords(one.body)}
            </option>
          ))}
        </select>
      ) : (
        <button
          type="button"
          disabled={disabled}
          aria-label={name(label ? treeWords(label.body) : words.empty)}
          ref={label && !disabled ? both(accept(part, put), carry(part, label.id, target.id)) : accept(part, put)}
          onClick={() => {
            if (hand.thing !== null) put(hand.thing)
            else if (label) {
              onPlaced(withoutTarget(placed, target.id))
              hand.pick(label.id, treeWords(label.body))
            }
          }}
          className={`${box} leading-tight ${label ? '' : 'border-dashed'} ${hand.thing === null ? '' : 'outline-2 outline-accent outline-dashed'}`}
        >
          {label ? <Flat nodes={label.body} media={media} /> : <span className="text-quiet">{isNumbered ? number : '\u00a0'}</span>}
        </button>
      )}
      <Right target={target.id} rules={rules} labels={labels} media={media} />
    </>
  )
}

/** What is right at a target. */
function Right({ target, rules, labels, media }: Pick<Props, 'rules' | 'labels' | 'media'> & { target: string }) {
  const right = rules.flatMap((rule) => {
    if (!Array.isArray(rule.on)) {
      const { piece, text } = (rule as TypedRule).on
      return piece === target
        ? [{ id: rule.id, nodes: [(text ?? []).map((one) => (typeof one === 'string' ? one : `= ${one.expr}`)).join(' / ')] }]
        : []
    }
    const label =
      (rule.on as [string, string])[0] === target ? labels.find((one) => one.id === (rule.on as [string, string])[1]) : undefined
    return label ? [{ id: rule.id, nodes: label.body }] : []
  })
  return right.map((one) => (
    <span key={one.id} className="mt-0.5 inline-block rounded-ui bg-accent-tint px-1 text-accent">
      <Flat nodes={one.nodes} media={media} />
    </span>
  ))
}
