import { Circle, Copy, Maximize, Minus, MousePointer2, Pentagon, Plus, Square, Tag, Trash2 } from 'lucide-react'
import { type KeyboardEvent, type ReactNode, useRef, useState } from 'react'
import { texts } from '@/messages'
import { Align } from './Align'
import { NameHere } from './NameHere'
import type { PartPicture } from './picture'
import { Outlined } from './Shape'
import { lined } from './snap'
import { ThingShown } from './ThingShown'
import { around, type Form, formBox, formFresh, formShifted, isArea, marksOf, type Thing, type Tool, within } from './things'
import { useGesture } from './useGesture'
import { useStage } from './useStage'

const words = texts.picture
const icons = { select: MousePointer2, rectangle: Square, circle: Circle, ellipse: Circle, polygon: Pentagon, target: Tag }
const ZOOMS = [0.5, 0.75, 1, 1.5, 2, 3, 4, 6]

type Props = {
  picture: PartPicture
  src: string
  label: string
  things: Thing[]
  tools: Exclude<Tool, 'select'>[]
  selected: string[]
  onSelect: (ids: string[]) => void
  onForms: (forms: Map<string, Form>, place: string) => void
  /** Told where it was drawn; made of nothing, by key, it lies in the middle. */
  onAdd: (form: Form, byKey: boolean) => string
  onRemove: (ids: string[]) => void
  onDuplicate: (ids: string[]) => void
  /** What is typed right on the picture once something is drawn. */
  naming: Naming
}

export type Naming = { label: string; of: (id: string) => string; onName: (id: string, name: string) => void }

/** A picture to draw on: areas and targets are drawn, moved, reshaped, lined up; everything also by keys. */
export function PictureDesk(props: Props) {
  const { picture, src, things, selected, onSelect, onForms } = props
  const [tool, setTool] = useState<Tool>('select')
  const [zoom, setZoom] = useState(1)
  const [space, setSpace] = useState(false)
  const [said, setSaid] = useState('')
  const [naming, setNaming] = useState<string | null>(null)
  const { ref, element, unit } = useStage(picture)
  const scroll = useRef<HTMLDivElement>(null)
  const gesture = useGesture({
    stage: element,
    size: picture,
    unit,
    things,
    tool,
    selected,
    onSelect,
    onForms,
    onAdd: (form) => {
      setNaming(props.onAdd(form, false))
      setTool('select')
    },
  })
  const shown = things.map((thing) => {
    const form = gesture.live.get(thing.id)
    return form ? { ...thing, form } : thing
  })
  const marks = marksOf(shown, unit)
  const chosen = things.filter((one) => selected.includes(one.id))
  const stop = chosen[0]?.id ?? things[0]?.id
  const leave = () => {
    if (naming !== null) requestAnimationFrame(() => focus(naming))
    setNaming(null)
  }
  const focus = (id: string) =>
    element.current?.querySelector<SVGElement>(`[data-thing="${CSS.escape(id)}"]`)?.focus({ preventScroll: true })

  const by = (dx: number, dy: number) => {
    if (chosen.length === 0) return
    const [x, y] = within(around(chosen.map((one) => formBox(one.form))), picture, dx, dy)
    const forms = new Map(chosen.map((one) => [one.id, formShifted(one.form, x, y)]))
    onForms(forms, `${selected.join(' ')} keys`)
    const first = forms.get(chosen[0]?.id ?? '')
    if (first) {
      const box = formBox(first)
      setSaid(words.nowAt({ x: Math.round(isArea(first) ? box.left : first.at.x), y: Math.round(isArea(first) ? box.top : first.at.y) }))
    }
  }
  const keys = (event: KeyboardEvent) => {
    if (gesture.corners.length > 0) {
      if (event.key === 'Enter') gesture.closePolygon(gesture.corners)
      else if (event.key === 'Backspace') gesture.setCorners(gesture.corners.slice(0, -1))
      else if (event.key === 'Escape') gesture.cancel()
      else return
      event.preventDefault()
      event.stopPropagation()
      return
    }
    if (event.key === ' ' && !(event.target instanceof SVGElement && event.target.dataset.thing)) {
      event.preventDefault()
      setSpace(true)
      return
    }
    const here = event.target instanceof SVGElement ? event.target.closest<SVGElement>('[data-thing]')?.dataset.thing : undefined
    const step = event.shiftKey ? 10 : 1
    const arrows: Record<string, [number, number]> = {
      ArrowLeft: [-step, 0],
      ArrowRight: [step, 0],
      ArrowUp: [0, -step],
      ArrowDown: [0, step],
    }
    const arrow = arrows[event.key]
    const at = things.findIndex((one) => one.id === here)
    const next = { PageDown: at + 1, PageUp: at - 1, Home: 0, End: things.length - 1 }[event.key]
    if (event.key === 'Escape' && (tool !== 'select' || selected.length > 0)) {
      setTool('select')
      gesture.cancel()
      onSelect([])
    } else if (here === undefined) return
    else if (arrow && !event.altKey) {
      if (!selected.includes(here)) onSelect([here])
      else by(...arrow)
    } else if (event.key === 'Enter' || event.key === ' ')
      onSelect(selected.includes(here) ? selected.filter((id) => id !== here) : event.shiftKey ? [...selected, here] : [here])
    else if (event.key === 'Delete' || event.key === 'Backspace') {
      props.onRemove(selected.includes(here) ? selected : [here])
      const after = things[at + 1] ?? things[at - 1]
      if (after) requestAnimationFrame(() => focus(after.id))
    } else if ((event.ctrlKey || event.metaKey) && event.key.toLowerCase() === 'd')
      props.onDuplicate(selected.includes(here) ? selected : [here])
    else if (event.key === 'F2') setNaming(here)
    else if (next !== undefined) {
      const to = things[Math.min(Math.max(next, 0), things.length - 1)]
      if (to) {
        onSelect([to.id])
        requestAnimationFrame(() => focus(to.id))
      }
    } else return
    event.preventDefault()
    event.stopPropagation()
  }
  const closer = (to: number) => setZoom(ZOOMS[Math.min(Math.max(ZOOMS.indexOf(zoom) + to, 0), ZOOMS.length - 1)] ?? 1)
  const button =
    'inline-flex min-h-8 min-w-8 items-center justify-center gap-1.5 rounded-ui px-1.5 text-second hover:bg-well aria-pressed:bg-accent-tint aria-pressed:text-accent aria-disabled:opacity-45'
  const bar = (name: string, icon: ReactNode, press: () => void, off = false) => (
    <button type="button" aria-label={name} title={name} aria-disabled={off} className={button} onClick={() => (off ? undefined : press())}>
      {icon}
    </button>
  )
  return (
    // biome-ignore lint/a11y/noStaticElementInteractions: keys of the things inside come up to here
    <div onKeyDown={keys} onKeyUp={(event) => (event.key === ' ' ? setSpace(false) : undefined)}>
      <div role="toolbar" aria-label={words.tools} className="flex flex-wrap items-center gap-0.5 border-hairline border-b px-2 py-1">
        {(['select', ...props.tools] as Tool[]).map((one) => {
          const Icon = icons[one]
          return (
            <button
              key={one}
              type="button"
              aria-pressed={tool === one}
              title={words.hints[one]}
              className={button}
              onClick={(event) => {
                // pressed by key it cannot be drawn: it is put into the middle, to be moved by keys
                if (one !== 'select' && event.detail === 0) props.onAdd(formFresh(one, picture, things.length), true)
                else {
                  gesture.cancel()
                  setTool(one)
                }
              }}
            >
              <Icon size={16} aria-hidden="true" className={one === 'ellipse' ? 'scale-y-70' : ''} />
              <span className="max-sm:sr-only">{words.toolNames[one]}</span>
            </button>
          )
        })}
        <span className="mx-1 h-5 border-hairline border-l" />
        {bar(words.duplicate, <Copy size={16} aria-hidden="true" />, () => props.onDuplicate(selected), chosen.length === 0)}
        {bar(words.remove, <Trash2 size={16} aria-hidden="true" />, () => props.onRemove(selected), chosen.length === 0)}
        <Align
          count={chosen.length}
          className={button}
          onAlign={(how) => {
            const moves = lined(
              chosen.map((one) => formBox(one.form)),
              how,
            )
            onForms(
              new Map(
                chosen.map((one, i) => [one.id, formShifted(one.form, Math.round(moves[i]?.dx ?? 0), Math.round(moves[i]?.dy ?? 0))]),
              ),
              '',
            )
          }}
        />
        <span className="mx-1 h-5 border-hairline border-l" />
        {bar(words.smaller, <Minus size={16} aria-hidden="true" />, () => closer(-1), zoom === ZOOMS[0])}
        <span className="w-12 text-center text-caption text-second">{words.zoom({ n: zoom })}</span>
        {bar(words.larger, <Plus size={16} aria-hidden="true" />, () => closer(1), zoom === ZOOMS.at(-1))}
        {bar(words.fit, <Maximize size={16} aria-hidden="true" />, () => setZoom(1), zoom === 1)}
      </div>
      <div
        ref={scroll}
        data-scroll=""
        className="max-h-[62vh] overflow-auto bg-well p-3"
        onWheel={(event) => {
          if (event.ctrlKey || event.metaKey) closer(event.deltaY < 0 ? 1 : -1)
        }}
      >
        <div
          className="relative mx-auto"
          style={{
            width: `calc(min(100%, ${Math.max(picture.width, 480)}px, ${((56 * picture.width) / picture.height).toFixed(2)}vh) * ${zoom})`,
            aspectRatio: `${picture.width} / ${picture.height}`,
          }}
        >
          <img src={src} alt={picture.alt} draggable={false} className="absolute inset-0 size-full select-none bg-[#fff]" />
          {/* biome-ignore lint/a11y/useSemanticElements: a drawing cannot be a fieldset */}
          <svg
            ref={ref}
            tabIndex={-1}
            role="group"
            aria-label={props.label}
            viewBox={`0 0 ${picture.width} ${picture.height}`}
            className={`absolute inset-0 size-full overflow-visible ${space ? 'cursor-grab' : tool === 'select' ? '' : 'cursor-crosshair'}`}
            style={{ touchAction: tool === 'select' ? 'manipulation' : 'none' }}
            onPointerDown={(event) => {
              // keys go to what is drawn; a thing takes the focus itself
              if (event.target instanceof Element && (tool !== 'select' || !event.target.closest('[data-thing]')))
                event.currentTarget.focus({ preventScroll: true })
              gesture.on.begin(event, space)
            }}
            onPointerMove={gesture.on.move}
            onPointerUp={gesture.on.end}
            onPointerCancel={gesture.cancel}
            onDoubleClick={(event) => {
              if (gesture.corners.length > 0) gesture.closePolygon(gesture.corners)
              else if (tool === 'select' && event.target instanceof Element)
                setNaming(event.target.closest<SVGElement>('[data-thing]')?.dataset.thing ?? null)
            }}
          >
            {/* the first is tried first, so it lies on top */}
            {[...shown].reverse().map((thing) => (
              <ThingShown
                key={thing.id}
                thing={thing}
                mark={marks.get(thing.id) ?? { x: 0, y: 0 }}
                unit={unit}
                selected={selected.includes(thing.id)}
                isStop={thing.id === stop}
                label={words.thing({
                  n: thing.number,
                  name: thing.name === '' ? 'no' : thing.name,
                  kind: isArea(thing.form) ? thing.form.shape : 'target',
                })}
              />
            ))}
            {gesture.made && isArea(gesture.made) ? (
              <Outlined shape={gesture.made.shape} n={gesture.made.n} tone="stroke-[#0e6a5b]" dash="6 3" />
            ) : null}
            {gesture.made && !isArea(gesture.made) && gesture.made.box ? (
              <line
                x1={gesture.made.at.x}
                y1={gesture.made.at.y}
                x2={gesture.made.box.x}
                y2={gesture.made.box.y}
                className="stroke-[#0e6a5b]"
                strokeWidth={2}
                vectorEffect="non-scaling-stroke"
              />
            ) : null}
            {gesture.corners.length > 0 ? (
              <>
                <polyline
                  points={gesture.corners.map(({ x, y }) => `${x},${y}`).join(' ')}
                  className="fill-none stroke-[#0e6a5b]"
                  strokeWidth={2}
                  vectorEffect="non-scaling-stroke"
                />
                {gesture.corners.map(({ x, y }, i) => (
                  <circle
                    key={`${x} ${y}`}
                    cx={x}
                    cy={y}
                    r={(i === 0 ? 6 : 4) * unit}
                    className="fill-[#fff] stroke-[#0e6a5b]"
                    strokeWidth={1.5 * unit}
                  />
                ))}
              </>
            ) : null}
            {gesture.guides.map((guide) => (
              <line
                key={'x' in guide ? `x${guide.x}` : `y${guide.y}`}
                {...('x' in guide
                  ? { x1: guide.x, x2: guide.x, y1: 0, y2: picture.height }
                  : { y1: guide.y, y2: guide.y, x1: 0, x2: picture.width })}
                className="stroke-[#9c2b36]"
                strokeWidth={1}
                strokeDasharray="4 3"
                vectorEffect="non-scaling-stroke"
              />
            ))}
            {gesture.frame ? (
              <rect
                x={Math.min(gesture.frame.from.x, gesture.frame.to.x)}
                y={Math.min(gesture.frame.from.y, gesture.frame.to.y)}
                width={Math.abs(gesture.frame.to.x - gesture.frame.from.x)}
                height={Math.abs(gesture.frame.to.y - gesture.frame.from.y)}
                className="fill-[#33566b]/10 stroke-[#33566b]"
                strokeWidth={1}
                vectorEffect="non-scaling-stroke"
              />
            ) : null}
          </svg>
          <NameHere key={naming} thing={things.find((one) => one.id === naming)} size={picture} naming={props.naming} onDone={leave} />
        </div>
      </div>
      <p role="status" className="sr-only">
        {said}
      </p>
      <p className="border-hairline border-b px-3 py-1 text-caption text-quiet">
        {gesture.corners.length > 0 ? words.polygonHint : tool === 'select' ? words.keysHint : words.hints[tool]}
      </p>
    </div>
  )
}
