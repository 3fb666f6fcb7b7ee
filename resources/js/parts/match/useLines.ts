import { type RefObject, useLayoutEffect, useState } from 'react'
import type { Pair } from './pairs'

export type Line = { pair: Pair; x1: number; y1: number; x2: number; y2: number }

/** Where the line of each pair runs inside the box: from the right border of one to the left border of the other. */
export function useLines(box: RefObject<HTMLElement | null>, pairs: Pair[]): Line[] {
  const [lines, setLines] = useState<Line[]>([])
  const drawn = JSON.stringify(pairs)
  useLayoutEffect(() => {
    const element = box.current
    if (!element) return
    const measure = () => {
      const around = element.getBoundingClientRect()
      const find = (side: string, id: string) =>
        [...element.querySelectorAll<HTMLElement>(`[data-${side}]`)].find((one) => one.dataset[side] === id)?.getBoundingClientRect()
      setLines(
        (JSON.parse(drawn) as Pair[]).flatMap((pair) => {
          const [from, to] = [find('left', pair[0]), find('right', pair[1])]
          return from && to
            ? [
                {
                  pair,
                  x1: from.right - around.left,
                  y1: (from.top + from.bottom) / 2 - around.top,
                  x2: to.left - around.left,
                  y2: (to.top + to.bottom) / 2 - around.top,
                },
              ]
            : []
        }),
      )
    }
    measure()
    const observer = new ResizeObserver(measure)
    observer.observe(element)
    return () => observer.disconnect()
  }, [box, drawn])
  return lines
}
