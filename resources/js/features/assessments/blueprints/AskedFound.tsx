import type { AssembledTest, Availability, BlueprintTable } from '@/api/blueprints'
import { texts } from '@/messages'
import { type Measure, rangeText, sumOf } from './cellText'
import { cellAt, placeId, shownLines } from './content'

const words = texts.blueprints
const tones = ['bg-accent', 'bg-information', 'bg-attention', 'bg-second', 'bg-edge', 'bg-accent-tint', 'bg-problem']
const HEIGHT = 260

type Places = AssembledTest['places']
type Props = {
  table: BlueprintTable
  places: Places
  totals: { points: number; minutes: number }
  available: Availability['places'] | undefined
}
type Line = { id: string; title: string; asked: number; range: string; found: number; tone: string }

/** What is asked for and what was found, as two columns of layers: a layer is a row of the table, hatched where something is missing. */
export function AskedFound({ table, places, totals, available }: Props) {
  const measure: Measure = table.measure ?? 'count'
  const lines = layersOf(table, places, available, measure).filter((line) => line.asked > 0 || line.found > 0)
  const [asked, found] = [lines.reduce((sum, line) => sum + line.asked, 0), lines.reduce((sum, line) => sum + line.found, 0)]
  const most = Math.max(asked, found, 1)
  if (lines.length === 0) return null
  const unit = HEIGHT / most
  const column = (name: string, of: 'asked' | 'found') => (
    <div className="flex flex-none flex-col justify-end">
      <div className="flex w-16 flex-col-reverse gap-0.5">
        {lines.map((line) => (
          <div key={line.id} className="flex flex-col">
            {of === 'found' && line.found < line.asked ? (
              <div
                className="border border-attention bg-[repeating-linear-gradient(45deg,var(--color-attention-tint)_0_5px,var(--color-paper)_5px_8px)]"
                style={{ height: (line.asked - line.found) * unit }}
              />
            ) : null}
            <div className={line.tone} style={{ height: line[of] * unit }} />
          </div>
        ))}
      </div>
      <span className="pt-1 text-caption text-second">{name}</span>
    </div>
  )
  return (
    <section aria-label={words.askedFound} className="pb-4">
      <header className="flex items-baseline justify-between pb-2">
        <h2 className="font-semibold">{words.askedFound}</h2>
        <span className="text-caption text-second">
          {words.foundTotals({ asked, found, points: totals.points, minutes: totals.minutes })}
        </span>
      </header>
      <div className="flex gap-4">
        <div aria-hidden="true" className="flex flex-none gap-3">
          {column(words.asked, 'asked')}
          {column(words.foundShort, 'found')}
        </div>
        <table className="min-w-0 flex-1 self-end">
          <caption className="sr-only">{words.askedFound}</caption>
          <thead className="sr-only">
            <tr>
              <th>{words.row}</th>
              <th>{words.asked}</th>
              <th>{words.foundShort}</th>
            </tr>
          </thead>
          <tbody>
            {[...lines].reverse().map((line) => (
              <tr key={line.id} className="border-hairline border-b border-dotted">
                <th scope="row" className="py-1 text-left font-normal">
                  <span className="flex gap-2">
                    <span aria-hidden="true" className={`mt-1 size-3 flex-none ${line.tone}`} />
                    {line.title}
                  </span>
                </th>
                <td className="pl-2 text-right tabular-nums text-second">{line.range}</td>
                <td className={`pl-2 text-right tabular-nums ${line.found < line.asked ? 'font-semibold text-attention' : ''}`}>
                  {line.found}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </section>
  )
}

function layersOf(table: BlueprintTable, found: Places, available: Props['available'], measure: Measure): Line[] {
  const [rows, columns] = [shownLines(table.rows), shownLines(table.columns)]
  const byRow = rows.length > 0
  const lines = byRow ? rows : columns
  return lines.map(({ line, within }, i): Line => {
    const own = byRow ? placeId(table.id, line.id, null) : placeId(table.id, null, line.id)
    const across = byRow ? columns.map((column) => [line.id, column.line.id] as const) : rows.map((row) => [row.line.id, line.id] as const)
    const margin = byRow ? cellAt(table, line.id, null) : cellAt(table, null, line.id)
    const places: (readonly [string | null, string | null])[] = margin ? [byRow ? [line.id, null] : [null, line.id]] : across
    const ranges = places.map(([row, column]) => {
      const cell = cellAt(table, row, column)
      const all = available?.[placeId(table.id, row, column)]?.usable ?? 0
      return cell?.all ? { min: all, max: all } : cell?.[measure]
    })
    const sum = sumOf(ranges.map((range) => range ?? { min: 0, max: 0 }))
    const there = found[own]
    return {
      id: line.id,
      title: [within?.title, line.title].filter(Boolean).join(', '),
      asked: sum.min ?? 0,
      range: rangeText(sum),
      found: (measure === 'points' ? there?.points : there?.count) ?? 0,
      tone: tones[i % tones.length] ?? '',
    }
  })
}
