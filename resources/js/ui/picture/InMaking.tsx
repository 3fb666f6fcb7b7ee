import type { Size } from './area'
import { Outlined } from './Shape'
import { isArea } from './things'
import type { useGesture } from './useGesture'

type Props = Pick<ReturnType<typeof useGesture>, 'made' | 'corners' | 'guides' | 'frame'> & { size: Size; unit: number }

/** What the pointer is drawing, the lines it snaps to, the frame it draws around things. */
export function InMaking({ made, corners, guides, frame, size, unit }: Props) {
  return (
    <>
      {made && isArea(made) ? <Outlined shape={made.shape} n={made.n} tone="stroke-[#0e6a5b]" dash="6 3" /> : null}
      {made && !isArea(made) && made.box ? (
        <line
          x1={made.at.x}
          y1={made.at.y}
          x2={made.box.x}
          y2={made.box.y}
          className="stroke-[#0e6a5b]"
          strokeWidth={2}
          vectorEffect="non-scaling-stroke"
        />
      ) : null}
      {corners.length > 0 ? (
        <>
          <polyline
            points={corners.map(({ x, y }) => `${x},${y}`).join(' ')}
            className="fill-none stroke-[#0e6a5b]"
            strokeWidth={2}
            vectorEffect="non-scaling-stroke"
          />
          {corners.map(({ x, y }, i) => (
            <circle
              key={`${x} ${y}`}
              cx={x}
              cy={y}
              r={(i === 0 ? 6 : 4) * unit}
              className="fill-[#fff] stroke-[#0e6a5b]"
              strokeWidth={1.5 * unit}
            />
          ))}
        </>
      ) : null}
      {guides.map((guide) => (
        <line
          key={'x' in guide ? `x${guide.x}` : `y${guide.y}`}
          {...('x' in guide ? { x1: guide.x, x2: guide.x, y1: 0, y2: size.height } : { y1: guide.y, y2: guide.y, x1: 0, x2: size.width })}
          className="stroke-[#9c2b36]"
          strokeWidth={1}
          strokeDasharray="4 3"
          vectorEffect="non-scaling-stroke"
        />
      ))}
      {frame ? (
        <rect
          x={Math.min(frame.from.x, frame.to.x)}
          y={Math.min(frame.from.y, frame.to.y)}
          width={Math.abs(frame.to.x - frame.from.x)}
          height={Math.abs(frame.to.y - frame.from.y)}
          className="fill-[#33566b]/10 stroke-[#33566b]"
          strokeWidth={1}
          vectorEffect="non-scaling-stroke"
        />
      ) : null}
    </>
  )
}
