import type { Spot } from './area'
import type { PartPicture } from './picture'

/** How far above the finger the place is, and how large the glass, in pixels. */
export const ABOVE = 64
const GLASS = 96
const TIMES = 2

/** What lies under a finger, enlarged and beside it: the cross is the place that is marked when the finger leaves. */
export function Lens({ picture, src, at, unit }: { picture: PartPicture; src: string; at: Spot; unit: number }) {
  const [x, y] = [at.x / unit, at.y / unit]
  const [width, height] = [(picture.width / unit) * TIMES, (picture.height / unit) * TIMES]
  return (
    <span
      aria-hidden="true"
      className="pointer-events-none absolute z-10 rounded-full border-2 border-[#1f2528] bg-[#fff] shadow-float"
      style={{
        width: GLASS,
        height: GLASS,
        left: `clamp(0px, ${x - GLASS / 2}px, calc(100% - ${GLASS}px))`,
        top: y - GLASS - 20 < -GLASS ? y + 24 : y - GLASS - 20,
        backgroundImage: `url("${CSS.escape(src).replaceAll('\\', '') === src ? src : encodeURI(src)}")`,
        backgroundSize: `${width}px ${height}px`,
        backgroundPosition: `${GLASS / 2 - x * TIMES}px ${GLASS / 2 - y * TIMES}px`,
        backgroundRepeat: 'no-repeat',
      }}
    >
      <span className="absolute top-1/2 left-[30%] h-px w-[40%] bg-[#9c2b36]" />
      <span className="absolute top-[30%] left-1/2 h-[40%] w-px bg-[#9c2b36]" />
    </span>
  )
}
