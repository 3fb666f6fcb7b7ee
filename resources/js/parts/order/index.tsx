import type { Rule } from '@/api/question'
import { lazyAgain } from '@/lib/lazyAgain'
import { htmlTree } from '@/ui/htmlTree'
import { definePart } from '../definePart'
import { Flat } from '../Flat'
import { toWords } from '../html'
import type { Row } from '../pairKey'
import { Learner } from './Learner'

const html = (list: unknown, id: string) => ((list ?? []) as Row[]).find((one) => one.id === id)?.html ?? id

export const order = definePart({
  kind: 'order',
  inline: false,
  fresh: (id) => ({
    id,
    kind: 'order',
    label: '',
    points: 2,
    settings: { items: [1, 2, 3, 4].map((n) => ({ id: `i${n}`, html: '' })), layout: 'column', caption: { from: '', to: '' } },
    key: { rules: [{ id: 'r1', on: [['i1'], ['i2'], ['i3'], ['i4']], credit: '1' }] },
    scoring: { scheme: 'pairs' },
  }),
  Learner,
  said: (response, part) =>
    ((response.sequence as string[] | undefined) ?? []).map((id) => toWords(html(part.settings?.items, id))).join(' → '),
  Key: ({ part }) => (
    <ol className="plain my-2 flex flex-wrap gap-x-2 border-hairline border-y bg-accent-tint px-2 py-1.5 font-sans text-ui">
      {((part.key?.rules?.[0] as Rule<string[][]> | undefined)?.on ?? []).map((rank, i) => (
        <li key={rank.join('\t')}>
          {i > 0 ? '→ ' : ''}
          {rank.map((id, j) => (
            <span key={id}>
              {j > 0 ? ' = ' : ''}
              <Flat nodes={htmlTree(html(part.settings?.items, id))} />
            </span>
          ))}
        </li>
      ))}
    </ol>
  ),
  Editor: lazyAgain(() => import('./Editor').then((module) => ({ default: module.Editor }))),
})
