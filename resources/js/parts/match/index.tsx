import { lazyAgain } from '@/lib/lazyAgain'
import { definePart } from '../definePart'
import { toWords } from '../html'
import { PairKey } from '../PairKey'
import { treeWords } from '../treeWords'
import { Learner } from './Learner'
import type { Pair, SideShown } from './pairs'

type Side = { id: string; html: string }
const html = (side: unknown, id: string) => ((side ?? []) as Side[]).find((one) => one.id === id)?.html ?? id

export const match = definePart({
  kind: 'match',
  inline: false,
  fresh: (id) => ({
    id,
    kind: 'match',
    label: '',
    points: 2,
    settings: {
      left: [1, 2, 3].map((n) => ({ id: `l${n}`, html: '', uses: 1 })),
      right: [1, 2, 3].map((n) => ({ id: `r${n}`, html: '', uses: 1 })),
      by: 'lines',
      shuffle: true,
    },
    key: { rules: [1, 2, 3].map((n) => ({ id: `k${n}`, on: [`l${n}`, `r${n}`], credit: '1' })), default: '0' },
    scoring: { scheme: 'each', cost: '1' },
  }),
  Learner,
  ruleNamed: (rule, settings) => {
    const [left, right] = rule.on as Pair
    const said = (side: unknown, id: string) => {
      const item = ((side ?? []) as SideShown[]).find((one) => one.id === id)
      return item ? treeWords(item.body) : id
    }
    return `“${said(settings.left, left)} – ${said(settings.right, right)}”`
  },
  said: (response, part) =>
    ((response.pairs as Pair[] | undefined) ?? [])
      .map(([left, right]) => `${toWords(html(part.settings?.left, left))} – ${toWords(html(part.settings?.right, right))}`)
      .join('; '),
  Key: ({ part }) =>
    part.settings?.by === 'grid' ? null : (
      <PairKey part={part} first={(id) => html(part.settings?.left, id)} second={(id) => html(part.settings?.right, id)} />
    ),
  Editor: lazyAgain(() => import('./Editor').then((module) => ({ default: module.Editor }))),
})
