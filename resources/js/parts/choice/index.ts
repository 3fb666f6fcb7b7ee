import { lazyAgain } from '@/lib/lazyAgain'
import { definePart, type OptionShown } from '../definePart'
import { toWords } from '../html'
import { Learner, signs } from './Learner'

export const choice = definePart({
  kind: 'choice',
  inline: false,
  joinsStatements: true,
  fresh: (id) => ({
    id,
    kind: 'choice',
    label: '',
    points: 1,
    settings: {
      options: ['a', 'b', 'c', 'd'].map((option) => ({ id: option, html: '' })),
      min: 0,
      max: 1,
      layout: 'column',
      labels: 'A',
      shuffle: true,
    },
    key: { rules: [{ id: 'r1', on: 'a', credit: '1' }], default: '0' },
    scoring: { scheme: 'weights' },
  }),
  Learner,
  ruleSign: (rule, settings) => {
    const at = (settings.options as OptionShown[] | undefined)?.findIndex((option) => option.id === rule?.on) ?? -1
    return at < 0 ? undefined : signs[String(settings.labels)]?.(at) || undefined
  },
  said: (response, part) => {
    const options = (part.settings?.options ?? []) as { id: string; html: string }[]
    return ((response.chosen as string[] | undefined) ?? [])
      .map((id) => toWords(options.find((one) => one.id === id)?.html ?? id))
      .join('; ')
  },
  Key: () => null,
  Editor: lazyAgain(() => import('./Editor').then((module) => ({ default: module.Editor }))),
})
