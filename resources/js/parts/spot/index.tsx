import { lazily } from '@/lib/lazily'
import { lazyAgain } from '@/lib/lazyAgain'
import { texts } from '@/messages'
import { Waiting } from '@/ui/Message'
import { definePart } from '../definePart'
import type { Region } from './regions'

const words = texts.kind.spot
const named = (region: Region | undefined, i: number) => region?.label || words.region({ n: i + 1 })

export const spot = definePart({
  kind: 'spot',
  inline: false,
  fresh: (id) => ({
    id,
    kind: 'spot',
    label: '',
    points: 1,
    settings: { picture: null, regions: [], show: 'outlined', min: 0, max: 1 },
    key: { rules: [], default: '0' },
    scoring: { scheme: 'weights' },
  }),
  // within its own boundary: the screen around a question must not wait for it
  Learner: lazily(() => import('./Learner'), 'Learner', <Waiting text={texts.loading} />),
  ruleNamed: (rule, settings) => {
    const regions = (settings.regions ?? []) as Region[]
    const i = regions.findIndex((one) => one.id === rule.on)
    return i < 0 ? `“${rule.on}”` : `“${named(regions[i], i)}”`
  },
  said: (response, part) => {
    const at = response.at as [number, number][] | undefined
    if (at) return at.map(([x, y]) => `${x}, ${y}`).join('; ')
    const regions = (part.settings?.regions ?? []) as Region[]
    return ((response.spots as string[] | undefined) ?? [])
      .map((id) => {
        const i = regions.findIndex((one) => one.id === id)
        return i < 0 ? id : named(regions[i], i)
      })
      .join(', ')
  },
  Key: () => null,
  Editor: lazyAgain(() => import('./Editor').then((module) => ({ default: module.Editor }))),
})
