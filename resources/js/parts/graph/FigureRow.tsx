import type { DrawnFigure } from '@/api/graphs'
import { texts } from '@/messages'
import { FigureList } from '@/ui/graph/FigureList'
import type { Figure } from '@/ui/graph/graph'
import { Gap, Sentence } from '@/ui/Sentence'
import { Credit } from '../Credit'
import { RemoveButton } from '../RemoveButton'
import { RuleFeedback } from '../RuleFeedback'
import { Asks } from './Asks'
import { type FigureRule, figuresOf } from './rules'

const words = texts.kind.graph

type Props = {
  rule: FigureRule
  number: number
  surface: string
  drawn: DrawnFigure | undefined
  /** Its figures as they are drawn. */
  figures: DrawnFigure[]
  wrong: string | undefined
  onChange: (changed: Partial<FigureRule>, place: string) => void
  onRemove: () => void
}

/** An answer in words: what it earns, how exact it must be, what parts of it earn alone, and what it says. */
export function FigureRow({ rule, number, surface, drawn, figures, wrong, onChange, onRemove }: Props) {
  const label = words.answerN({ n: number })
  const { on } = rule
  const shares = Object.fromEntries((on.properties ?? []).map((one) => [one.property, one.credit]))
  const share = (property: string, credit: string) => {
    const others = (on.properties ?? []).filter((one) => one.property !== property)
    const { properties: _, ...rest } = on
    const properties = credit === '0' ? others : [...others, { property, credit }]
    onChange({ on: properties.length > 0 ? { ...rest, properties } : rest }, `share ${property}`)
  }
  const put = (next: Figure[]) => onChange({ on: on.figures ? { ...on, figures: next } : { ...on, figure: next[0] as Figure } }, 'figure')
  return (
    <li className={`border-hairline border-t px-3 py-2 ${rule.credit === '1' ? 'bg-accent-tint' : ''}`}>
      <div className="flex items-start gap-2">
        <Sentence>
          <span className="font-semibold">{number}.</span>
          {on.asks ? (
            <Asks asks={on.asks} label={label} surface={surface} onChange={(asks) => onChange({ on: { ...on, asks } }, 'asks')} />
          ) : (
            <span className="basis-full">
              <FigureList
                figures={figuresOf(rule)}
                drawn={figures}
                isLine={surface === 'line'}
                onChange={(at, figure) => put(figuresOf(rule).map((one, i) => (i === at ? figure : one)))}
                onRemove={(at) => (figuresOf(rule).length > 1 ? put(figuresOf(rule).filter((_, i) => i !== at)) : onRemove())}
              />
            </span>
          )}
          <span>{texts.parts.earns}</span>
          <Credit value={rule.credit} label={label} onChange={(credit) => onChange({ credit }, 'credit')} />
        </Sentence>
        <RemoveButton name={label} onClick={onRemove} />
      </div>
      <div className="flex flex-wrap items-baseline gap-x-4 gap-y-1 text-caption">
        <span className="flex items-baseline gap-1.5">
          {words.tolerance}
          <Gap
            aria-label={`${label}: ${words.tolerance}`}
            value={on.tolerance ?? '0'}
            onChange={(event) => onChange({ on: { ...on, tolerance: event.target.value } }, 'tolerance')}
          />
          {words.steps}
        </span>
        {on.figure?.figure === 'vector' ? (
          <label className="flex items-center gap-1.5">
            <input
              type="checkbox"
              className="accent-accent"
              checked={on.figure.free === true}
              onChange={(event) => put([{ ...(on.figure as Figure), free: event.target.checked }])}
            />
            {words.anywhere}
          </label>
        ) : null}
        {sharesOf(rule).map((property) => (
          <span key={property} className="flex items-baseline gap-1">
            {words.share({ property })}
            <Credit
              value={shares[property] ?? '0'}
              label={`${label}: ${words.share({ property })}`}
              onChange={(credit) => share(property, credit)}
            />
          </span>
        ))}
      </div>
      {drawn?.problem ? <p className="text-caption text-problem">{drawn.problem}</p> : null}
      <RuleFeedback
        value={rule.feedback}
        label={`${texts.parts.feedback}: ${label}`}
        wrong={drawn?.problem ? undefined : wrong}
        onChange={(feedback) => onChange({ feedback }, 'feedback')}
      />
    </li>
  )
}

/** What of a figure can be right by itself. */
function sharesOf({ on }: FigureRule): string[] {
  if (on.figures || on.figure?.figure === 'inequality') return ['position', 'dashed', 'side']
  if (on.figure?.ends) return ['position', 'ends']
  return on.figure?.dashed === undefined ? [] : ['position', 'dashed']
}
