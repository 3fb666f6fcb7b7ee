import { lazily } from '@/lib/lazily'
import { lazyAgain } from '@/lib/lazyAgain'
import { texts } from '@/messages'
import { type Figure, written } from '@/ui/graph/graph'
import { Waiting } from '@/ui/Message'
import { definePart } from '../definePart'

const words = texts.kind.graph

export const graph = definePart({
  kind: 'graph',
  inline: false,
  fresh: (id) => ({
    id,
    kind: 'graph',
    label: '',
    points: 1,
    settings: {
      surface: 'plane',
      x: { from: '-5', to: '5', step: '1', name: 'x' },
      y: { from: '-5', to: '5', step: '1', name: 'y' },
      snap: '1',
      tools: ['line'],
      max: 1,
    },
    key: { rules: [], default: '0' },
    scoring: { scheme: 'weights' },
  }),
  // loaded when a question with a grid is opened
  Learner: lazily(() => import('./Learner'), 'Learner', <Waiting text={texts.loading} />),
  ruleNamed: (rule) => words.answerN({ n: Number(rule.id.replace(/\D/g, '')) || 1 }),
  said: (response) =>
    ((response.figures as Figure[] | undefined) ?? [])
      .map((one) => `${texts.graph.names[one.figure] ?? one.figure} ${one.expression ?? written(one)}`)
      .join('; '),
  Key: lazily(() => import('./Key'), 'Key', <Waiting text={texts.loading} />),
  Editor: lazyAgain(() => import('./Editor').then((module) => ({ default: module.Editor }))),
})
