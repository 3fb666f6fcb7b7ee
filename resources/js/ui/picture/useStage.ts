import { useCallback, useEffect, useRef, useState } from 'react'
import type { Size } from './area'

/** How many units of the picture one pixel of the screen shows, so that handles and numbers stay as large as a finger needs them. */
export function useStage(size: Size) {
  const [unit, setUnit] = useState(1)
  const element = useRef<SVGSVGElement | null>(null)
  const observer = useRef<ResizeObserver | null>(null)
  const width = size.width
  const measured = useCallback(() => {
    const shown = element.current?.getBoundingClientRect().width ?? 0
    if (shown > 0) setUnit(width / shown)
  }, [width])
  const ref = useCallback(
    (svg: SVGSVGElement | null) => {
      observer.current?.disconnect()
      element.current = svg
      if (!svg || typeof ResizeObserver === 'undefined') return
      observer.current = new ResizeObserver(measured)
      observer.current.observe(svg)
      measured()
    },
    [measured],
  )
  useEffect(() => () => observer.current?.disconnect(), [])
  return { ref, element, unit }
}
