import { X } from 'lucide-react'
import { texts } from '@/messages'
import { Button } from '@/ui/Button'
import { onLine, onPlane } from '@/ui/graph/graph'
import { Gap, Pick } from '@/ui/Sentence'
import { numOf, shownNum } from './Axes'
import type { Ask } from './rules'

const words = texts.kind.graph
const bare = ['right_angle', 'equal_sides']

/** Properties that are asked for, each a few words with places to fill. */
export function Asks({ asks, label, surface, onChange }: { asks: Ask[]; label: string; surface: string; onChange: (asks: Ask[]) => void }) {
  const set = (at: number, ask: Ask) => onChange(asks.map((one, i) => (i === at ? ask : one)))
  const names = texts.graph.names
  return (
    <>
      {asks.map((ask, i) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: properties have no other name
        <span key={i} className="inline-flex flex-wrap items-baseline gap-1.5">
          <Pick
            aria-label={`${label}: ${words.property} ${i + 1}`}
            value={ask.property}
            options={Object.entries(words.properties)}
            onChange={(property) => set(i, started(property))}
          />
          {ask.property === 'figure' ? (
            <Pick
              aria-label={`${label}: ${words.properties.figure}`}
              value={ask.is ?? 'line'}
              options={(surface === 'line' ? onLine : onPlane).map((one) => [one, names[one] ?? one])}
              onChange={(is) => set(i, { ...ask, is })}
            />
          ) : ask.at ? (
            [0, 1].map((j) => (
              <Gap
                key={j}
                aria-label={`${label}: ${words.properties[ask.property]} ${j === 0 ? 'x' : 'y'}`}
                className="font-serif"
                value={shownNum(ask.at?.[j])}
                onChange={(event) => set(i, { ...ask, at: (ask.at ?? []).map((one, k) => (k === j ? numOf(event.target.value) : one)) })}
              />
            ))
          ) : bare.includes(ask.property) ? null : (
            <Gap
              aria-label={`${label}: ${words.properties[ask.property]}`}
              className="font-serif"
              value={shownNum(ask.value)}
              onChange={(event) => set(i, { ...ask, value: numOf(event.target.value) })}
            />
          )}
          <Button
            look="quiet"
            className="!min-h-7 !px-0"
            aria-label={`${words.removeAsk}: ${words.properties[ask.property]}`}
            onClick={() => onChange(asks.filter((_, j) => j !== i))}
          >
            <X size={14} aria-hidden="true" />
          </Button>
        </span>
      ))}
      <Button look="quiet" className="!min-h-7 !px-0" onClick={() => onChange([...asks, started('slope')])}>
        {words.addAsk}
      </Button>
    </>
  )
}

function started(property: string): Ask {
  if (property === 'figure') return { property, is: 'line' }
  if (property === 'through' || property === 'centre') return { property, at: ['0', '0'] }
  return bare.includes(property) ? { property } : { property, value: property === 'corners' ? '3' : '1' }
}
