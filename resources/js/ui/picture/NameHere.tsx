import { useEffect, useRef } from 'react'
import { control } from '../Field'
import { middle, type Size } from './area'
import type { Naming } from './PictureDesk'
import { isArea, type Thing } from './things'

type Props = { thing: Thing | undefined; size: Size; naming: Naming; onDone: () => void }

/** A field right at what was drawn, so that it is named without leaving the picture. Enter and Escape go back to the drawing. */
export function NameHere({ thing, size, naming, onDone }: Props) {
  const field = useRef<HTMLInputElement>(null)
  useEffect(() => field.current?.focus({ preventScroll: true }), [])
  if (!thing) return null
  const { x, y } = isArea(thing.form) ? middle(thing.form.shape, thing.form.n) : (thing.form.box ?? thing.form.at)
  return (
    <input
      ref={field}
      aria-label={naming.label}
      placeholder={naming.label}
      maxLength={1000}
      className={`${control} absolute w-44 -translate-y-1/2 shadow-float`}
      style={{ left: `clamp(0px, calc(${(x / size.width) * 100}% + 18px), calc(100% - 11rem))`, top: `${(y / size.height) * 100}%` }}
      value={naming.of(thing.id)}
      onChange={(event) => naming.onName(thing.id, event.target.value)}
      onBlur={onDone}
      onKeyDown={(event) => {
        event.stopPropagation()
        if (event.key === 'Enter' || event.key === 'Escape') {
          event.preventDefault()
          onDone()
        }
      }}
    />
  )
}
