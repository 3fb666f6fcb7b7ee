import type { Rule } from '@/api/question'
import { lazily } from '@/lib/lazily'
import { lazyAgain } from '@/lib/lazyAgain'
import { texts } from '@/messages'
import { Waiting } from '@/ui/Message'
import { definePart } from '../definePart'
import { toWords } from '../html'
import { treeWords } from '../treeWords'
import type { LabelShown, Placed, TargetShown } from './placed'
import type { Label, Target, TypedRule } from './targets'

export const label = definePart({
  kind: 'label',
  inline: false,
  fresh: (id) => ({
    id,
    kind: 'label',
    label: '',
    points: 2,
    settings: { picture: null, targets: [], labels: [], by: 'placing', shuffle: true },
    key: { rules: [], default: '0' },
    scoring: { scheme: 'each', cost: '1' },
  }),
  // within its own boundary: the screen around a question must not wait for it
  Learner: lazily(() => import('./Learner'), 'Learner', <Waiting text={texts.loading} />),
  ruleNamed: (rule, settings) => {
    const targets = (settings.targets ?? []) as TargetShown[]
    const at = targets.findIndex((one) => one.id === (Array.isArray(rule.on) ? rule.on[0] : (rule as TypedRule).on.piece)) + 1
    const found = Array.isArray(rule.on)
      ? ((settings.labels ?? []) as LabelShown[]).find((one) => one.id === (rule as Rule<[string, string]>).on[1])
      : undefined
    const said = found
      ? treeWords(found.body)
      : Array.isArray(rule.on)
        ? String(rule.on[1])
        : ((rule as TypedRule).on.text ?? []).join(' / ')
    return `“${said}”${at > 0 ? ` (${at})` : ''}`
  },
  said: (response, part) => {
    const placed = (response.labels as Placed | undefined) ?? {}
    const labels = (part.settings?.labels ?? []) as Label[]
    return ((part.settings?.targets ?? []) as Target[])
      .flatMap((target, i) => {
        const id = placed[target.id]
        return id === undefined ? [] : [`${i + 1} ${toWords(labels.find((one) => one.id === id)?.html ?? id)}`]
      })
      .join(', ')
  },
  Key: () => null,
  Editor: lazyAgain(() => import('./Editor').then((module) => ({ default: module.Editor }))),
})
