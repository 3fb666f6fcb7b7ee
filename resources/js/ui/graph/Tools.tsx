import { useId, useState } from 'react'
import { texts } from '@/messages'
import { Button } from '@/ui/Button'
import { control } from '@/ui/Field'
import { type AxisShown, type Figure, isTyped, read, type Spot, sideOf, text } from './graph'
import type { Drawing } from './useDrawing'

const words = texts.graph

type Props = {
  tools: string[]
  /** Whether lines may be dashed. */
  dashes: boolean
  drawing: Drawing
  axis: AxisShown
  zoom: number
  onZoom: (zoom: number) => void
}

/** What can be drawn, what the next place is, and places typed instead of put down. */
export function Tools({ tools, dashes, drawing, axis, zoom, onZoom }: Props) {
  const { tool, places } = drawing
  const name = useId()
  const steps = words.steps
  const next = steps[`${tool}-${places.length + 1}`] ?? steps[tool] ?? ''
  return (
    <div className="flex flex-col gap-2 font-sans">
      <fieldset className="flex flex-wrap gap-1 text-ui">
        <legend className="sr-only">{words.tools}</legend>
        {tools.map((one) => (
          <label
            key={one}
            className={`inline-flex min-h-8 cursor-pointer items-center rounded-ui border px-2.5 focus-within:outline-2 focus-within:outline-accent ${
              one === tool ? 'border-accent bg-accent-tint font-semibold text-accent' : 'border-edge bg-paper hover:bg-well'
            }`}
          >
            <input type="radio" name={name} className="sr-only" checked={one === tool} onChange={() => drawing.pick(one)} />
            {words.names[one] ?? one}
          </label>
        ))}
      </fieldset>
      <div className="flex flex-wrap items-center gap-x-4 gap-y-1 text-caption">
        {isTyped(tool) ? null : <span className="text-second">{drawing.isFull ? words.full : words.next({ what: next })}</span>}
        {dashes || tool === 'inequality' ? (
          <label className="flex items-center gap-1.5">
            <input
              type="checkbox"
              className="accent-accent"
              checked={drawing.dashed}
              onChange={(event) => drawing.setDashed(event.target.checked)}
            />
            {words.dashed}
          </label>
        ) : null}
        {tool === 'interval' || tool === 'number_ray'
          ? drawing.ends.slice(0, tool === 'interval' ? 2 : 1).map((end, i) => (
              // biome-ignore lint/suspicious/noArrayIndexKey: the first end and the second
              <label key={i} className="flex items-center gap-1.5">
                <input
                  type="checkbox"
                  className="accent-accent"
                  checked={end === 'closed'}
                  onChange={(event) =>
                    drawing.setEnds(drawing.ends.map((one, j) => (j === i ? (event.target.checked ? 'closed' : 'open') : one)))
                  }
                />
                {i === 0 ? words.firstIn : words.secondIn}
              </label>
            ))
          : null}
        {drawing.canFinish ? (
          <Button look="quiet" className="!min-h-7 !px-0" onClick={() => drawing.finish()}>
            {words.finish}
          </Button>
        ) : null}
        <span className="ml-auto flex gap-3">
          <Button look="quiet" className="!min-h-7 !px-0" aria-disabled={!drawing.canUndo} onClick={drawing.undo}>
            {words.undo}
          </Button>
          <Button look="quiet" className="!min-h-7 !px-0" onClick={drawing.clear}>
            {words.clear}
          </Button>
          <Button look="quiet" className="!min-h-7 !px-0" aria-disabled={zoom >= 3} onClick={() => onZoom(Math.min(3, zoom + 0.5))}>
            {words.larger}
          </Button>
          <Button look="quiet" className="!min-h-7 !px-0" aria-disabled={zoom <= 1} onClick={() => onZoom(Math.max(1, zoom - 0.5))}>
            {words.smaller}
          </Button>
        </span>
      </div>
      {isTyped(tool) ? null : <Place drawing={drawing} />}
      {isTyped(tool) || tool === 'inequality' ? <Typed tool={tool} axis={axis} style={drawing.style} onAdd={drawing.add} /> : null}
    </div>
  )
}

/** A place by its coordinates. */
function Place({ drawing }: { drawing: Drawing }) {
  const [typed, setTyped] = useState('')
  const [wrong, setWrong] = useState(false)
  const put = () => {
    const found = read(typed.includes('(') || drawing.isLine ? typed : `(${typed})`, drawing.isLine)
    setWrong(found === null)
    if (!found) return
    for (const place of found) drawing.place({ x: text(place[0]), y: drawing.isLine ? '0' : text(place[1]) } satisfies Spot)
    setTyped('')
  }
  return (
    <div className="flex flex-wrap items-center gap-2 text-caption">
      <label className="flex items-center gap-2">
        {words.type}
        <input
          className={`${control} w-32`}
          placeholder={drawing.isLine ? '3' : '2, 5'}
          aria-invalid={wrong || undefined}
          value={typed}
          onChange={(event) => setTyped(event.target.value)}
          onKeyDown={(event) => {
            if (event.key !== 'Enter') return
            event.preventDefault()
            put()
          }}
        />
      </label>
      <Button look="quiet" className="!min-h-7 !px-0" onClick={put}>
        {words.put}
      </Button>
      {wrong ? <span className="text-problem">{drawing.isLine ? words.notNumber : words.notPlace}</span> : null}
    </div>
  )
}

type TypedProps = { tool: string; axis: AxisShown; style: boolean | null; onAdd: (figure: Figure) => void }

/** A function or the boundary of an inequality by its formula, a conic by its coefficients. */
function Typed({ tool, axis, style, onAdd }: TypedProps) {
  const [typed, setTyped] = useState('')
  const [from, setFrom] = useState('')
  const [to, setTo] = useState('')
  const [above, setAbove] = useState(true)
  const add = () => {
    if (typed.trim() === '') return
    const dashed = style === null ? {} : { dashed: style }
    const domain = from.trim() || to.trim() ? { domain: [from.trim() || axis.from, to.trim() || axis.to] } : {}
    if (tool === 'function') onAdd({ figure: tool, expression: typed.trim(), ...domain, ...dashed })
    else if (tool === 'inequality') onAdd({ figure: tool, expression: typed.trim(), side: sideOf(axis, above), ...dashed })
    else onAdd({ figure: tool, coefficients: typed.split(/[,;\s]+/).filter((one) => one !== ''), ...dashed })
    setTyped('')
  }
  const field = (label: string, value: string, set: (value: string) => void, width: string) => (
    <label className="flex items-center gap-2">
      {label}
      <input
        className={`${control} ${width}`}
        value={value}
        onChange={(event) => set(event.target.value)}
        onKeyDown={(event) => {
          if (event.key !== 'Enter') return
          event.preventDefault()
          add()
        }}
      />
    </label>
  )
  return (
    <div className="flex flex-wrap items-center gap-2 text-caption">
      {field({ function: words.formula, inequality: words.boundary }[tool] ?? words.coefficients, typed, setTyped, 'w-48')}
      {tool === 'function' ? field(words.from, from, setFrom, 'w-16') : null}
      {tool === 'function' ? field(words.to, to, setTo, 'w-16') : null}
      {tool === 'inequality' ? (
        <select
          aria-label={words.side}
          className={control}
          value={above ? 'above' : 'below'}
          onChange={(event) => setAbove(event.target.value === 'above')}
        >
          <option value="above">{words.above}</option>
          <option value="below">{words.below}</option>
        </select>
      ) : null}
      <Button look="quiet" className="!min-h-7 !px-0" onClick={add}>
        {words.draw}
      </Button>
    </div>
  )
}
