import { useQuery } from '@tanstack/react-query'
import { useNavigate } from 'react-router'
import type { Bank } from '@/api/schema'
import { type Coverage, coverageNodeQuery } from '@/api/standards'
import { rounded } from '@/lib/format'
import { texts } from '@/messages'
import { Button } from '@/ui/Button'
import { Cell } from './CoverageTable'
import { type Node, totalOf } from './rows'
import type { CoverageAddress } from './useCoverageAddress'
import { valueName } from './valueName'
import { WriteHere } from './WriteHere'

const words = texts.coverage
type Props = { at: CoverageAddress; query: string; node: Node; coverage: Coverage; banks: Bank[] }

/** One layer: its statement whole, its questions by kind and by value, and the ways from here. */
export function CoverageNode({ at, query, node, coverage, banks }: Props) {
  const navigate = useNavigate()
  const rows = at.by === 'kind' ? 'difficulty' : 'kind'
  const cells = useQuery(coverageNodeQuery(query, node.id, rows)).data ?? []
  const names = [...new Set(cells.map((one) => one.other))]
  const count = (name: string, value: string) => cells.find((one) => one.other === name && one.value === value)
  const questions = totalOf(node, 'questions')
  const list = at.listOf(node.id, null)
  const thin = coverage.thin.find((one) => one.node === node.id)
  return (
    <div>
      <div className="flex flex-wrap items-center gap-2">
        <h2 className="min-w-0 flex-1 text-head font-semibold">
          {node.title || node.text} <span className="font-mono font-normal text-caption text-quiet">{node.code}</span>
        </h2>
        {list !== null && questions > 0 ? <Button onClick={() => navigate(list)}>{words.list({ n: questions })}</Button> : null}
        <WriteHere at={at} banks={banks} node={node.id} value={thin?.missing[0] ?? null} look="primary" />
      </div>
      {node.text !== '' && node.text !== node.title ? <p className="mt-2 font-serif text-question">{node.text}</p> : null}
      {questions === 0 ? (
        <p className="mt-2 text-attention">{words.nothing}</p>
      ) : (
        <table className="mt-3 w-full">
          <thead className="text-caption text-quiet">
            <tr className="border-edge border-b">
              <th className="py-1 text-left font-normal first-letter:uppercase">{words.by[rows]}</th>
              {coverage.values.map((value) => (
                <th key={value} className="px-2 text-right font-normal">
                  {valueName(at.by, value)}
                </th>
              ))}
              <th className="px-2 text-right font-normal first-letter:uppercase">{words.units.points}</th>
            </tr>
          </thead>
          <tbody>
            {names.map((name) => (
              <tr key={name} className="border-hairline border-b">
                <th scope="row" className="py-1 text-left font-normal">
                  {valueName(rows, name)}
                </th>
                {coverage.values.map((value) => (
                  <Cell
                    key={value}
                    count={count(name, value)?.questions ?? 0}
                    to={withOther(at.listOf(node.id, value), rows, name)}
                    isThin={false}
                    name={`${valueName(rows, name)} ${valueName(at.by, value)}`}
                  />
                ))}
                <td className="px-2 text-right tabular-nums">
                  {rounded(cells.filter((one) => one.other === name).reduce((sum, one) => sum + Number(one.points), 0))}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </div>
  )
}

const withOther = (list: string | null, name: string, value: string) =>
  list === null ? null : `${list}&${value === '' ? `no=${name}` : `${name}=${encodeURIComponent(value)}`}`
