import { texts } from '@/messages'
import type { LearnerProps } from '../definePart'
import { Flat } from '../Flat'
import { accept, carry, useHand } from '../PickUp'
import { treeWords } from '../treeWords'
import { type Filled, type TileShown, used, withoutGap } from './filled'

const words = texts.kind.tiles

/** The tiles that are not in a gap yet: pick one up and put it into a gap, or drag it there. */
export function Learner({ part, response, onChange, disabled, media }: LearnerProps) {
  const tiles = part.settings.tiles as TileShown[]
  const filled = (response?.gaps as Filled | undefined) ?? {}
  const hand = useHand(part.id)
  /** A tile that is dragged out of its gap. */
  const back = (_: string, from?: string) => from !== undefined && onChange({ gaps: withoutGap(filled, from) })
  return (
    <fieldset
      aria-label={part.label || words.bank}
      className="my-3 flex min-w-0 flex-wrap gap-2 rounded-ui border border-hairline bg-page p-3"
      ref={accept(part.id, back)}
    >
      {tiles.map((tile) => {
        const left = tile.uses === null ? null : tile.uses - used(filled, tile.id)
        const name = treeWords(tile.body)
        return (
          <button
            key={tile.id}
            type="button"
            disabled={disabled || left === 0}
            aria-pressed={hand.thing === tile.id}
            {...(disabled || left === 0 ? {} : { ref: carry(part.id, tile.id) })}
            onClick={() => hand.pick(tile.id, name)}
            className="min-h-9 cursor-grab rounded-ui border border-edge bg-paper px-3 font-serif text-question hover:bg-well disabled:cursor-default disabled:border-dashed disabled:text-quiet aria-pressed:border-accent aria-pressed:bg-accent-tint aria-pressed:text-accent"
          >
            <Flat nodes={tile.body} media={media} />
            {tile.uses !== null && tile.uses > 1 ? (
              <span className="ml-2 font-sans text-caption text-quiet">{words.left({ n: left ?? 0 })}</span>
            ) : null}
          </button>
        )
      })}
    </fieldset>
  )
}
