import type { ReactNode, SVGProps } from 'react'
import type { PartPicture } from './picture'
import type { useStage } from './useStage'

type Props = {
  picture: PartPicture
  src: string
  stage: ReturnType<typeof useStage>
  svg: Omit<SVGProps<SVGSVGElement>, 'ref' | 'viewBox'>
  children: ReactNode
  /** HTML over the picture. */
  over?: ReactNode
}

/** A picture as learners see it, with what is drawn on it: as wide as it is, never wider than there is room. */
export function PictureShown({ picture, src, stage, svg, children, over }: Props) {
  return (
    <div
      className="relative mx-auto"
      style={{ width: `min(100%, ${Math.max(picture.width, 320)}px)`, aspectRatio: `${picture.width} / ${picture.height}` }}
    >
      <img src={src} alt={picture.alt} draggable={false} className="absolute inset-0 size-full select-none rounded-ui bg-[#fff]" />
      {/* biome-ignore lint/a11y/noSvgWithoutTitle: it is named, or hidden, by whoever shows it */}
      <svg
        ref={stage.ref}
        viewBox={`0 0 ${picture.width} ${picture.height}`}
        {...svg}
        className={`absolute inset-0 size-full overflow-visible ${svg.className ?? ''}`}
      >
        {children}
      </svg>
      {over}
    </div>
  )
}
