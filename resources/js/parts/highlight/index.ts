import type { TreeNode } from '@/api/question'
import { lazyAgain } from '@/lib/lazyAgain'
import { definePart } from '../definePart'
import { piecesOf } from '../pieces'
import { pieceWords } from '../pieceWords'
import { Learner } from './Learner'

export const highlight = definePart({
  kind: 'highlight',
  inline: false,
  fresh: (id) => ({
    id,
    kind: 'highlight',
    label: '',
    points: 2,
    settings: { text: '', min: 0, max: null },
    key: { rules: [], default: '0' },
    scoring: { scheme: 'each', cost: '1' },
  }),
  Learner,
  ruleNamed: (rule, settings) => `“${pieceWords((settings.text ?? []) as TreeNode[], String(rule.on)) ?? rule.on}”`,
  said: (response, part) => {
    const pieces = piecesOf(String(part.settings?.text ?? ''))
    return ((response.chosen as string[] | undefined) ?? []).map((id) => pieces.find((piece) => piece.id === id)?.words ?? id).join(', ')
  },
  Key: () => null,
  Editor: lazyAgain(() => import('./Editor').then((module) => ({ default: module.Editor }))),
})
