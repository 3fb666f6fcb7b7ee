import type { Rule } from '@/api/question'
import { isZero } from '@/lib/credit'
import { lazyAgain } from '@/lib/lazyAgain'
import { definePart } from '../definePart'
import { toWords } from '../html'
import { treeWords } from '../treeWords'
import type { Filled, TileShown } from './filled'
import { fromWord } from './fromWord'
import { Gap } from './Gap'
import { Learner } from './Learner'

export const tiles = definePart({
  kind: 'tiles',
  inline: false,
  fromWord,
  fresh: (id) => ({
    id,
    kind: 'tiles',
    label: '',
    points: 1,
    settings: { tiles: [], shuffle: true },
    key: { rules: [], default: '0' },
    scoring: { scheme: 'each', cost: '1' },
  }),
  Learner,
  Gap,
  ruleNamed: (rule, settings) => {
    const [gap, id] = (rule as Rule<[string, string]>).on
    const tile = ((settings.tiles ?? []) as TileShown[]).find((one) => one.id === id)
    const at = ((settings.gaps ?? []) as string[]).indexOf(gap)
    return `“${tile ? treeWords(tile.body) : id}”${at < 0 ? '' : ` (${at + 1})`}`
  },
  answer: (part, gap) => {
    const rule = ((part.key?.rules ?? []) as Rule<[string, string]>[]).find((one) => one.on[0] === gap && !isZero(one.credit))
    const tile = ((part.settings?.tiles ?? []) as { id: string; html: string }[]).find((one) => one.id === rule?.on[1])
    return tile ? toWords(tile.html) : ''
  },
  said: (response, part) => {
    const known = (part.settings?.tiles ?? []) as { id: string; html: string }[]
    return Object.values((response.gaps as Filled | undefined) ?? {})
      .map((id) => toWords(known.find((tile) => tile.id === id)?.html ?? id))
      .join(', ')
  },
  Key: () => null,
  Editor: lazyAgain(() => import('./Editor').then((module) => ({ default: module.Editor }))),
})
