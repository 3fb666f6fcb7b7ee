import { useQuery } from '@tanstack/react-query'
import type { ReactNode } from 'react'
import { readingQuery, type TotalLine, type Totals } from '@/api/assembly'
import { rounded } from '@/lib/format'
import { texts } from '@/messages'
import { kindWords } from '@/parts/words'
import { Button } from '@/ui/Button'
import { type Layer, Strata } from '@/ui/Strata'

export type By = 'sections' | 'kinds' | 'topics' | 'standards' | 'difficulties' | 'purposes' | 'markings'

const orders: By[] = ['sections', 'kinds', 'topics', 'standards', 'difficulties', 'purposes', 'markings']

/** Layers of a drawing, told apart by how dark they are; the table names them. */
const tones = ['bg-accent', 'bg-attention', 'bg-information', 'bg-edge', 'bg-second', 'bg-accent-tint', 'bg-attention-tint', 'bg-hairline']

/** What the assessment adds up to: by section, kind, topic, standard, difficulty, purpose and marking, as layers with their table. */
export function TotalsPane({ id, version, totals, children }: { id: string; version: number; totals: Totals; children: ReactNode }) {
  return (
    <div className="flex flex-col gap-5 p-5">
      <div>
        <p className="text-head font-semibold">
          {texts.assembly.total({ n: totals.questions, points: totals.points })}
          {totals.minutes === null ? '' : `, ${texts.assembly.minutes({ n: totals.minutes })}`}
        </p>
        <Reading id={id} version={version} />
      </div>
      <div>
        <h2 className="font-semibold">{texts.assembly.alignedTo}</h2>
        {children}
      </div>
      {orders.map((by) => (
        <Table key={by} by={by} lines={totals[by]} all={totals.points} />
      ))}
    </div>
  )
}

/** How much a learner reads: counted when somebody asks, since every question has to be drawn for it. */
function Reading({ id, version }: { id: string; version: number }) {
  const reading = useQuery({ ...readingQuery(id, version), enabled: false })
  const { data } = reading
  if (!data)
    return (
      <p>
        <Button look="quiet" className="!px-0" aria-disabled={reading.isFetching} onClick={() => reading.refetch()}>
          {texts.assembly.reads.count}
        </Button>
        {reading.isError ? <span className="text-problem"> {reading.error.message}</span> : null}
      </p>
    )
  return (
    <p className="text-second" role="status">
      {texts.assembly.reads.words({ n: data.words })}
      {data.stimuli > 0 ? ` ${texts.assembly.reads.stimuli({ n: data.stimuli })}` : ''}
    </p>
  )
}

/** What a line of the totals stands for, in words. */
export function lineName(by: By, name: string): string {
  if (name === 'hidden' || name === '⟨hidden⟩') return texts.assembly.hiddenLine
  if (by === 'kinds') return kindWords(name === '' ? [] : name.split('+'))
  if (by === 'sections') return /^\d+$/.test(name) ? texts.assembly.section({ n: Number(name) }) : name
  if (name === '') return texts.assembly.without[by] ?? ''
  if (by === 'difficulties') return texts.bank.difficulty({ n: Number(name) })
  if (by === 'markings') return texts.assembly.markedBy[name] ?? name
  return name
}

function Table({ by, lines, all }: { by: By; lines: TotalLine[]; all: number }) {
  if (lines.length === 0 || (by === 'sections' && lines.length === 1) || (lines.length === 1 && lines[0]?.name === '')) return null
  const layers: Layer[] = lines.map((line, i) => ({
    name: lineName(by, line.name),
    count: line.questions,
    tone: tones[i % tones.length] ?? '',
  }))
  return (
    <div className="flex items-start gap-4">
      <div className="flex-none pt-7">
        <Strata layers={layers} label={texts.assembly.by[by] ?? ''} />
      </div>
      <table className="min-w-0 flex-1">
        <caption className="pb-1 text-left font-semibold">{texts.assembly.by[by]}</caption>
        <thead className="text-caption text-quiet">
          <tr className="border-edge border-b">
            <td />
            <th className="w-16 pl-3 text-right font-normal">{texts.assembly.totalColumns.questions}</th>
            <th className="w-16 pl-3 text-right font-normal">{texts.assembly.totalColumns.points}</th>
          </tr>
        </thead>
        <tbody>
          {lines.map((line, i) => (
            <tr key={line.name} className="border-hairline border-b">
              <th scope="row" className="py-1 text-left font-normal">
                <span className="flex gap-2">
                  <span aria-hidden="true" className={`mt-1 h-3 w-3 flex-none border border-edge ${layers[i]?.tone}`} />
                  <span className="relative min-w-0 flex-1">
                    {lineName(by, line.name)}
                    <span
                      aria-hidden="true"
                      className="block h-0.5 bg-accent"
                      style={{ width: `${all > 0 ? (100 * line.points) / all : 0}%` }}
                    />
                  </span>
                </span>
              </th>
              <td className="w-16 py-1 pl-3 text-right align-top tabular-nums">{line.questions}</td>
              <td className="w-16 py-1 pl-3 text-right align-top tabular-nums">{rounded(line.points)}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  )
}
