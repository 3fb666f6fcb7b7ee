import { memo } from 'react'
import { handlesOf } from './area'
import { Mark } from './Mark'
import { Outlined, Shape } from './Shape'
import { isArea, type Thing } from './things'

const tones = { right: 'stroke-[#0e6a5b]', partly: 'stroke-[#8f5c10]', plain: 'stroke-[#1f2528]' }
const fills = { right: 'fill-[#0e6a5b]/15', partly: 'fill-[#8f5c10]/15', plain: 'fill-[#fff]/10' }

/** The mark's place in numbers: an object would be another at every move of the pointer, and all things would be drawn again. */
type Props = { thing: Thing; markX: number; markY: number; unit: number; selected: boolean; label: string; isStop: boolean }

/** One thing on the picture. What it listens to is told by its data, so that a hundred of them need no listeners of their own. */
export const ThingShown = memo(function ThingShown({ thing, markX, markY, unit, selected, label, isStop }: Props) {
  const { form } = thing
  const common = {
    'data-thing': thing.id,
    role: 'button',
    'aria-pressed': selected,
    'aria-label': label,
    tabIndex: isStop ? 0 : -1,
    className: 'cursor-move outline-none [&:focus-visible>.ring]:opacity-100',
    style: { touchAction: 'none' as const },
  }
  if (isArea(form))
    return (
      <g {...common}>
        <Shape
          shape={form.shape}
          n={form.n}
          className="ring fill-none stroke-[#33566b] opacity-0"
          strokeWidth={8}
          vectorEffect="non-scaling-stroke"
        />
        <Shape shape={form.shape} n={form.n} className={fills[thing.tone]} />
        <Outlined shape={form.shape} n={form.n} tone={tones[thing.tone]} {...(selected ? { dash: '6 3' } : {})} />
        <Mark at={{ x: markX, y: markY }} unit={unit} filled={thing.tone === 'right'}>
          {thing.number}
        </Mark>
        {selected
          ? handlesOf(form.shape, form.n).map((spot, i) => (
              <Handle key={i.toString()} x={spot.x} y={spot.y} unit={unit} thing={thing.id} handle={i} />
            ))
          : null}
      </g>
    )
  const at = form.box ?? form.at
  return (
    <g {...common}>
      <circle className="ring fill-none stroke-[#33566b] opacity-0" cx={at.x} cy={at.y} r={14 * unit} strokeWidth={3 * unit} />
      {form.box ? (
        <>
          <line
            x1={at.x}
            y1={at.y}
            x2={form.at.x}
            y2={form.at.y}
            className="stroke-[#fff]/85"
            strokeWidth={4}
            vectorEffect="non-scaling-stroke"
          />
          <line
            x1={at.x}
            y1={at.y}
            x2={form.at.x}
            y2={form.at.y}
            className="stroke-[#1f2528]"
            strokeWidth={1.5}
            vectorEffect="non-scaling-stroke"
          />
        </>
      ) : null}
      <circle cx={at.x} cy={at.y} r={13 * unit} className="fill-transparent" />
      <Mark at={at} unit={unit} filled={thing.tone === 'right'}>
        {thing.number}
      </Mark>
      {form.box || selected ? <Handle x={form.at.x} y={form.at.y} unit={unit} thing={thing.id} handle={0} small={!selected} /> : null}
    </g>
  )
})

type HandleProps = { x: number; y: number; unit: number; thing: string; handle: number; small?: boolean }

function Handle({ x, y, unit, thing, handle, small }: HandleProps) {
  const half = (small ? 3 : 5) * unit
  return (
    <g data-thing={thing} data-handle={handle} className="cursor-crosshair">
      <circle cx={x} cy={y} r={12 * unit} className="fill-transparent" />
      <rect
        x={x - half}
        y={y - half}
        width={2 * half}
        height={2 * half}
        className={small ? 'fill-[#1f2528] stroke-[#fff]' : 'fill-[#fff] stroke-[#0e6a5b]'}
        strokeWidth={1.5 * unit}
      />
    </g>
  )
}
