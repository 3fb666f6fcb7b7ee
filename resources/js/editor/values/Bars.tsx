import type { StudiedValue } from '@/api/values'
import { texts } from '@/messages'

const words = texts.values.study

/** How often a value was what, as bars; each says its numbers to who points at it, and all of them to who listens. */
export function Bars({ value }: { value: StudiedValue }) {
  const most = Math.max(1, ...value.bars.map((bar) => bar.count))
  const said = value.bars.map((bar) =>
    bar.from === bar.to ? words.single({ value: bar.from, n: bar.count }) : words.bar({ from: bar.from, to: bar.to, n: bar.count }),
  )
  return (
    <div role="img" aria-label={said.join('; ')} className="flex h-6 items-end gap-px">
      {value.bars.map((bar, i) => (
        <span
          key={`${bar.from} ${bar.to}`}
          title={said[i]}
          className="min-w-1.5 max-w-4 flex-1 bg-information"
          style={{ height: `${bar.count === 0 ? 0 : Math.max(8, (bar.count / most) * 100)}%` }}
        />
      ))}
    </div>
  )
}
