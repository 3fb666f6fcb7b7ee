import { GripVertical } from 'lucide-react'
import { Link } from 'react-router'
import type { AssessmentRow } from '@/api/assembly'
import { dragSource } from '@/lib/drag'
import { day, moment, rounded } from '@/lib/format'
import { texts } from '@/messages'
import { kindNames } from '@/parts/words'
import { folderText } from '@/shell/tray/PlaceFields'
import { type Layer, Strata } from '@/ui/Strata'
import { lineName } from '../TotalsPane'
import { ASSESSMENT } from './FolderTree'

const words = texts.assembly.places
const kinds = Object.keys(kindNames)
const tones = ['bg-accent', 'bg-attention', 'bg-information', 'bg-edge', 'bg-second', 'bg-accent-tint', 'bg-attention-tint', 'bg-hairline']

type Props = {
  rows: AssessmentRow[]
  picked: string[]
  onPick: (ids: string[]) => void
  /** Topic to how many questions, by assessment; undefined to draw kinds. */
  topics: Map<string, Record<string, number>> | undefined
}

/** Assessments in a table, each with its whole place, what it asks in layers, and when it was used. */
export function AssessmentTable({ rows, picked, onPick, topics }: Props) {
  return (
    <table className="w-full">
      <thead>
        <tr className="border-edge border-b text-left text-caption text-quiet">
          <td colSpan={3} />
          <th className="py-2 pr-4 font-normal">{texts.assembly.columns.title}</th>
          <th className="pr-4 text-right font-normal">{texts.assembly.columns.questions}</th>
          <th className="pr-4 text-right font-normal max-lg:hidden">{words.points}</th>
          <th className="pr-4 text-right font-normal max-lg:hidden">{words.minutes}</th>
          <th className="font-normal max-sm:hidden">{texts.assembly.columns.at}</th>
        </tr>
      </thead>
      <tbody>
        {rows.map((row) => {
          const some = picked.includes(row.id) ? rows.filter((one) => picked.includes(one.id) && one.bank === row.bank) : [row]
          const counts = topics ? (topics.get(row.id) ?? {}) : row.strata
          const layers: Layer[] = Object.entries(counts).map(([name, count], i) => ({
            // as whoever changed or opened it last could see it
            name: !topics && name === 'hidden' ? words.hiddenKind : lineName(topics ? 'topics' : 'kinds', name),
            count,
            // a kind looks the same in every row
            tone: tones[(topics ? i : Math.max(0, kinds.indexOf(name.split('+')[0] ?? ''))) % tones.length] ?? '',
          }))
          return (
            <tr key={row.id} className={`border-hairline border-b ${picked.includes(row.id) ? 'bg-accent-tint' : ''}`}>
              <td className="w-6">
                {row.may_write ? (
                  <span
                    aria-hidden="true"
                    title={words.drag}
                    className="block cursor-grab text-quiet hover:text-accent"
                    ref={dragSource({ data: { type: ASSESSMENT, bank: row.bank, ids: some.map((one) => one.id) } })}
                  >
                    <GripVertical size={16} aria-hidden="true" className="mx-auto" />
                  </span>
                ) : null}
              </td>
              <td className="w-8">
                <input
                  type="checkbox"
                  className="size-4 accent-accent"
                  aria-label={texts.assembly.merge.select({ title: row.title })}
                  checked={picked.includes(row.id)}
                  onChange={(event) => onPick(event.target.checked ? [...picked, row.id] : picked.filter((one) => one !== row.id))}
                />
              </td>
              <td className="w-18 py-2">
                <Strata layers={layers} label={topics ? words.byTopic : words.byKind} />
              </td>
              <td className="py-2.5 pr-4">
                <Link className="text-head font-semibold text-ink hover:text-accent hover:underline" to={`/assessments/${row.id}`}>
                  {row.title}
                </Link>{' '}
                <span className="text-caption text-quiet">{texts.assembly.states[row.state]}</span>
                <span className="block text-second">{folderText([row.bank_name, ...row.folder])}</span>
                <span className="flex flex-wrap gap-x-3 text-caption text-quiet">
                  {row.course ? <span>{row.course}</span> : null}
                  {row.term ? <span>{row.term}</span> : null}
                  {row.used[0] ? (
                    <span>{words.usedLast({ n: row.used.length, date: day(row.used[0].on), group: row.used[0].with })}</span>
                  ) : null}
                </span>
              </td>
              <td className="pr-4 text-right tabular-nums">{row.questions}</td>
              <td className="pr-4 text-right tabular-nums max-lg:hidden">{row.points === null ? '' : rounded(row.points)}</td>
              <td className="pr-4 text-right tabular-nums max-lg:hidden">{row.minutes === null ? '' : rounded(row.minutes)}</td>
              <td className="text-second max-sm:hidden">{moment(row.updated_at)}</td>
            </tr>
          )
        })}
      </tbody>
    </table>
  )
}
