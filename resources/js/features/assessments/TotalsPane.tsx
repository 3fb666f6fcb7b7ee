import type { ReactNode } from 'react'
import type { TotalLine, Totals } from '@/api/assembly'
import { rounded } from '@/lib/format'
import { texts } from '@/messages'
import { kindNames } from '@/parts/words'

/** What the assessment adds up to, by kind, topic and difficulty. */
export function TotalsPane({ totals, children }: { totals: Totals; children: ReactNode }) {
  return (
    <div className="flex flex-col gap-5 p-5">
      <p className="text-head font-semibold">
        {texts.assembly.total({ n: totals.questions, points: totals.points })}
        {totals.minutes === null ? '' : `, ${texts.assembly.minutes({ n: totals.minutes })}`}
      </p>
      <div>
        <h2 className="font-semibold">{texts.assembly.alignedTo}</h2>
        {children}
      </div>
      {(['kinds', 'topics', 'standards', 'difficulties'] as const).map((by) => (
        <Table key={by} by={by} lines={totals[by]} all={totals.points} />
      ))}
    </div>
  )
}

export type By = 'kinds' | 'topics' | 'standards' | 'difficulties'

/** What a line of the totals stands for, in words. */
export function lineName(by: By, name: string): string {
  if (name === 'hidden' || name === '⟨hidden⟩') return texts.assembly.hiddenLine
  if (name === '') return texts.assembly.without[by] ?? ''
  if (by === 'difficulties') return texts.bank.difficulty({ n: Number(name) })
  return by === 'kinds'
    ? name
        .split('+')
        .map((kind) => kindNames[kind] ?? kind)
        .join(' and ')
    : name
}

function Table({ by, lines, all }: { by: By; lines: TotalLine[]; all: number }) {
  if (lines.length === 0) return null
  return (
    <table className="w-full">
      <caption className="pb-1 text-left font-semibold">{texts.assembly.by[by]}</caption>
      <thead className="text-caption text-quiet">
        <tr className="border-edge border-b">
          <td />
          <th className="pl-3 text-right font-normal">{texts.assembly.totalColumns.questions}</th>
          <th className="pl-3 text-right font-normal">{texts.assembly.totalColumns.points}</th>
        </tr>
      </thead>
      <tbody>
        {lines.map((line) => (
          <tr key={line.name} className="border-hairline border-b">
            <th scope="row" className="relative py-1 text-left font-normal">
              <span
                aria-hidden="true"
                className="absolute inset-y-0.5 left-0 bg-accent-tint"
                style={{ width: `${all > 0 ? (100 * line.points) / all : 0}%` }}
              />
              <span className="relative pl-1">{lineName(by, line.name)}</span>
            </th>
            <td className="text-right tabular-nums">{line.questions}</td>
            <td className="text-right tabular-nums">{rounded(line.points)}</td>
          </tr>
        ))}
      </tbody>
    </table>
  )
}
