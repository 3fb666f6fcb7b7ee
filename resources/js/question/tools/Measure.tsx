import { type PointerEvent, useRef, useState } from 'react'
import { texts } from '@/messages'
import { along, angleTo, byKey, CENTIMETRE, type Laid, turned } from './measuring'

const words = texts.tools.measure
const LONG = 12
const RADIUS = 150
const INK = '#2c2a26'

type Held = { what: 'body' | 'turn' | 'mark'; dx: number; dy: number }

/** A ruler with a mark that is pushed along it, or a protractor with an arm, laid over the question. */
export function Measure({ kind }: { kind: 'ruler' | 'protractor' }) {
  const isRuler = kind === 'ruler'
  const area = useRef<HTMLDivElement>(null)
  const held = useRef<Held | null>(null)
  const [laid, setLaid] = useState<Laid>({ x: 220, y: 240, turn: 0, mark: isRuler ? 5 : 60 })
  const [most, step] = isRuler ? [LONG, 0.1] : [180, 1]
  const place = (event: PointerEvent) => {
    const box = area.current?.getBoundingClientRect()
    return { x: event.clientX - (box?.left ?? 0), y: event.clientY - (box?.top ?? 0) }
  }
  const hold = (what: Held['what']) => (event: PointerEvent<SVGElement>) => {
    event.stopPropagation()
    event.preventDefault()
    event.currentTarget.setPointerCapture(event.pointerId)
    const at = place(event)
    held.current = { what, dx: laid.x - at.x, dy: laid.y - at.y }
  }
  const move = (event: PointerEvent<SVGElement>) => {
    const now = held.current
    if (!now) return
    const at = place(event)
    if (now.what === 'body') setLaid({ ...laid, x: at.x + now.dx, y: at.y + now.dy })
    else if (now.what === 'turn') setLaid({ ...laid, turn: turned(angleTo(laid, at)) })
    else if (isRuler) setLaid({ ...laid, mark: within(Math.round((along(laid, at) / CENTIMETRE + LONG / 2) * 10) / 10, most) })
    else setLaid({ ...laid, mark: within((angleTo(laid, at) - laid.turn + 360) % 360, most) })
  }
  const grip = (what: Held['what']) => ({
    onPointerDown: hold(what),
    onPointerMove: move,
    onPointerUp: () => {
      held.current = null
    },
  })
  const reading = isRuler ? words.length({ n: laid.mark.toFixed(1), turn: laid.turn }) : words.angle({ n: laid.mark, turn: laid.turn })
  return (
    <>
      <p role="status" className="text-caption">
        {reading}
      </p>
      <div ref={area} className="pointer-events-none absolute inset-0 z-20 overflow-hidden">
        <svg
          role="application"
          // biome-ignore lint/a11y/noNoninteractiveTabindex: it is moved, turned and set by keys
          tabIndex={0}
          aria-label={`${isRuler ? words.ruler : words.protractor} ${words.keys}`}
          width={isRuler ? LONG * CENTIMETRE + 60 : 2 * RADIUS + 40}
          height={isRuler ? 60 : RADIUS + 50}
          className="pointer-events-auto absolute cursor-move"
          style={{
            left: laid.x,
            top: laid.y,
            transform: `translate(-50%, ${isRuler ? '-50%' : `-${RADIUS + 20}px`}) rotate(${-laid.turn}deg)`,
            transformOrigin: isRuler ? 'center' : `50% ${RADIUS + 20}px`,
            touchAction: 'none',
          }}
          {...grip('body')}
          onKeyDown={(event) => {
            const next = byKey(laid, event.key, event.shiftKey, most, step)
            if (!next) return
            event.preventDefault()
            setLaid({ ...next, mark: Math.round(next.mark * 10) / 10 })
          }}
        >
          {isRuler ? <Ruler mark={laid.mark} grip={grip('mark')} turn={grip('turn')} /> : null}
          {isRuler ? null : <Protractor arm={laid.mark} grip={grip('mark')} turn={grip('turn')} />}
        </svg>
      </div>
    </>
  )
}

const within = (value: number, most: number) => Math.min(most, Math.max(0, value))
type Grip = {
  onPointerDown: (event: PointerEvent<SVGElement>) => void
  onPointerMove: (event: PointerEvent<SVGElement>) => void
  onPointerUp: () => void
}

function Ruler({ mark, grip, turn }: { mark: number; grip: Grip; turn: Grip }) {
  const at = (value: number) => 30 + value * CENTIMETRE
  return (
    <>
      <rect x={20} y={8} width={LONG * CENTIMETRE + 20} height={44} rx={3} fill="#fff8e6" fillOpacity={0.88} stroke={INK} />
      {Array.from({ length: LONG * 10 + 1 }, (_, i) => i).map((i) => (
        <path
          key={i}
          d={`M${at(i / 10)} 8v${i % 10 === 0 ? 16 : i % 5 === 0 ? 11 : 7}`}
          stroke={INK}
          strokeWidth={i % 10 === 0 ? 1.25 : 0.75}
        />
      ))}
      {Array.from({ length: LONG + 1 }, (_, i) => i).map((i) => (
        <text key={i} x={at(i)} y={37} textAnchor="middle" fontSize={11} fill={INK}>
          {i}
        </text>
      ))}
      <path d={`M${at(mark)} 8l-6 -8h12z`} fill="#8a5a00" className="cursor-ew-resize" {...grip} />
      <path d={`M${at(mark)} 8v44`} stroke="#8a5a00" strokeWidth={1.5} className="cursor-ew-resize" {...grip} />
      <circle cx={LONG * CENTIMETRE + 48} cy={30} r={10} fill="#fff" stroke={INK} className="cursor-grab" {...turn} />
    </>
  )
}

function Protractor({ arm, grip, turn }: { arm: number; grip: Grip; turn: Grip }) {
  const [x, y] = [RADIUS + 20, RADIUS + 20]
  const to = (degrees: number, radius: number): [number, number] => [
    x + radius * Math.cos((degrees * Math.PI) / 180),
    y - radius * Math.sin((degrees * Math.PI) / 180),
  ]
  const [armX, armY] = to(arm, RADIUS + 12)
  return (
    <>
      <path d={`M${x - RADIUS} ${y}a${RADIUS} ${RADIUS} 0 0 1 ${2 * RADIUS} 0z`} fill="#fff8e6" fillOpacity={0.8} stroke={INK} />
      {Array.from({ length: 181 }, (_, i) => i).map((i) => {
        const [a, b] = [to(i, RADIUS), to(i, RADIUS - (i % 10 === 0 ? 14 : i % 5 === 0 ? 10 : 6))]
        return <path key={i} d={`M${a[0]} ${a[1]}L${b[0]} ${b[1]}`} stroke={INK} strokeWidth={i % 10 === 0 ? 1.25 : 0.6} />
      })}
      {Array.from({ length: 19 }, (_, i) => i * 10).map((i) => {
        const [tx, ty] = to(i, RADIUS - 24)
        return (
          <text key={i} x={tx} y={ty + 4} textAnchor="middle" fontSize={10} fill={INK}>
            {i}
          </text>
        )
      })}
      <path d={`M${x} ${y}L${armX} ${armY}`} stroke="#8a5a00" strokeWidth={2} />
      <circle cx={armX} cy={armY} r={9} fill="#8a5a00" className="cursor-grab" {...grip} />
      <circle cx={x + RADIUS - 14} cy={y + 16} r={10} fill="#fff" stroke={INK} className="cursor-grab" {...turn} />
      <circle cx={x} cy={y} r={3} fill={INK} />
    </>
  )
}
