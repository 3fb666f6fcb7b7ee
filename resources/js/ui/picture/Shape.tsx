import type { SVGProps } from 'react'
import type { ShapeName } from './area'

type Props = { shape: ShapeName; n: number[] } & Omit<SVGProps<SVGElement>, 'ref'>

/** One shape of a picture, as SVG has it. */
export function Shape({ shape, n, ...rest }: Props) {
  const [a = 0, b = 0, c = 0, d = 0] = n
  if (shape === 'circle') return <circle cx={a} cy={b} r={Math.max(0, c)} {...(rest as SVGProps<SVGCircleElement>)} />
  if (shape === 'ellipse')
    return <ellipse cx={a} cy={b} rx={Math.max(0, c)} ry={Math.max(0, d)} {...(rest as SVGProps<SVGEllipseElement>)} />
  if (shape === 'polygon') return <polygon points={n.join(' ')} {...(rest as SVGProps<SVGPolygonElement>)} />
  return (
    <rect x={Math.min(a, c)} y={Math.min(b, d)} width={Math.abs(c - a)} height={Math.abs(d - b)} {...(rest as SVGProps<SVGRectElement>)} />
  )
}

/** A line that is seen on any ground: light below, dark above. */
export function Outlined({ shape, n, tone, dash }: { shape: ShapeName; n: number[]; tone: string; dash?: string }) {
  return (
    <>
      <Shape shape={shape} n={n} className="fill-none stroke-[#fff]/85" strokeWidth={4} vectorEffect="non-scaling-stroke" />
      <Shape
        shape={shape}
        n={n}
        className={`fill-none ${tone}`}
        strokeWidth={2}
        {...(dash ? { strokeDasharray: dash } : {})}
        vectorEffect="non-scaling-stroke"
      />
    </>
  )
}
