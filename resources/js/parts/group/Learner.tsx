import { texts } from '@/messages'
import { judged, type LearnerProps } from '../definePart'
import { Flat } from '../Flat'
import { accept, carry, useHand } from '../PickUp'
import { treeWords } from '../treeWords'
import { type GroupShown, type ItemShown, lies, put, type Sorted } from './sorted'

const words = texts.kind.group

/** Items to pick up and put into groups, by pointer, touch or key. */
export function Learner({ part, response, onChange, disabled, result, media }: LearnerProps) {
  const items = part.settings.items as ItemShown[]
  const groups = part.settings.groups as GroupShown[]
  const sorted = (response?.groups as Sorted | undefined) ?? {}
  const hand = useHand(part.id)
  const marks = judged(result)
  const place = (item: string | null, group: GroupShown | null) => {
    if (item !== null && !disabled) onChange({ groups: put(sorted, item, group) })
    hand.letGo()
  }
  const tone = (item: string) =>
    marks?.right.some((pair) => pair[0] === item)
      ? 'border-accent'
      : marks?.wrong.some((pair) => pair[0] === item)
        ? 'border-problem'
        : 'border-edge'
  const draw = (item: ItemShown) => (
    <button
      key={item.id}
      type="button"
      disabled={disabled}
      aria-pressed={hand.thing === item.id}
      {...(disabled ? {} : { ref: carry(part.id, item.id) })}
      onClick={(event) => {
        event.stopPropagation()
        hand.pick(item.id, treeWords(item.body))
      }}
      className={`min-h-9 cursor-grab rounded-ui border bg-paper px-3 py-1 text-left font-serif text-question enabled:hover:bg-well aria-pressed:border-accent aria-pressed:bg-accent-tint aria-pressed:text-accent ${tone(item.id)}`}
    >
      <Flat nodes={item.body} media={media} />
    </button>
  )
  const left = items.filter((item) => lies(sorted, item.id) === null)
  return (
    <fieldset aria-label={part.label || words.sorts} className="my-3 flex min-w-0 flex-col gap-3">
      <fieldset
        aria-label={words.bank}
        className="flex min-h-12 min-w-0 flex-wrap items-center gap-2 rounded-ui border border-hairline bg-page p-2"
        ref={accept(part.id, (item) => place(item, null))}
      >
        {left.length === 0 ? <span className="px-1 font-sans text-caption text-second">{words.sorted}</span> : left.map(draw)}
        {hand.thing !== null && lies(sorted, hand.thing) !== null ? (
          <button
            type="button"
            className="ml-auto min-h-9 px-2 font-sans text-ui text-accent underline"
            onClick={() => place(hand.thing, null)}
          >
            {words.bank}
          </button>
        ) : null}
      </fieldset>
      <div className="grid grid-cols-[repeat(auto-fit,minmax(150px,1fr))] gap-3">
        {groups.map((group) => (
          <section
            key={group.id}
            aria-label={treeWords(group.body)}
            className={`flex min-h-28 flex-col gap-2 rounded-ui border bg-well p-2 ${hand.thing === null ? 'border-hairline' : 'border-accent border-dashed'}`}
            ref={accept(part.id, (item) => place(item, group))}
          >
            <button
              type="button"
              disabled={disabled || hand.thing === null}
              className="min-h-8 w-full rounded-ui text-left font-semibold font-serif text-ink enabled:cursor-pointer enabled:text-accent enabled:underline"
              onClick={() => place(hand.thing, group)}
            >
              <Flat nodes={group.body} media={media} />
            </button>
            {items.filter((item) => lies(sorted, item.id) === group.id).map(draw)}
          </section>
        ))}
      </div>
    </fieldset>
  )
}
