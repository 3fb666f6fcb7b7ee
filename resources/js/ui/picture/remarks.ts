import { texts } from '@/messages'
import { type Area, doOverlap, drawn, isWithin } from './area'

const words = texts.picture
/** What an author may not see of areas that lie over one another; what is wrong with them is told by the checks. */
export function remarks(areas: Area[]): string[] {
  const shapes = areas.map((area) => ({ shape: area.shape, n: drawn(area) }))
  return shapes.map(({ shape, n }, i) => {
    if (!n) return words.notDrawn
    const over: number[] = []
    const inside: number[] = []
    for (const [j, other] of shapes.entries()) {
      if (i === j || !other.n) continue
      const [one, two] = [
        { shape, n },
        { shape: other.shape, n: other.n },
      ]
      if (j > i && isWithin(one, two)) inside.push(j + 1)
      else if (j > i && doOverlap(one, two) && !isWithin(two, one)) over.push(j + 1)
    }
    return [
      ...(over.length > 0 ? [words.overlaps({ list: over.join(', ') })] : []),
      ...(inside.length > 0 ? [words.nested({ list: inside.join(', ') })] : []),
    ].join(' ')
  })
}
