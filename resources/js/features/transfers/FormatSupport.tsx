import { Fragment, useState } from 'react'
import { texts } from '@/messages'
import { kindNames } from '@/parts/words'
import { Shell } from '@/shell/Shell'
import table from '../../../../docs/kept.json'
import { TextSupport } from './TextSupport'

const words = texts.dispatch
type Cell = { out: string; in: string; kind: string; said: string[] }
type Row = { kind: string; by: string; formats: Record<string, Cell> }
const formats = table.formats as string[]
const rows = table.rows as Row[]
const named = (kind: string) =>
  kind === ''
    ? kindNames.page
    : kind
        .split('+')
        .map((one) => kindNames[one] ?? one)
        .join(' and ')

/** What every format keeps of every kind: the table the round-trip tests make. */
export function FormatSupport() {
  const [open, setOpen] = useState<string | null>(null)
  const ordered = [...rows].sort(
    (a, b) => Number(rows.findIndex((one) => one.kind === a.kind)) - rows.findIndex((one) => one.kind === b.kind),
  )
  return (
    <Shell title={texts.frame.formats} crumbs={[{ title: texts.transfers.title, to: '/transfers' }, { title: texts.frame.formats }]}>
      {/* biome-ignore lint/a11y/noNoninteractiveTabindex: what scrolls is reached by keyboard too */}
      <section className="h-full overflow-auto p-6 max-md:p-4" aria-label={texts.frame.formats} tabIndex={0}>
        <p className="mb-3 max-w-180 text-second">{words.keptAbout}</p>
        <dl className="mb-4 flex flex-wrap gap-x-6 gap-y-1">
          {Object.entries(words.keptMeans).map(([name, about]) => (
            <div key={name} className="flex gap-2">
              <dt className="font-semibold">{name}</dt>
              <dd className="text-second">{about}</dd>
            </div>
          ))}
        </dl>
        <table className="w-full max-w-280 border-separate border-spacing-0">
          <thead>
            <tr className="text-left text-caption text-quiet">
              <th className="sticky -top-6 border-edge border-b bg-page py-2 pr-4 font-normal max-md:-top-4">{words.keptKind}</th>
              {formats.map((format) => (
                <th key={format} className="sticky -top-6 border-edge border-b bg-page py-2 pr-4 font-normal max-md:-top-4">
                  {words.formats[format]}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {ordered.map((row, i) => {
              const id = `${row.kind}, ${row.by}`
              const said = formats.filter(
                (format) => (row.formats[format]?.said.length ?? 0) > 0 || row.formats[format]?.kind !== row.formats.pack?.kind,
              )
              const first = ordered[i - 1]?.kind !== row.kind
              return (
                <Fragment key={id}>
                  <tr>
                    <th scope="row" className={`py-1 pr-4 text-left align-top font-normal ${first ? 'border-hairline border-t' : ''}`}>
                      {first ? <strong className="mr-1">{kindNames[row.kind] ?? row.kind} </strong> : null}
                      {said.length > 0 ? (
                        <button
                          type="button"
                          aria-expanded={open === id}
                          aria-label={words.keptShow({ kind: kindNames[row.kind] ?? row.kind, by: row.by })}
                          className="text-accent underline decoration-dotted underline-offset-4"
                          onClick={() => setOpen(open === id ? null : id)}
                        >
                          {row.by}
                        </button>
                      ) : (
                        row.by
                      )}
                    </th>
                    {formats.map((format) => (
                      <CellOf key={format} cell={row.formats[format]} first={first} />
                    ))}
                  </tr>
                  {open === id ? (
                    <tr>
                      <td colSpan={formats.length + 1} className="pb-3 pl-4">
                        <dl className="flex max-w-180 flex-col gap-1.5 border-attention border-l-3 pl-3">
                          {saidAlike(row, said).map(([some, cell]) => (
                            <div key={some.join()}>
                              <dt className="font-semibold">
                                {some.map((format) => words.formats[format]).join(', ')}
                                {cell.kind !== row.formats.pack?.kind ? (
                                  <span className="font-normal text-second">: {words.keptBack({ kind: named(cell.kind) ?? '' })}</span>
                                ) : null}
                              </dt>
                              {cell.said.map((sentence) => (
                                <dd key={sentence} className="text-second">
                                  {sentence}
                                </dd>
                              ))}
                            </div>
                          ))}
                        </dl>
                      </td>
                    </tr>
                  ) : null}
                </Fragment>
              )
            })}
          </tbody>
        </table>
        <TextSupport />
      </section>
    </Shell>
  )
}

/** Formats of which the same is said, together. */
function saidAlike(row: Row, some: string[]): [string[], Cell][] {
  const alike = new Map<string, [string[], Cell]>()
  for (const format of some) {
    const cell = row.formats[format]
    if (!cell) continue
    const key = JSON.stringify([cell.kind, cell.said])
    const there = alike.get(key)
    if (there) there[0].push(format)
    else alike.set(key, [[format], cell])
  }
  return [...alike.values()]
}

function CellOf({ cell, first }: { cell: Cell | undefined; first: boolean }) {
  const tone = cell?.out === 'whole' ? '' : cell?.out === 'near' ? 'text-attention' : 'text-second'
  return (
    <td className={`py-1 pr-4 align-top ${first ? 'border-hairline border-t' : ''} ${tone}`}>
      {cell ? (words.keptCells[cell.out] ?? cell.out) : ''}
    </td>
  )
}
