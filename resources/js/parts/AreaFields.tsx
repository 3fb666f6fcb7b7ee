import { useState } from 'react'
import { texts } from '@/messages'
import { control } from '@/ui/Field'
import { type Area, boxOf, drawn, fresh, middle, type Place, type ShapeName, type Size, shapes, written } from '@/ui/picture/area'

const words = texts.picture
const names = { rectangle: ['left', 'top', 'right', 'bottom'], circle: ['x', 'y', 'r'], ellipse: ['x', 'y', 'rx', 'ry'] } as const

const shown = (place: Place | undefined): string => (place === undefined ? '' : typeof place === 'string' ? place : `= ${place.expr}`)
const read = (typed: string): Place => (typed.startsWith('= ') ? { expr: typed.slice(2) } : typed.trim())

type Props = { area: Area; size: Size; label: string; onChange: (area: Area) => void }

/** The form of an area and its numbers, typed. */
export function AreaFields({ area, size, label, onChange }: Props) {
  const field = `${control} w-18 text-right`
  return (
    <div className="flex flex-wrap items-center gap-2 text-caption text-second">
      <select
        aria-label={`${words.form}: ${label}`}
        className={control}
        value={area.shape}
        onChange={(event) => onChange(asShape(area, event.target.value as ShapeName, size))}
      >
        {shapes.map((shape) => (
          <option key={shape} value={shape}>
            {words.toolNames[shape]}
          </option>
        ))}
      </select>
      {area.shape === 'polygon' ? (
        <Corners at={area.at} label={`${words.corners}: ${label}`} onChange={(at) => onChange({ ...area, at })} />
      ) : (
        names[area.shape].map((name, i) => (
          <label key={name} className="flex items-center gap-1">
            {words.numbers[name]}
            <input
              inputMode="decimal"
              aria-label={`${words.numbers[name]}: ${label}`}
              className={field}
              maxLength={200}
              value={shown(area.at[i])}
              onChange={(event) =>
                onChange({
                  ...area,
                  at: names[area.shape as 'circle'].map((_, j) => (j === i ? read(event.target.value) : (area.at[j] ?? ''))),
                })
              }
            />
          </label>
        ))
      )}
    </div>
  )
}

/** Corners as people write them: x and y with a comma, corners with a semicolon between. What is typed stays as it is until it is left. */
function Corners({ at, label, onChange }: { at: Place[]; label: string; onChange: (at: Place[]) => void }) {
  const [typed, setTyped] = useState<string | null>(null)
  const pairs: string[] = []
  for (let i = 0; i < at.length; i += 2)
    pairs.push(
      [at[i], at[i + 1]]
        .filter((one) => one !== undefined)
        .map(shown)
        .join(', '),
    )
  return (
    <input
      aria-label={label}
      className={`${control} min-w-64 flex-1`}
      value={typed ?? pairs.join('; ')}
      onChange={(event) => {
        setTyped(event.target.value)
        onChange(
          event.target.value
            .split(/[;,]|(?<=\d)\s+(?=-?\d)/)
            .map((one) => read(one))
            .filter((one) => one !== '')
            .slice(0, 400),
        )
      }}
      onBlur={() => setTyped(null)}
    />
  )
}

/** Another form in about the same place. */
function asShape(area: Area, shape: ShapeName, size: Size): Area {
  const n = drawn(area)
  if (!n) return { shape, at: written(fresh(shape, size, 0)) }
  const box = boxOf(area.shape, n)
  const { x, y } = middle(area.shape, n)
  const [rx, ry] = [(box.right - box.left) / 2, (box.bottom - box.top) / 2]
  const at = {
    circle: [x, y, Math.min(rx, ry)],
    ellipse: [x, y, rx, ry],
    rectangle: [box.left, box.top, box.right, box.bottom],
    polygon: [box.left, box.top, box.right, box.top, box.right, box.bottom, box.left, box.bottom],
  }[shape]
  return { shape, at: written(at.map(Math.round)) }
}
