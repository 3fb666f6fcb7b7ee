import type { Spot } from './area'

/** A number in a ring, as large on the screen whatever the picture's units are. */
export function Mark({ at, unit, children, filled }: { at: Spot; unit: number; children: string | number; filled?: boolean }) {
  return (
    <g className="pointer-events-none" transform={`translate(${at.x} ${at.y}) scale(${unit})`}>
      <circle r={10} className={filled ? 'fill-accent stroke-[#fff]' : 'fill-[#fff] stroke-[#1f2528]'} strokeWidth={1.25} />
      <text
        textAnchor="middle"
        dy="0.35em"
        fontSize={12}
        className={`select-none font-sans font-semibold ${filled ? 'fill-on-accent' : 'fill-[#1f2528]'}`}
      >
        {children}
      </text>
    </g>
  )
}
