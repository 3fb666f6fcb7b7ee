import { ArrowDown, ArrowLeft, ArrowRight, ArrowUp } from 'lucide-react'
import { type KeyboardEvent, useRef } from 'react'
import { texts } from '@/messages'
import type { LearnerProps } from '../definePart'
import { Flat } from '../Flat'
import { accept, carry, useHand } from '../PickUp'
import { treeWords } from '../treeWords'
import { Menus } from './Menus'
import { type ItemShown, placed, standing, stepped } from './sequence'

const words = texts.kind.order

const frames: Record<string, string> = {
  column: 'flex flex-col gap-2',
  row: 'flex flex-wrap gap-2',
  grid: 'grid gap-2',
  sentence: 'flex flex-wrap items-baseline gap-x-1.5 gap-y-2',
}

/** Things to bring into order: dragged, moved by arrows, or picked up and put down in the place of another. */
export function Learner(props: LearnerProps) {
  const { part, response, onChange, disabled, result, media } = props
  const list = useRef<HTMLOListElement>(null)
  const hand = useHand(part.id)
  const items = standing(part.settings.items as ItemShown[], response?.sequence as string[] | undefined)
  const layout = String(part.settings.layout ?? 'column')
  const caption = part.settings.caption as { from: string; to: string }
  const across = layout !== 'column'
  if (layout === 'menu') return <Menus {...props} />
  const set = (sequence: string[], focus?: string) => {
    if (disabled) return
    onChange({ sequence })
    if (focus) requestAnimationFrame(() => list.current?.querySelector<HTMLElement>(`[data-id="${CSS.escape(focus)}"]`)?.focus())
  }
  const keys = (event: KeyboardEvent, id: string) => {
    const by = { ArrowUp: -1, ArrowLeft: -1, ArrowDown: 1, ArrowRight: 1 }[event.key]
    if (!event.altKey || by === undefined) return
    event.preventDefault()
    set(stepped(items, id, by as -1 | 1), id)
  }
  const press = (id: string, name: string) => {
    if (hand.thing !== null && hand.thing !== id) {
      set(placed(items, hand.thing, id), hand.thing)
      hand.letGo()
    } else hand.pick(id, name)
  }
  const tone = result ? { right: 'border-accent', partly: 'border-attention', wrong: 'border-problem' }[result.state] : 'border-edge'
  const [Back, On] = across ? [ArrowLeft, ArrowRight] : [ArrowUp, ArrowDown]
  return (
    <fieldset className="plain my-3 min-w-0" aria-label={part.label || words.orders}>
      {caption.from ? <p className="font-sans text-caption text-second">{caption.from}</p> : null}
      <ol
        ref={list}
        className={frames[layout] ?? frames.column}
        style={layout === 'grid' ? { gridTemplateColumns: `repeat(${Number(part.settings.columns ?? 2)}, minmax(0, 1fr))` } : undefined}
      >
        {items.map((item, i) => {
          const name = treeWords(item.body)
          if (item.given)
            return (
              <li key={item.id} className="flex min-h-10 items-center rounded-ui border border-hairline bg-well px-3 font-serif">
                <Flat nodes={item.body} media={media} />
              </li>
            )
          return (
            <li
              key={item.id}
              className={`flex min-h-10 items-stretch rounded-ui border bg-paper ${tone} ${hand.thing !== null && hand.thing !== item.id ? 'border-dashed' : ''}`}
              ref={accept(part.id, (thing) => set(placed(items, thing, item.id)))}
            >
              <button
                type="button"
                data-id={item.id}
                disabled={disabled}
                aria-pressed={hand.thing === item.id}
                aria-label={words.at({ item: name, n: i + 1, of: items.length })}
                {...(disabled ? {} : { ref: carry(part.id, item.id) })}
                onClick={() => press(item.id, name)}
                onKeyDown={(event) => keys(event, item.id)}
                className={`cursor-grab rounded-ui px-3 py-1 text-left font-serif text-question enabled:hover:bg-well aria-pressed:bg-accent-tint aria-pressed:text-accent ${across ? '' : 'flex-1'}`}
              >
                <Flat nodes={item.body} media={media} />
              </button>
              {disabled || layout === 'sentence' ? null : (
                <span className="flex flex-none items-center">
                  {(
                    [
                      [-1, Back],
                      [1, On],
                    ] as const
                  ).map(([by, Icon]) => (
                    <button
                      key={by}
                      type="button"
                      aria-label={words.move({ item: name, direction: by < 0 ? 'up' : 'down' })}
                      title={words.move({ item: name, direction: by < 0 ? 'up' : 'down' })}
                      className="min-h-7 min-w-7 rounded-ui text-quiet hover:bg-well hover:text-accent"
                      onClick={() => set(stepped(items, item.id, by))}
                    >
                      <Icon size={16} aria-hidden="true" className="inline" />
                    </button>
                  ))}
                </span>
              )}
            </li>
          )
        })}
      </ol>
      {caption.to ? <p className={`font-sans text-caption text-second ${across ? 'text-right' : ''}`}>{caption.to}</p> : null}
    </fieldset>
  )
}
