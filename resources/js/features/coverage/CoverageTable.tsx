import { Link } from 'react-router'
import type { Coverage } from '@/api/standards'
import { rounded } from '@/lib/format'
import { texts } from '@/messages'
import { gapWords } from './CoveragePicture'
import { amount, type Row, totalOf } from './rows'
import type { CoverageAddress } from './useCoverageAddress'
import { valueName } from './valueName'

const words = texts.coverage
type Props = { at: CoverageAddress; coverage: Coverage; beside: Coverage | undefined; rows: Row[]; onPick: (node: string) => void }

/** The same as the picture, in figures; each leads to its questions. */
export function CoverageTable({ at, coverage, beside, rows, onPick }: Props) {
  const others = new Map((beside?.nodes ?? []).map((one) => [one.id, one]))
  return (
    <div className="overflow-x-auto bg-paper">
      <table className="w-full">
        <thead className="text-caption text-quiet">
          <tr className="border-edge border-b">
            <th className="px-2 py-1.5 text-left font-normal">{words.name}</th>
            {coverage.values.map((value) => (
              <th key={value} className="px-2 text-right font-normal">
                {valueName(at.by, value)}
              </th>
            ))}
            <th className="px-2 text-right font-normal">{words.all}</th>
            {beside ? <th className="px-2 text-right font-normal">{words.differ}</th> : null}
            <th className="px-2 text-left font-normal">{words.thin}</th>
          </tr>
        </thead>
        <tbody>
          {rows.map((row) => (
            <tr key={row.node.id} className={`border-hairline border-b ${row.node.id === at.node ? 'bg-accent-tint' : ''}`}>
              <th scope="row" className="px-2 py-1 text-left font-normal" style={{ paddingInlineStart: 8 + row.depth * 16 }}>
                <button type="button" className="min-h-6 text-left hover:underline" onClick={() => onPick(row.node.id)}>
                  <span className="font-mono text-caption text-quiet">{row.node.code}</span> {row.node.title || row.node.text}
                </button>
              </th>
              {coverage.values.map((value) => (
                <Cell
                  key={value}
                  count={amount(row.node, value, at.unit)}
                  to={at.listOf(row.node.id, value)}
                  isThin={row.thin?.missing.includes(value) ?? false}
                  name={`${row.node.code} ${valueName(at.by, value)}`}
                />
              ))}
              <Cell count={row.total} to={at.listOf(row.node.id, null)} isThin={row.thin?.none ?? false} name={row.node.code} />
              {beside ? (
                <td className="px-2 text-right tabular-nums">{signed(row.total - totalOf(others.get(row.node.id), at.unit))}</td>
              ) : null}
              <td className="px-2 text-attention text-caption">{gapWords(at, row)}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  )
}

const signed = (n: number) => (n > 0 ? `+${rounded(n)}` : rounded(n).replace('-', '−'))

export function Cell({ count, to, isThin, name }: { count: number; to: string | null; isThin: boolean; name: string }) {
  return (
    <td className={`px-2 text-right tabular-nums ${isThin ? 'bg-attention-tint font-semibold text-attention' : ''}`}>
      {count > 0 && to !== null ? (
        <Link to={to} className="inline-block min-h-6 min-w-6 underline decoration-dotted" aria-label={`${name}: ${rounded(count)}`}>
          {rounded(count)}
        </Link>
      ) : (
        rounded(count)
      )}
    </td>
  )
}
