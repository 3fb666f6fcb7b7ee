import type { TreeNode } from '@/api/question'
import { lazyAgain } from '@/lib/lazyAgain'
import { definePart } from '../definePart'
import { piecesOf } from '../pieces'
import { pieceWords } from '../pieceWords'
import { Learner } from './Learner'

export const amend = definePart({
  kind: 'amend',
  inline: false,
  fresh: (id) => ({
    id,
    kind: 'amend',
    label: '',
    points: 2,
    settings: { text: '' },
    key: { rules: [], default: '0' },
    scoring: { scheme: 'each', cost: '1', find: '0' },
  }),
  Learner,
  ruleNamed: (rule, settings) => {
    const piece = (rule.on as { piece?: string }).piece ?? ''
    return `“${pieceWords((settings.text ?? []) as TreeNode[], piece) ?? piece}”`
  },
  said: (response, part) => {
    const pieces = piecesOf(String(part.settings?.text ?? ''))
    return Object.entries((response.amends as Record<string, string> | undefined) ?? {})
      .map(([id, typed]) => `${pieces.find((piece) => piece.id === id)?.words ?? id} → ${typed || '?'}`)
      .join(', ')
  },
  Key: () => null,
  Editor: lazyAgain(() => import('./Editor').then((module) => ({ default: module.Editor }))),
})
