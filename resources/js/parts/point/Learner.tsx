import { isPositive } from '@/lib/credit'
import { texts } from '@/messages'
import { KeyArea } from '@/ui/picture/KeyArea'
import { type Mark, PlaceMarks } from '@/ui/picture/PlaceMarks'
import type { PartPicture } from '@/ui/picture/picture'
import type { LearnerProps } from '../definePart'
import type { AreaRule } from './areas'

const words = texts.kind.point
type Judged = { x: number; y: number; right: boolean }

/** A picture to put points on. */
export function Learner({ part, response, onChange, disabled, keyOf, result, media }: LearnerProps) {
  const picture = part.settings.picture as PartPicture | null
  const marks = (response?.points as Mark[] | undefined) ?? []
  const max = part.settings.max as number | null
  const label = part.label || words.learner({ max: max ?? 0 })
  const judged = (result?.trace.find((one) => one.step === 'points.judged')?.points ?? []) as Judged[]
  const tone = ([x, y]: Mark) => {
    const found = judged.find((one) => one.x === x && one.y === y)
    return found ? (found.right ? ('right' as const) : ('wrong' as const)) : null
  }
  if (!picture) return <p className="my-3 text-quiet">{texts.picture.noPicture}</p>
  return (
    <fieldset aria-label={label} className="my-3 min-w-0 rounded-ui border border-hairline p-3">
      <PlaceMarks
        picture={picture}
        src={media ? media(picture.media) : ''}
        label={label}
        marks={marks}
        max={max}
        disabled={disabled === true}
        tones={marks.map(tone)}
        onMarks={(points) => onChange({ points })}
      >
        {((keyOf?.key?.rules ?? []) as AreaRule[])
          .filter((rule) => isPositive(rule.credit))
          .map((rule) => (
            <KeyArea key={rule.id} area={rule.on} isPartly={rule.credit !== '1'} />
          ))}
      </PlaceMarks>
    </fieldset>
  )
}
