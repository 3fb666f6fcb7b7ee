import { type Area, drawn } from './area'
import { Outlined, Shape } from './Shape'

/** An area of the key, where it may be seen. */
export function KeyArea({ area, isPartly }: { area: Area; isPartly?: boolean }) {
  const n = drawn(area)
  if (!n) return null
  return (
    <g className="pointer-events-none">
      <Shape shape={area.shape} n={n} className={isPartly ? 'fill-[#8f5c10]/10' : 'fill-[#0e6a5b]/15'} />
      <Outlined shape={area.shape} n={n} tone={isPartly ? 'stroke-[#8f5c10]' : 'stroke-[#0e6a5b]'} {...(isPartly ? { dash: '5 3' } : {})} />
    </g>
  )
}
