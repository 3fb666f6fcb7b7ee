import { lazyAgain } from '@/lib/lazyAgain'
import { definePart, type OptionShown } from '../definePart'
import { inlineWord, partFromWord } from '../fromWord'
import { toWords } from '../html'
import { treeWords } from '../treeWords'
import { Learner } from './Learner'

export const menu = definePart({
  kind: 'menu',
  inline: true,
  fromWord: partFromWord((part, word) => {
    const [first, ...others] = (part.settings?.options ?? []) as { id: string; html: string }[]
    const options = first ? [{ ...first, html: inlineWord(word) }, ...others] : [{ id: 'a', html: inlineWord(word) }]
    return { ...part, settings: { ...part.settings, options } }
  }),
  fresh: (id) => ({
    id,
    kind: 'menu',
    label: '',
    points: 1,
    settings: { options: ['a', 'b', 'c'].map((option) => ({ id: option, html: '' })), shuffle: true },
    key: { rules: [{ id: 'r1', on: 'a', credit: '1' }], default: '0' },
    scoring: { scheme: 'weights' },
  }),
  Learner,
  ruleNamed: (rule, settings) => {
    const option = ((settings.options ?? []) as OptionShown[]).find((one) => one.id === rule.on)
    return `“${option ? treeWords(option.body) : String(rule.on)}”`
  },
  answer: (part) => {
    const right = (part.key?.rules ?? []).find((rule) => rule.credit === '1')?.on
    const option = ((part.settings?.options ?? []) as { id: string; html: string }[]).find((one) => one.id === right)
    return option?.html ? `${toWords(option.html)} ▾` : ''
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
