import type { Coverage } from '@/api/standards'
import { rounded } from '@/lib/format'
import { texts } from '@/messages'
import { amount, type Node, type Row, totalOf } from './rows'
import type { CoverageAddress } from './useCoverageAddress'
import { toneOf, valueName } from './valueName'

const words = texts.coverage
type Props = {
  label: string
  at: CoverageAddress
  coverage: Coverage
  beside: Coverage | undefined
  rows: Row[]
  onPick: (node: string) => void
}

/** A cutaway: each statement a layer, as wide as what there is, cut by value; hatched where there is less than wanted. */
export function CoveragePicture({ label, at, coverage, beside, rows, onPick }: Props) {
  const others = new Map((beside?.nodes ?? []).map((one) => [one.id, one]))
  // branches are as wide as what is below them, which would leave nothing to see of their twigs: each depth has a scale of its own
  const most: number[] = []
  for (const { depth, total, node } of rows) most[depth] = Math.max(most[depth] ?? 0, total, totalOf(others.get(node.id), at.unit))
  return (
    <>
      <ul aria-label={label}>
        {rows.map((row) => {
          const scale = most[row.depth] || 1
          const other = others.get(row.node.id)
          return (
            <li key={row.node.id} className="mb-0.5">
              <button
                type="button"
                aria-pressed={row.node.id === at.node}
                className={`-outline-offset-2 grid w-full grid-cols-[minmax(120px,36%)_1fr] items-stretch gap-2 rounded-ui p-0.5 text-left ${row.node.id === at.node ? 'ring-2 ring-accent' : 'hover:bg-paper'}`}
                onClick={() => onPick(row.node.id)}
              >
                <span className="min-w-0 self-center text-right" style={{ paddingInlineEnd: 4, paddingInlineStart: row.depth * 8 }}>
                  <span className={`block truncate ${row.depth === 0 ? 'font-semibold' : ''} ${row.node.retired ? 'text-quiet' : ''}`}>
                    {row.node.title || row.node.text}
                  </span>
                  <span className="block font-mono text-caption text-quiet">{row.node.code}</span>
                </span>
                <span className="flex min-w-0 flex-col gap-px">
                  <Layers at={at} values={coverage.values} node={row.node} scale={scale} tall={row.depth === 0}>
                    {row.thin ? (
                      <span className="gap-layer flex min-w-4 flex-1 items-center overflow-hidden whitespace-nowrap px-1.5 font-semibold text-caption">
                        {gapWords(at, row)}
                      </span>
                    ) : null}
                  </Layers>
                  {beside ? <Layers at={at} values={coverage.values} node={other} scale={scale} isOther /> : null}
                </span>
              </button>
            </li>
          )
        })}
      </ul>
      <p className="mt-3 flex flex-wrap items-center gap-x-4 gap-y-1 text-caption text-second">
        {coverage.values.map((value) => (
          <span key={value} className="flex items-center gap-1.5">
            <span aria-hidden="true" className={`h-3 w-3 border border-edge ${toneOf(coverage.values, value)}`} />
            {valueName(at.by, value)}
          </span>
        ))}
        <span>{words.legend}</span>
      </p>
    </>
  )
}

type LayersProps = {
  at: CoverageAddress
  values: string[]
  node: Node | undefined
  scale: number
  tall?: boolean
  isOther?: boolean
  children?: React.ReactNode
}

function Layers({ at, values, node, scale, tall = false, isOther = false, children }: LayersProps) {
  return (
    <span className={`flex w-full gap-px ${isOther ? 'h-4 opacity-80' : tall ? 'h-9' : 'h-7'}`}>
      {values.map((value) => {
        const count = amount(node, value, at.unit)
        if (count === 0) return null
        return (
          <span
            key={value}
            className={`flex items-center overflow-hidden border border-paper px-1.5 text-caption tabular-nums ${toneOf(values, value)}`}
            style={{ width: `max(22px, ${(80 * count) / scale}%)`, flex: '0 1 auto' }}
          >
            <span className="sr-only">{valueName(at.by, value)}: </span>
            {rounded(count)}
          </span>
        )
      })}
      {children}
      {isOther && totalOf(node, at.unit) === 0 ? <span className="text-caption text-quiet">0</span> : null}
    </span>
  )
}

/** What a thin place lacks, in a few words. */
export function gapWords(at: CoverageAddress, row: Pick<Row, 'thin'>): string {
  if (!row.thin) return ''
  if (row.thin.none) return words.nothing
  const values = row.thin.missing.map((value) => valueName(at.by, value)).join(', ')
  return at.least === 1 ? words.missing({ values }) : words.few({ values })
}
