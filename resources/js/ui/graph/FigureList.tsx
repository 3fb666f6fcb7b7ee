import { X } from 'lucide-react'
import { useState } from 'react'
import type { DrawnFigure } from '@/api/graphs'
import { texts } from '@/messages'
import { Button } from '@/ui/Button'
import { control } from '@/ui/Field'
import { type Figure, otherSide, read, text, written } from './graph'

const words = texts.graph

type Change = { isLine: boolean; onChange: (at: number, figure: Figure) => void; onRemove: (at: number) => void }
type Props = Change & { figures: Figure[]; drawn: (DrawnFigure | undefined)[]; disabled?: boolean; tones?: (string | undefined)[] }

/** Each figure in words, to be changed by its numbers or taken away. */
export function FigureList({ figures, drawn, disabled = false, tones = [], ...change }: Props) {
  if (figures.length === 0) return null
  return (
    <ul aria-label={words.list} className="!m-0 flex list-none flex-col !p-0 font-sans text-ui">
      {figures.map((figure, i) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: figures have no other name, and two may be alike
        <Row key={i} figure={figure} drawn={drawn[i]} disabled={disabled} tone={tones[i]} at={i} {...change} />
      ))}
    </ul>
  )
}

function Row({
  figure,
  drawn,
  disabled,
  tone,
  at,
  isLine,
  onChange,
  onRemove,
}: Change & {
  figure: Figure
  drawn: DrawnFigure | undefined
  disabled: boolean
  tone: string | undefined
  at: number
}) {
  const [typed, setTyped] = useState<string | null>(null)
  const said = drawn?.words || words.names[figure.figure] || figure.figure
  const now = figure.expression ?? (figure.coefficients ? figure.coefficients.map(text).join(', ') : written(figure))
  const keep = (value: string) => {
    setTyped(value)
    if (figure.expression !== undefined) return onChange(at, { ...figure, expression: value })
    if (figure.coefficients) return onChange(at, { ...figure, coefficients: value.split(/[,;\s]+/).filter((one) => one !== '') })
    const points = read(value, isLine)
    if (points) onChange(at, { ...figure, points })
  }
  const color = { right: 'text-accent', partly: 'text-attention', wrong: 'text-problem', foreseen: 'text-problem' }[tone ?? ''] ?? ''
  return (
    <li className="flex flex-wrap items-center gap-x-3 gap-y-1 border-hairline border-b py-1">
      <span className={`min-w-40 flex-1 ${color}`}>
        {said}
        {drawn?.problem ? <span className="block text-caption text-problem">{drawn.problem}</span> : null}
      </span>
      {disabled ? null : (
        <>
          {figure.side ? (
            <Button look="quiet" className="!min-h-7 !px-0" onClick={() => onChange(at, otherSide(figure))}>
              {words.otherSide}
            </Button>
          ) : null}
          {figure.dashed === undefined && figure.figure !== 'inequality' ? null : (
            <Button
              look="quiet"
              className="!min-h-7 !px-0"
              aria-pressed={figure.dashed === true}
              onClick={() => onChange(at, { ...figure, dashed: figure.dashed !== true })}
            >
              {words.dashed}
            </Button>
          )}
          {figure.ends?.map((end, i) => (
            <Button
              // biome-ignore lint/suspicious/noArrayIndexKey: the first end and the second
              key={i}
              look="quiet"
              className="!min-h-7 !px-0"
              aria-pressed={end === 'closed'}
              onClick={() =>
                onChange(at, {
                  ...figure,
                  ends: (figure.ends ?? []).map((one, j) => (j === i ? (one === 'closed' ? 'open' : 'closed') : one)),
                })
              }
            >
              {i === 0 ? words.firstIn : words.secondIn}
            </Button>
          ))}
          <input
            aria-label={words.numbersOf({ figure: said })}
            className={`${control} w-44 text-caption`}
            value={typed ?? now}
            onChange={(event) => keep(event.target.value)}
            onBlur={() => setTyped(null)}
            onKeyDown={(event) => {
              if (event.key === 'Enter') event.preventDefault() // it is not handed in by this
            }}
          />
          <Button look="quiet" className="!px-1" aria-label={words.remove({ figure: said })} onClick={() => onRemove(at)}>
            <X size={16} aria-hidden="true" />
          </Button>
        </>
      )}
    </li>
  )
}
