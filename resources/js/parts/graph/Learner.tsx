import { texts } from '@/messages'
import { Draw } from '@/ui/graph/Draw'
import { type Figure, isGround, type ShownGraph } from '@/ui/graph/graph'
import { useDrawn } from '@/ui/graph/useDrawn'
import type { LearnerProps } from '../definePart'

const words = texts.kind.graph

/** A grid or number line to draw on. */
export function Learner({ part, response, onChange, disabled, keyOf, result, media }: LearnerProps) {
  const shown = part.settings as unknown as ShownGraph
  const figures = (response?.figures as Figure[] | undefined) ?? []
  const rules = (keyOf?.key?.rules ?? []).filter((rule) => rule.credit !== '0')
  const wanted = rules.map((rule) => rule.on)
  const drawn = useDrawn({ settings: surfaceOf(shown), figures, wanted, language: 'en' })
  if (!isGround(shown)) return <p className="my-3 text-quiet">{shown.problem}</p>
  const judged = (result?.trace ?? []).filter((one) => one.step === 'figure.judged')
  const tone = (said: string | undefined) => {
    const found = judged.find((one) => said && String(one.figure).includes(said))
    return found ? String(found.verdict) : undefined
  }
  // what lies behind the grid and what is drawn on it from the start
  const seen = [...(shown.background?.alt ? [shown.background.alt] : []), ...(shown.given ?? [])]
  const label = part.label || words.learner({ surface: shown.surface })
  return (
    <fieldset aria-label={label} className="my-3 min-w-0 rounded-ui border border-hairline p-3">
      {seen.length > 0 ? <p className="sr-only">{seen.join('; ')}</p> : null}
      <Draw
        ground={shown}
        figures={figures}
        drawn={drawn?.figures ?? []}
        below={keyOf ? (drawn?.wanted ?? []).map((one) => `<g opacity=".55">${one.svg}</g>`).join('') : ''}
        label={label}
        tones={figures.map((_, i) => tone(drawn?.figures[i]?.words))}
        disabled={disabled === true}
        media={media ?? ((id) => id)}
        onFigures={(next) => onChange({ figures: next })}
      />
    </fieldset>
  )
}

/** As much of the settings as figures are drawn by. */
function surfaceOf({ surface, x, y }: ShownGraph) {
  return { surface, ...(x ? { x: axis(x) } : {}), ...(y ? { y: axis(y) } : {}) }
}
const axis = ({ from, to, step }: { from: string; to: string; step: string }) => ({ from, to, step })
