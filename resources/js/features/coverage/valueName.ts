import { texts } from '@/messages'
import { kindNames } from '@/parts/words'
import type { layers } from './useCoverageAddress'

/** What a value of a layer is called. */
export function valueName(by: (typeof layers)[number], value: string): string {
  if (value === '') return texts.coverage.notSet
  if (by === 'kind') return kindNames[value] ?? value
  if (by === 'status') return texts.status[value] ?? value
  if (by === 'marks') return texts.bank.marks[value] ?? value
  return value
}

/** Layers from light to dark in the order of their scale; what is not set is of the ground. */
const tones = ['bg-layer-1 text-ink', 'bg-layer-2 text-ink', 'bg-layer-3 text-ink', 'bg-layer-4 text-on-layer', 'bg-layer-5 text-on-layer']
export function toneOf(values: string[], value: string): string {
  if (value === '') return 'bg-hairline text-ink'
  const scale = values.filter((one) => one !== '')
  const at = scale.indexOf(value)
  return tones[scale.length <= 1 ? 2 : Math.round((at * (tones.length - 1)) / (scale.length - 1))] ?? ''
}
