import { type PointerEvent, useState } from 'react'
import { Link } from 'react-router'
import type { Assessment, PrintSettings } from '@/api/assembly'
import { texts } from '@/messages'
import type { PrintedPlace } from './Preview'
import { spaceOf, withSpace } from './spaces'

const words = texts.assembly.printing
const MOST = 400
/** Millimetres of a line of an answer space, and of a page. */
const LINE = 8.5
const HEIGHT = { A4: 297, letter: 279.4 }

const MARK = 'absolute flex h-7 items-center justify-center rounded-ui text-second hover:bg-accent-tint hover:text-accent'
const BADGE =
  'absolute top-full left-0 z-10 whitespace-nowrap rounded-ui border border-hairline bg-paper px-1.5 text-caption text-ink shadow-float'

type Props = {
  assessment: Assessment
  settings: PrintSettings
  places: PrintedPlace[]
  onChange: (settings: PrintSettings) => void
  /** Which handle has the focus; null when it was given up. */
  onHold: (entry: string | null) => void
}

/** Beside each question of a page: a handle that makes its answer space larger or smaller, by dragging or by the arrow keys. */
export function SpaceHandles({ assessment, settings, places, onChange, onHold }: Props) {
  return places.map((place) => {
    const entry = place.entry.split(' ')[0] ?? place.entry
    const facts = assessment.entries[entry]
    const name = texts.paper.print.named({ label: place.label, title: facts?.title || facts?.stem || '' })
    return (
      <span key={place.entry}>
        <Handle name={name} settings={settings} place={place} onChange={onChange} onHold={onHold} />
        <Link
          to={`/assessments/${assessment.id}?entry=${encodeURIComponent(entry)}`}
          aria-label={texts.paper.print.toQuestion({ what: name })}
          title={texts.paper.print.toQuestion({ what: name })}
          className={`${MARK} left-6 w-6`}
          style={{ top: `${place.from * 100}%` }}
        >
          <svg aria-hidden="true" viewBox="0 0 12 12" className="size-3">
            <path d="M8 1h3v3M11 1 6 6M5 2H1v9h9V7" fill="none" stroke="currentColor" strokeWidth="1.4" />
          </svg>
        </Link>
      </span>
    )
  })
}

function Handle({
  name,
  settings,
  place,
  onChange,
  onHold,
}: { name: string; settings: PrintSettings; place: PrintedPlace } & Pick<Props, 'onChange' | 'onHold'>) {
  const [isHeld, setHeld] = useState(false)
  const [begun, setBegun] = useState<{ y: number; lines: number } | null>(null)
  const entry = place.entry.split(' ')[0] ?? place.entry
  const space = spaceOf(settings, entry)
  // what the question has of its own is where a change begins
  const lines = space?.lines ?? place.lines
  const set = (next: number) =>
    onChange(withSpace(settings, entry, { as: space?.as ?? 'lines', lines: Math.min(MOST, Math.max(0, Math.round(next))) }))
  const drag = (event: PointerEvent<HTMLDivElement>) => {
    if (!begun) return
    const page = event.currentTarget.closest<HTMLElement>('[data-page]')?.getBoundingClientRect().height ?? 1
    const moved = ((event.clientY - begun.y) / page) * HEIGHT[settings.paper === 'letter' ? 'letter' : 'A4']
    const next = begun.lines + moved / LINE
    if (Math.round(next) !== lines) set(next)
  }
  const label = words.spaceDrag({ what: name })
  return (
    <div
      role="slider"
      tabIndex={0}
      aria-label={label}
      title={label}
      aria-valuemin={0}
      aria-valuemax={MOST}
      aria-valuenow={lines}
      aria-valuetext={texts.paper.print.lines({ n: lines })}
      data-handle={place.entry}
      onFocus={() => {
        setHeld(true)
        onHold(place.entry)
      }}
      onBlur={(event) => {
        setHeld(false)
        if (event.relatedTarget !== null) onHold(null)
      }}
      aria-orientation="vertical"
      className={`${MARK} left-0 w-6 cursor-ns-resize touch-none`}
      style={{ top: `${place.from * 100}%` }}
      onPointerDown={(event) => {
        event.currentTarget.setPointerCapture(event.pointerId)
        setBegun({ y: event.clientY, lines })
      }}
      onPointerMove={drag}
      onPointerUp={() => setBegun(null)}
      onPointerCancel={() => setBegun(null)}
      onKeyDown={(event) => {
        const by = { ArrowUp: -1, ArrowDown: 1, PageUp: -5, PageDown: 5 }[event.key]
        if (by === undefined) return
        event.preventDefault()
        set(lines + by)
      }}
    >
      <svg aria-hidden="true" viewBox="0 0 10 16" className="h-4 w-2.5">
        <path d="M5 1 9 5H1ZM5 15 1 11h8Z" fill="currentColor" />
      </svg>
      {isHeld ? (
        <span aria-hidden="true" className={BADGE}>
          {texts.paper.print.lines({ n: lines })}
        </span>
      ) : null}
    </div>
  )
}
