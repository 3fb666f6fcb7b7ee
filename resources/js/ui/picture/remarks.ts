import { texts } from '@/messages'
import { type Area, boxOf, doOverlap, drawn, isWithin, type Size } from './area'

const words = texts.picture
/** How wide a picture is shown on a small telephone, in CSS pixels, and the least that a finger hits (WCAG 2.2, 2.5.8). */
const NARROW = 342
const TARGET = 24

/** What of each area an author may not see: that it is small on a telephone, or lies over another. */
export function remarks(areas: Area[], size: Size): string[] {
  const shapes = areas.map((area) => ({ shape: area.shape, n: drawn(area) }))
  const scale = Math.min(1, NARROW / size.width)
  return shapes.map(({ shape, n }, i) => {
    if (!n) return words.notDrawn
    const box = boxOf(shape, n)
    const said: string[] = []
    if (Math.min(box.right - box.left, box.bottom - box.top) * scale < TARGET) said.push(words.small({ size: TARGET }))
    const over: number[] = []
    const inside: number[] = []
    for (const [j, other] of shapes.entries()) {
      if (i === j || !other.n) continue
      const [one, two] = [
        { shape, n },
        { shape: other.shape, n: other.n },
      ]
      if (j < i && isWithin(one, two)) said.push(words.behind({ n: j + 1 }))
      else if (j > i && isWithin(one, two)) inside.push(j + 1)
      else if (j > i && doOverlap(one, two) && !isWithin(two, one)) over.push(j + 1)
    }
    if (over.length > 0) said.push(words.overlaps({ list: over.join(', ') }))
    if (inside.length > 0) said.push(words.nested({ list: inside.join(', ') }))
    return said.join(' ')
  })
}
