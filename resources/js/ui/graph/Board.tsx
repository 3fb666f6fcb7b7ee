import { type KeyboardEvent, type PointerEvent, useId, useRef, useState } from 'react'
import { texts } from '@/messages'
import { kept, pixelOf, preview, spotAt } from './frame'
import { type Figure, type Ground, type Num, type Spot, value } from './graph'
import { useScratch } from './Scratch'
import type { Drawing } from './useDrawing'

const words = texts.graph
const REACH = 14

type Props = {
  ground: Ground
  drawing: Drawing
  figures: Figure[]
  /** What the core drew of each figure. */
  drawn: (string | undefined)[]
  /** What else is drawn, such as the key. */
  below?: string
  label: string
  disabled: boolean
  zoom: number
  media: (id: string) => string
  say: (words: string) => void
}
type Held = { figure: number; point: number; now: Figure }

/** The grid to draw on: by mouse, finger and pen, and by keys with a crosshair that says where it is. */
export function Board({ ground, drawing, figures, drawn, below, label, disabled, zoom, media, say }: Props) {
  const { frame, background } = ground
  const element = useRef<SVGSVGElement>(null)
  const clip = useId()
  const scratch = useScratch(frame)
  const [cross, setCross] = useState<Spot | null>(null)
  const [held, setHeld] = useState<Held | null>(null)
  const [hover, setHover] = useState<Spot | null>(null)
  const pixelsOf = (spot: Spot): [number, number] => pixelOf(ground, value(spot.x) ?? 0, value(spot.y) ?? 0)
  const at = (event: { clientX: number; clientY: number }) => {
    const box = element.current?.getBoundingClientRect()
    const scale = box && box.width > 0 ? frame.width / box.width : 1
    return { x: (event.clientX - (box?.left ?? 0)) * scale, y: (event.clientY - (box?.top ?? 0)) * scale }
  }
  const put = (spot: Spot) => {
    const figure = drawing.place(spot)
    if (drawing.isFull) say(words.full)
    else if (!figure) say(words.placed({ place: said(spot, ground) }))
  }
  const handles = figures.flatMap((figure, i) =>
    [...(figure.points ?? [])].flatMap((point, j) => {
      const [x, y] = [value(point[0]), ground.y ? value(point[1]) : 0]
      return x === null || y === null ? [] : [{ figure: i, point: j, at: pixelOf(ground, x, y) }]
    }),
  )
  const down = (event: PointerEvent<SVGSVGElement>) => {
    if (disabled || event.button !== 0) return
    const place = at(event)
    const near = handles.find((one) => Math.hypot(one.at[0] - place.x, one.at[1] - place.y) < REACH)
    const figure = near && figures[near.figure]
    if (near && figure && drawing.places.length === 0) {
      event.currentTarget.setPointerCapture(event.pointerId)
      setHeld({ figure: near.figure, point: near.point, now: figure })
    } else put(spotAt(ground, place))
  }
  const move = (event: PointerEvent<SVGSVGElement>) => {
    const spot = spotAt(ground, at(event))
    if (held) setHeld({ ...held, now: moved(held.now, held.point, spot, drawing.isLine) })
    else if (!disabled) setHover(spot)
  }
  const up = () => {
    const figure = held && figures[held.figure]
    if (held && figure && JSON.stringify(figure) !== JSON.stringify(held.now)) drawing.change(held.figure, held.now)
    setHeld(null)
  }
  const keys = (event: KeyboardEvent<SVGSVGElement>) => {
    if (disabled || event.ctrlKey || event.metaKey || event.altKey) return
    const from = cross ?? middle(ground)
    const arrow = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, 1], ArrowDown: [0, -1] }[event.key]
    if (arrow) {
      const spot = stepped(ground, from, arrow as [number, number], event.shiftKey ? 5 : 1)
      setCross(spot)
      say(said(spot, ground))
    } else if (event.key === 'Enter' || event.key === ' ') put(from)
    else if (event.key === 'Backspace' && drawing.places.length > 0) drawing.back()
    else if (event.key === 'Escape' && drawing.places.length > 0) drawing.cancel()
    else return
    event.preventDefault()
    event.stopPropagation()
  }
  const pending: Figure = {
    figure: drawing.tool,
    points: [
      ...drawing.places.slice(0, drawing.tool === 'inequality' ? 2 : undefined),
      ...(hover && drawing.places.length > 0 && drawing.tool !== 'inequality' ? [hover] : []),
    ].map(({ x, y }) => (drawing.isLine ? [x] : [x, y])),
  }
  const [crossX, crossY] = cross ? pixelsOf(cross) : [0, 0]
  return (
    <div className="flex flex-col gap-1">
      {scratch.buttons}
      <div className="max-h-[70vh] overflow-auto rounded-ui border border-hairline bg-white">
        <div
          className="relative mx-auto"
          style={{ width: `${Math.round(frame.width * zoom)}px`, maxWidth: zoom === 1 ? '100%' : undefined }}
        >
          <svg
            ref={element}
            role="application"
            aria-label={`${label} ${words.keysHint}`}
            tabIndex={disabled ? -1 : 0}
            viewBox={`0 0 ${frame.width} ${frame.height}`}
            style={{ touchAction: 'none' }}
            className={`block w-full select-none ${disabled ? '' : 'cursor-crosshair'}`}
            fontFamily="inherit"
            onPointerDown={down}
            onPointerMove={move}
            onPointerUp={up}
            onPointerCancel={() => setHeld(null)}
            onPointerLeave={() => setHover(null)}
            onKeyDown={keys}
            onFocus={(event) => {
              if (event.currentTarget.matches(':focus-visible')) setCross((now) => now ?? middle(ground))
            }}
            onBlur={() => setCross(null)}
          >
            <clipPath id={clip}>
              <rect
                x={frame.left - (ground.y ? 0 : 30)}
                y={ground.y ? frame.top : 0}
                width={frame.right - frame.left + (ground.y ? 0 : 60)}
                height={ground.y ? frame.bottom - frame.top : frame.height}
              />
            </clipPath>
            {background ? (
              <image
                href={media(background.media)}
                x={background.x}
                y={background.y}
                width={background.width}
                height={background.height}
                opacity={background.opacity}
                preserveAspectRatio="none"
              />
            ) : null}
            <Drawn svg={ground.grid} />
            <g clipPath={`url(#${clip})`}>
              <Drawn svg={`${ground.figures}${below ?? ''}`} />
              {figures.map((figure, i) =>
                held?.figure === i ? (
                  <Sketch key={`held ${figure.figure}`} path={preview(ground, held.now)} dashed={held.now.dashed === true} />
                ) : (
                  // biome-ignore lint/suspicious/noArrayIndexKey: figures have no other name, and two may be alike
                  <Shown key={i} svg={drawn[i]} path={preview(ground, figure)} dashed={figure.dashed === true} />
                ),
              )}
              <Sketch path={preview(ground, pending)} dashed={drawing.dashed} />
            </g>
            {disabled
              ? null
              : handles.map((one) => {
                  const [x, y] = held?.figure === one.figure && held.point === one.point ? heldAt(held, ground) : one.at
                  return <circle key={`${one.figure} ${one.point}`} cx={x} cy={y} r={4.5} fill="#fff" stroke="#0e6a5b" strokeWidth={2} />
                })}
            {drawing.places.map((spot) => {
              const [x, y] = pixelsOf(spot)
              return <circle key={`${spot.x} ${spot.y}`} cx={x} cy={y} r={5} fill="#8a5a00" stroke="#fff" strokeWidth={1.5} />
            })}
            {hover && !held && !cross && !disabled ? (
              <circle cx={pixelsOf(hover)[0]} cy={pixelsOf(hover)[1]} r={4} fill="none" stroke="#8a5a00" strokeWidth={1.5} />
            ) : null}
            {cross ? (
              <path d={`M${crossX - 12} ${crossY}h24M${crossX} ${crossY - 12}v24`} stroke="#8a5a00" strokeWidth={2.5} fill="none" />
            ) : null}
          </svg>
          {scratch.layer}
        </div>
      </div>
      {cross ? <p className="font-sans text-caption text-second">{words.keysHint}</p> : null}
    </div>
  )
}

/** What the core drew; it makes no markup but its own. */
function Drawn({ svg }: { svg: string }) {
  // biome-ignore lint/security/noDangerouslySetInnerHtml: drawn by our own core from numbers, with its texts escaped
  return <g dangerouslySetInnerHTML={{ __html: svg }} />
}

/** A figure as the core drew it, or as far as it is known here until then. */
function Shown({ svg, path, dashed }: { svg: string | undefined; path: string; dashed: boolean }) {
  return svg ? <Drawn svg={svg} /> : <Sketch path={path} dashed={dashed} />
}

function Sketch({ path, dashed }: { path: string; dashed: boolean }) {
  return <path d={path} fill="none" stroke="#8a5a00" strokeWidth={2} {...(dashed ? { strokeDasharray: '7 5' } : {})} />
}

/** "(2, 5)", or "2" on a number line. */
export const said = (spot: Spot, ground: Ground): string => (ground.y ? `(${spot.x}, ${spot.y})` : spot.x).replaceAll('-', '−')

function moved(figure: Figure, point: number, { x, y }: Spot, isLine: boolean): Figure {
  const place: Num[] = isLine ? [x] : [x, y]
  return { ...figure, points: (figure.points ?? []).map((one, i) => (i === point ? place : one)) }
}

function heldAt({ now, point }: Held, ground: Ground): [number, number] {
  const place = now.points?.[point]
  return pixelOf(ground, value(place?.[0]) ?? 0, value(place?.[1]) ?? 0)
}

function middle(ground: Ground): Spot {
  const half = (axis: { from: string; to: string } | null | undefined) => (axis ? ((value(axis.from) ?? 0) + (value(axis.to) ?? 0)) / 2 : 0)
  return kept(ground, half(ground.x), half(ground.y))
}

/** One place farther: by the snap, or a tenth of a step where there is none. */
function stepped(ground: Ground, from: Spot, [x, y]: [number, number], times: number): Spot {
  const by = (axis: { step: string } | null | undefined) => value(ground.snap ?? undefined) ?? (value(axis?.step) ?? 1) / 10
  return kept(ground, (value(from.x) ?? 0) + x * times * by(ground.x), (value(from.y) ?? 0) + y * times * by(ground.y))
}
