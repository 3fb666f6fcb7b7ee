import { useEffect, useLayoutEffect, useRef } from 'react'

export const ZOOMS = [0.5, 0.75, 1, 1.5, 2, 3, 4, 6]

/** One step nearer or farther. */
export const zoomed = (zoom: number, by: 1 | -1) => ZOOMS[Math.min(Math.max(ZOOMS.indexOf(zoom) + by, 0), ZOOMS.length - 1)] ?? 1

/**
 * Zooms by the wheel with Ctrl: what is under the pointer stays there, otherwise what is in the middle. React listens to wheels
 * passively, so that the browser would zoom the whole page as well.
 */
export function useZoom(zoom: number, onZoom: (zoom: number) => void) {
  const element = useRef<HTMLDivElement>(null)
  const held = useRef({ zoom, x: 0, y: 0, byWheel: false })
  useEffect(() => {
    const turned = (event: WheelEvent) => {
      if (!event.ctrlKey && !event.metaKey) return
      event.preventDefault()
      const frame = element.current?.getBoundingClientRect()
      if (frame) held.current = { ...held.current, x: event.clientX - frame.left, y: event.clientY - frame.top, byWheel: true }
      onZoom(zoomed(zoom, event.deltaY < 0 ? 1 : -1))
    }
    const here = element.current
    here?.addEventListener('wheel', turned, { passive: false })
    return () => here?.removeEventListener('wheel', turned)
  }, [zoom, onZoom])
  useLayoutEffect(() => {
    const here = element.current
    const { zoom: before, byWheel, x, y } = held.current
    held.current = { ...held.current, zoom, byWheel: false }
    if (!here || before === zoom) return
    const [across, down] = byWheel ? [x, y] : [here.clientWidth / 2, here.clientHeight / 2]
    here.scrollLeft = ((here.scrollLeft + across) * zoom) / before - across
    here.scrollTop = ((here.scrollTop + down) * zoom) / before - down
  }, [zoom])
  return element
}
