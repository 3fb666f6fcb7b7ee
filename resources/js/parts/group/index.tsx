import { lazyAgain } from '@/lib/lazyAgain'
import { definePart } from '../definePart'
import { toWords } from '../html'
import { PairKey } from '../PairKey'
import { treeWords } from '../treeWords'
import { Learner } from './Learner'
import type { ItemShown, Sorted } from './sorted'

type Row = { id: string; html: string }
const html = (list: unknown, id: string) => ((list ?? []) as Row[]).find((one) => one.id === id)?.html ?? id

export const group = definePart({
  kind: 'group',
  inline: false,
  fresh: (id) => ({
    id,
    kind: 'group',
    label: '',
    points: 2,
    settings: {
      groups: [1, 2].map((n) => ({ id: `g${n}`, html: '', max: null })),
      items: [1, 2, 3, 4].map((n) => ({ id: `i${n}`, html: '' })),
      shuffle: true,
    },
    key: { rules: [1, 2, 3, 4].map((n) => ({ id: `k${n}`, on: [`i${n}`, n < 3 ? 'g1' : 'g2'], credit: '1' })), default: '0' },
    scoring: { scheme: 'each', cost: '1' },
  }),
  Learner,
  ruleNamed: (rule, settings) => {
    const [item, into] = rule.on as [string, string]
    const said = (list: unknown, id: string) => {
      const found = ((list ?? []) as ItemShown[]).find((one) => one.id === id)
      return found ? treeWords(found.body) : id
    }
    return `“${said(settings.items, item)} – ${said(settings.groups, into)}”`
  },
  said: (response, part) =>
    Object.entries((response.groups as Sorted | undefined) ?? {})
      .map(
        ([id, items]) =>
          `${toWords(html(part.settings?.groups, id))}: ${items.map((item) => toWords(html(part.settings?.items, item))).join(', ')}`,
      )
      .join('; '),
  Key: ({ part }) => (
    <PairKey part={part} first={(id) => html(part.settings?.items, id)} second={(id) => html(part.settings?.groups, id)} />
  ),
  Editor: lazyAgain(() => import('./Editor').then((module) => ({ default: module.Editor }))),
})
