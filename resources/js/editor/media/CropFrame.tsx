import { useRef } from 'react'
import { texts } from '@/messages'
import { Button } from '@/ui/Button'
import { Field } from '@/ui/Field'
import type { View } from '@/ui/pictureView'

const words = texts.rich.picture.crop
const sides = ['left', 'top', 'width', 'height'] as const
type Props = { src: string; size: { width: number; height: number }; view: View | null; onChange: (view: View | null) => void }

/** The part of a picture that is shown: drawn over it with the pointer, or typed in pixels. */
export function CropFrame({ src, size, view, onChange }: Props) {
  const frame = useRef<HTMLDivElement>(null)
  const from = useRef<{ x: number; y: number } | null>(null)
  const whole = { left: 0, top: 0, width: size.width, height: size.height, ofWidth: size.width, ofHeight: size.height }
  const now = view ?? whole
  const bounded = (wanted: View) => {
    const left = clamp(wanted.left, 0, size.width - 1)
    const top = clamp(wanted.top, 0, size.height - 1)
    const next = {
      ...whole,
      left,
      top,
      width: clamp(wanted.width, 1, size.width - left),
      height: clamp(wanted.height, 1, size.height - top),
    }
    onChange(next.width === size.width && next.height === size.height ? null : next)
  }
  const at = (event: React.PointerEvent) => {
    const box = frame.current?.getBoundingClientRect()
    if (!box) return { x: 0, y: 0 }
    return {
      x: clamp(((event.clientX - box.left) / box.width) * size.width, 0, size.width),
      y: clamp(((event.clientY - box.top) / box.height) * size.height, 0, size.height),
    }
  }
  const percent = (part: number, of: number) => `${(part / of) * 100}%`
  return (
    <fieldset className="flex flex-col gap-2">
      <legend className="pb-1 font-semibold">{words.label}</legend>
      <div className="flex justify-center rounded-ui bg-well p-3">
        <div
          ref={frame}
          className="relative cursor-crosshair touch-none select-none overflow-hidden"
          onPointerDown={(event) => {
            event.currentTarget.setPointerCapture(event.pointerId)
            from.current = at(event)
          }}
          onPointerMove={(event) => {
            if (!from.current) return
            const to = at(event)
            const [left, top] = [Math.min(from.current.x, to.x), Math.min(from.current.y, to.y)]
            const [width, height] = [Math.abs(to.x - from.current.x), Math.abs(to.y - from.current.y)]
            if (width > 3 && height > 3) bounded({ ...whole, left, top, width, height })
          }}
          onPointerUp={() => {
            from.current = null
          }}
          onPointerCancel={() => {
            from.current = null
          }}
        >
          <img src={src} alt="" draggable={false} className="block max-h-72 max-w-full" />
          <span
            aria-hidden="true"
            className="pointer-events-none absolute border-2 border-accent shadow-[0_0_0_9999px_rgb(31_37_40/0.45)]"
            style={{
              left: percent(now.left, size.width),
              top: percent(now.top, size.height),
              width: percent(now.width, size.width),
              height: percent(now.height, size.height),
            }}
          />
        </div>
      </div>
      <div className="flex flex-wrap items-end gap-3">
        {sides.map((side) => (
          <Field.Root key={side}>
            <Field.Label>{words[side]}</Field.Label>
            <Field.Text
              type="number"
              min={0}
              max={side === 'left' || side === 'width' ? size.width : size.height}
              step={1}
              className="w-20"
              value={String(now[side])}
              onChange={(event) => bounded({ ...now, [side]: Number(event.target.value) })}
            />
          </Field.Root>
        ))}
        {view ? <Button onClick={() => onChange(null)}>{words.whole}</Button> : null}
      </div>
    </fieldset>
  )
}

const clamp = (value: number, least: number, most: number) => Math.round(Math.min(Math.max(value, least), Math.max(least, most)))
