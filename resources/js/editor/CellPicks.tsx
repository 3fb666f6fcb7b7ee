import { texts } from '@/messages'

type Props = { rows: string[][]; header: boolean; side: boolean; picked: string[]; onPick: (picked: string[]) => void }

/** The cells of a table, each a switch: on, it is an answer. A whole row or column is switched by its head. */
export function CellPicks({ rows, header, side, picked, onPick }: Props) {
  const isHead = (r: number, c: number) => (header && r === 0) || (side && c === 0)
  const toggle = (cells: string[]) => {
    const all = cells.every((cell) => picked.includes(cell))
    onPick(all ? picked.filter((cell) => !cells.includes(cell)) : [...new Set([...picked, ...cells])])
  }
  const below = (c: number) => rows.flatMap((_, r) => (isHead(r, c) ? [] : [`${r}:${c}`]))
  const beside = (r: number) => (rows[r] ?? []).flatMap((_, c) => (isHead(r, c) ? [] : [`${r}:${c}`]))
  return (
    <div className="overflow-x-auto">
      <table className="border-collapse">
        <tbody>
          {rows.map((row, r) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: cells are known by their place
            <tr key={r}>
              {row.map((cell, c) => {
                const at = `${r}:${c}`
                const head = isHead(r, c)
                const cells = head ? (header && r === 0 ? below(c) : beside(r)) : [at]
                const on = !head && picked.includes(at)
                return (
                  // biome-ignore lint/suspicious/noArrayIndexKey: cells are known by their place
                  <td key={c} className="border border-hairline p-0">
                    <button
                      type="button"
                      aria-pressed={head ? cells.length > 0 && cells.every((one) => picked.includes(one)) : on}
                      aria-label={
                        head ? headLabel(cell) : texts.table.cell({ words: cell || texts.table.emptyCell, row: r + 1, column: c + 1 })
                      }
                      className={`min-h-9 w-full min-w-16 px-2 text-left hover:bg-well ${head ? 'font-semibold' : ''} ${on ? 'bg-accent-tint text-accent' : ''}`}
                      onClick={() => toggle(cells)}
                    >
                      {on ? '✓ ' : ''}
                      {cell === '' ? '\u00a0' : cell}
                    </button>
                  </td>
                )
              })}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  )
}

const headLabel = (head: string): string => (head === '' ? texts.table.all : texts.table.allOf({ head }))
