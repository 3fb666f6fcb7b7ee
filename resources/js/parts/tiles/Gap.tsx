import type { Rule } from '@/api/question'
import { isPositive } from '@/lib/credit'
import { both } from '@/lib/drag'
import { texts } from '@/messages'
import { judged, type LearnerProps } from '../definePart'
import { Flat } from '../Flat'
import { accept, carry, useHand } from '../PickUp'
import { treeWords } from '../treeWords'
import { type Filled, type TileShown, withoutGap, withTile } from './filled'

const words = texts.kind.tiles

const gapLabel = (n: number | null, tile: string): string => (n === null ? words.gapAlone({ tile }) : words.gap({ n, tile }))

/** A gap of the text: takes the tile that is held or dropped, gives back the one that lies in it. */
export function Gap({ part, gap, response, onChange, disabled, keyOf, result, media }: LearnerProps & { gap: string }) {
  const tiles = part.settings.tiles as TileShown[]
  const gaps = part.settings.gaps as string[]
  const filled = (response?.gaps as Filled | undefined) ?? {}
  const hand = useHand(part.id)
  const number = gaps.length > 1 ? gaps.indexOf(gap) + 1 : null
  const tile = tiles.find((one) => one.id === filled[gap])
  const marks = judged(result)
  const is = (pairs: [string, string][] | undefined) => pairs?.some((pair) => pair[0] === gap) ?? false
  const right = ((keyOf?.key?.rules ?? []) as Rule<[string, string]>[])
    .filter((rule) => rule.on[0] === gap && isPositive(rule.credit))
    .flatMap((rule) => tiles.filter((one) => one.id === rule.on[1]))
  const put = (id: string) => {
    const taken = tiles.find((one) => one.id === id)
    if (taken && !disabled) onChange({ gaps: withTile(filled, gap, taken) })
    hand.letGo()
  }
  const press = () => {
    if (hand.thing !== null) put(hand.thing)
    else if (tile) {
      onChange({ gaps: withoutGap(filled, gap) })
      hand.pick(tile.id, treeWords(tile.body))
    }
  }
  const tone = is(marks?.right) ? 'border-accent' : is(marks?.wrong) ? 'border-problem' : 'border-edge'
  return (
    <span className="ml-1 inline-flex items-baseline gap-1">
      {number === null ? null : (
        <sup aria-hidden="true" className="font-sans text-caption text-quiet">
          {number}
        </sup>
      )}
      <button
        type="button"
        disabled={disabled}
        aria-label={gapLabel(number, tile ? treeWords(tile.body) : words.empty)}
        onClick={press}
        ref={tile && !disabled ? both(accept(part.id, put), carry(part.id, tile.id, gap)) : accept(part.id, put)}
        className={`inline-block min-h-9 min-w-20 rounded-t-ui border-b-2 bg-well px-2 text-center font-serif text-question enabled:hover:bg-accent-tint ${hand.thing === null ? '' : 'outline-1 outline-accent outline-dashed'} ${tone}`}
      >
        {tile ? <Flat nodes={tile.body} media={media} /> : '\u00a0'}
      </button>
      {right.map((one) => (
        <span key={one.id} className="rounded-ui bg-accent-tint px-1 text-accent">
          <Flat nodes={one.body} media={media} />
        </span>
      ))}
    </span>
  )
}
