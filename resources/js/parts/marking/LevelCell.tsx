import { type KeyboardEvent, memo } from 'react'
import type { RubricLevel } from '@/api/question'
import { dropTarget } from '@/lib/drag'
import { texts } from '@/messages'
import { RemoveButton } from '../RemoveButton'
import { RowText } from '../RowText'
import { Grip } from './CriterionTools'
import { PointsField } from './PointsField'

const words = texts.rubric

export type LevelActions = {
  change: (row: number, column: number, changed: Partial<RubricLevel>, place: string) => void
  remove: (row: number, column: number) => void
  /** Puts the level of that id where this one is. */
  drop: (row: number, id: string, column: number) => void
  over: (place: string | null) => void
  down: (row: number, column: string) => void
  keys: (event: KeyboardEvent, row: number, column: number) => void
}

type Props = {
  level: RubricLevel
  /** The criterion it stays in when it is dragged. */
  of: string
  row: number
  column: number
  called: string
  isOver: boolean
  media: (id: string) => string
  actions: LevelActions
}

/**
 * One level of a criterion: its points, its name, and what an answer shows that reaches it. Rendered again only when it changed itself:
 * a rubric has up to a thousand of them, and every letter typed in one changes the rubric.
 */
export const LevelCell = memo(function LevelCell({ level, of, row, column, called, isOver, media, actions }: Props) {
  const place = `${of} ${level.id}`
  const change = (changed: Partial<RubricLevel>, place: string) => actions.change(row, column, changed, place)
  return (
    <td
      data-column={column}
      className={`border-hairline border-l px-1.5 py-1.5 ${isOver ? 'outline-2 outline-accent -outline-offset-2' : ''}`}
      ref={dropTarget({
        takes: (dragged) => dragged.type === 'level' && dragged.of === of,
        onOver: () => actions.over(place),
        onLeave: () => actions.over(null),
        onDrop: (dragged) => actions.drop(row, String(dragged.id), column),
      })}
      onKeyDown={(event) => actions.keys(event, row, column)}
    >
      <div className="flex items-baseline gap-1 [&>button]:ml-auto">
        <Grip data={{ type: 'level', of, id: level.id }} size={14} className="self-center" />
        <PointsField points={level.points} label={words.pointsOf({ what: called })} onChange={(points) => change({ points }, 'points')} />
        <RemoveButton name={called} onClick={() => actions.remove(row, column)} />
      </div>
      <input
        aria-label={words.nameOf({ what: called })}
        placeholder={words.nameHint}
        maxLength={1000}
        className="min-h-7 w-full bg-transparent px-1 text-caption font-semibold text-ink placeholder:font-normal placeholder:text-quiet"
        value={level.title ?? ''}
        onChange={(event) => change({ title: event.target.value }, 'title')}
      />
      <RowText
        value={level.html}
        label={words.describeOf({ what: called })}
        placeholder={words.describeHint}
        media={media}
        onNext={() => actions.down(row, String(column))}
        onChange={(html) => change({ html }, 'text')}
      />
    </td>
  )
})
