import type { RubricLevel } from '@/api/question'
import { texts } from '@/messages'
import { RemoveButton } from '../RemoveButton'
import { RowText } from '../RowText'
import { Grip } from './CriterionTools'
import { PointsField } from './PointsField'

const words = texts.rubric

type Props = {
  level: RubricLevel
  called: string
  /** The criterion it stays in when it is dragged. */
  of: string
  media: (id: string) => string
  onChange: (changed: Partial<RubricLevel>, place: string) => void
  onRemove: () => void
  onNext: () => void
}

/** One level of a criterion: its points, its name, and what an answer shows that reaches it. */
export function LevelCell({ level, called, of, media, onChange, onRemove, onNext }: Props) {
  return (
    <>
      <div className="flex items-baseline gap-1">
        <Grip data={{ type: 'level', of, id: level.id }} size={14} className="self-center" />
        <PointsField points={level.points} label={words.pointsOf({ what: called })} onChange={(points) => onChange({ points }, 'points')} />
        <input
          aria-label={words.nameOf({ what: called })}
          placeholder={words.nameHint}
          maxLength={1000}
          className="min-h-7 w-full min-w-0 bg-transparent px-1 text-caption text-ink placeholder:text-quiet"
          value={level.title ?? ''}
          onChange={(event) => onChange({ title: event.target.value }, 'title')}
        />
        <RemoveButton name={called} onClick={onRemove} />
      </div>
      <RowText
        value={level.html}
        label={words.describeOf({ what: called })}
        placeholder={words.describeHint}
        media={media}
        onNext={onNext}
        onChange={(html) => onChange({ html }, 'text')}
      />
    </>
  )
}
