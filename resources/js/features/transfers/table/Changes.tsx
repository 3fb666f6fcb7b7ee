import type { TableCorrections } from '@/api/tables'
import { texts } from '@/messages'
import { Chip } from '@/ui/Chip'
import { withCell, withMapping, withSkipped } from './corrections'

const words = texts.questionTable.changes

type Props = { corrections: TableCorrections; onChange: (by: (now: TableCorrections) => TableCorrections, isTold?: boolean) => void }

/** Everything that was changed of a table so far, each to be taken back. */
export function Changes({ corrections, onChange }: Props) {
  const all = [
    ...(corrections.mapping ? [{ key: 'mapping', title: words.mapping, back: (now: TableCorrections) => withMapping(now, null) }] : []),
    ...Object.entries(corrections.cells ?? {}).map(([address, text]) => ({
      key: address,
      title: words.cell({ address, text: text === '' ? words.empty : text.length > 40 ? `${text.slice(0, 40)}…` : text }),
      back: (now: TableCorrections) => withCell(now, address, null),
    })),
    ...(corrections.skipped ?? []).map((row) => ({
      key: `row ${row}`,
      title: words.row({ row }),
      back: (now: TableCorrections) => withSkipped(now, [row], false),
    })),
  ]
  if (all.length === 0) return null
  return (
    <section aria-label={words.title({ n: all.length })} className="px-4 pt-3">
      <h2 className="font-semibold">{words.title({ n: all.length })}</h2>
      <p className="mt-1 flex max-h-28 flex-wrap gap-1.5 overflow-y-auto">
        {all.map((one) => (
          <Chip key={one.key} removeName={`${words.remove}: ${one.title}`} onRemove={() => onChange(one.back, false)}>
            {one.title}
          </Chip>
        ))}
      </p>
    </section>
  )
}
