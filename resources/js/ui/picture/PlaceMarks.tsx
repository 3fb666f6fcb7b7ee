import { X } from 'lucide-react'
import { type KeyboardEvent, type PointerEvent, type ReactNode, useRef, useState } from 'react'
import { texts } from '@/messages'
import { Button } from '../Button'
import type { Spot } from './area'
import { ABOVE, Lens } from './Lens'
import { PictureShown } from './PictureShown'
import { type PartPicture, placeOf } from './picture'
import { useStage } from './useStage'

const words = texts.picture

export type Mark = [number, number]
type Props = {
  picture: PartPicture
  src: string
  label: string
  marks: Mark[]
  max: number | null
  disabled: boolean
  /** Of each mark, once it was judged. */
  tones: ('right' | 'wrong' | null)[]
  onMarks: (marks: Mark[]) => void
  /** The areas of the key, where they may be seen. */
  children?: ReactNode
}

const strokes = { right: 'stroke-[#0e6a5b]', wrong: 'stroke-[#9c2b36]', none: 'stroke-[#1f2528]' }

/** Marks on a picture: by click or touch, moved by dragging; by keys with a crosshair that says where it is. */
export function PlaceMarks({ picture, src, label, marks, max, disabled, tones, onMarks, children }: Props) {
  const stage = useStage(picture)
  const [cross, setCross] = useState<Spot | null>(null)
  const [said, setSaid] = useState('')
  const [touch, setTouch] = useState<Spot | null>(null)
  const drag = useRef<{ i: number; start: Spot; moved: boolean } | null>(null)
  const fine = stage.unit < 0.5 ? 10 : 1
  const at = (event: { clientX: number; clientY: number }, above = 0) => {
    const grid = { width: picture.width * fine, height: picture.height * fine }
    const { x, y } = placeOf(stage.element.current, grid, { clientX: event.clientX, clientY: event.clientY - above })
    return { x: x / fine, y: y / fine }
  }
  const nearest = ({ x, y }: Spot) => {
    let found = -1
    let least = Number.POSITIVE_INFINITY
    for (const [i, mark] of marks.entries()) {
      const far = Math.hypot(mark[0] - x, mark[1] - y)
      if (far < least) [found, least] = [i, far]
    }
    return { i: found, far: least }
  }
  const add = ({ x, y }: Spot) => {
    if (max === 1) onMarks([[x, y]])
    else if (max !== null && marks.length >= max) return setSaid(words.full)
    else onMarks([...marks, [x, y]])
    setSaid(words.marked({ n: max === 1 ? 1 : marks.length + 1, x, y }))
  }
  const remove = (i: number) => {
    onMarks(marks.filter((_, j) => j !== i))
    setSaid(words.taken)
  }
  const down = (event: PointerEvent<SVGSVGElement>) => {
    if (disabled || event.button !== 0) return
    event.currentTarget.setPointerCapture(event.pointerId)
    const place = at(event)
    const near = nearest(place)
    drag.current = { i: near.far < 14 * stage.unit ? near.i : -1, start: place, moved: false }
    if (event.pointerType === 'touch') setTouch(at(event, ABOVE))
  }
  const move = (event: PointerEvent<SVGSVGElement>) => {
    const now = drag.current
    if (!now) return
    const place = at(event)
    now.moved = now.moved || Math.hypot(place.x - now.start.x, place.y - now.start.y) > 4 * stage.unit
    if (event.pointerType === 'touch') setTouch(at(event, ABOVE))
    else if (now.i >= 0 && now.moved) onMarks(marks.map((mark, i) => (i === now.i ? [place.x, place.y] : mark)))
  }
  const up = (event: PointerEvent<SVGSVGElement>) => {
    const now = drag.current
    drag.current = null
    if (!now) return
    if (event.pointerType === 'touch') {
      setTouch(null)
      // a tap marks what was tapped; a finger that stays or moves marks what the glass shows
      const place = now.moved || event.timeStamp - pressed.current > 250 ? at(event, ABOVE) : at(event)
      if (now.i >= 0 && now.moved) onMarks(marks.map((mark, i) => (i === now.i ? [place.x, place.y] : mark)))
      else if (now.i < 0) add(place)
    } else if (now.i < 0) add(at(event))
  }
  const pressed = useRef(0)
  const keys = (event: KeyboardEvent<SVGSVGElement>) => {
    if (disabled) return
    const from = cross ?? { x: Math.round(picture.width / 2), y: Math.round(picture.height / 2) }
    const step = Math.max(1, Math.round(Math.max(picture.width, picture.height) / 200)) * (event.shiftKey ? 10 : 1)
    const arrows: Record<string, [number, number]> = {
      ArrowLeft: [-step, 0],
      ArrowRight: [step, 0],
      ArrowUp: [0, -step],
      ArrowDown: [0, step],
    }
    const arrow = arrows[event.key]
    if (arrow) {
      const x = Math.min(Math.max(from.x + arrow[0], 0), picture.width)
      const y = Math.min(Math.max(from.y + arrow[1], 0), picture.height)
      setCross({ x, y })
      setSaid(words.place({ x, y, width: picture.width, height: picture.height }))
    } else if (event.key === 'Enter' || event.key === ' ') add(from)
    else if (event.key === 'Delete' || event.key === 'Backspace') {
      const { i } = nearest(from)
      if (i >= 0) remove(i)
    } else return
    event.preventDefault()
  }
  const arm = 9 * stage.unit
  return (
    <div>
      <PictureShown
        picture={picture}
        src={src}
        stage={stage}
        svg={{
          role: 'application',
          'aria-label': `${label} ${words.crosshairHint}`,
          tabIndex: disabled ? -1 : 0,
          className: disabled ? '' : 'cursor-crosshair',
          style: { touchAction: 'none' },
          onPointerDown: (event) => {
            pressed.current = event.timeStamp
            down(event)
          },
          onPointerMove: move,
          onPointerUp: up,
          onPointerCancel: () => {
            drag.current = null
            setTouch(null)
          },
          onKeyDown: keys,
          onFocus: (event) => {
            if (event.currentTarget.matches(':focus-visible'))
              setCross((now) => now ?? { x: Math.round(picture.width / 2), y: Math.round(picture.height / 2) })
          },
          onBlur: () => setCross(null),
        }}
        over={touch ? <Lens picture={picture} src={src} at={touch} unit={stage.unit} /> : null}
      >
        {children}
        {marks.map(([x, y], i) => (
          <g key={`${x} ${y}`}>
            {[
              ['stroke-[#fff]', 6],
              [strokes[tones[i] ?? 'none'], 2.5],
            ].map(([stroke, width]) => (
              <path
                key={String(stroke)}
                d={`M${x - arm} ${y - arm}L${x + arm} ${y + arm}M${x + arm} ${y - arm}L${x - arm} ${y + arm}`}
                className={`fill-none ${stroke}`}
                strokeWidth={Number(width)}
                vectorEffect="non-scaling-stroke"
              />
            ))}
          </g>
        ))}
        {cross ? (
          <path
            d={`M0 ${cross.y}H${picture.width}M${cross.x} 0V${picture.height}`}
            className="fill-none stroke-[#33566b]"
            strokeWidth={1.5}
            strokeDasharray="6 4"
            vectorEffect="non-scaling-stroke"
          />
        ) : null}
      </PictureShown>
      <p role="status" className="sr-only">
        {said}
      </p>
      <div className="mt-2 flex flex-wrap items-center gap-2 font-sans text-caption text-second">
        <span>{words.marks({ n: marks.length })}</span>
        {disabled
          ? null
          : marks.map(([x, y], i) => (
              <Button
                key={`${x} ${y}`}
                className="!min-h-7 !px-2 text-caption"
                aria-label={texts.parts.remove({ what: words.marked({ n: i + 1, x, y }) })}
                onClick={() => remove(i)}
              >
                {words.mark({ n: i + 1 })} <X size={12} aria-hidden="true" />
              </Button>
            ))}
        {said === words.full ? <span className="text-attention">{said}</span> : null}
      </div>
    </div>
  )
}
