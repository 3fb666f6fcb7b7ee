import type { Presentation, QuestionJson } from '@/api/question'
import { texts } from '@/messages'
import { partView } from '@/parts'

/** Rules by the names people know them by: an option's sign, or the place in the key. */
export function ruleCalled(rule: string, id: string, question: QuestionJson, shown: Presentation): string {
  const part = question.parts.find((one) => one.id === id)
  const shared = (question.scoring?.once as string[][] | undefined)?.find((list) => list.includes(id))?.[0]
  const rules = question.parts.find((one) => one.id === (shared ?? id))?.key?.rules ?? question.parts.flatMap((one) => one.key?.rules ?? [])
  const at = rules.findIndex((one) => one.id === rule)
  const view = part && partView(part.kind)
  // what is not shown to learners, such as hidden regions, is named all the same
  const settings = { ...part?.settings, ...shown.parts.find((one) => one.id === id)?.settings }
  const sign = view?.ruleSign?.(rules[at], settings)
  return (
    (rules[at] && view?.ruleNamed?.(rules[at], settings)) ??
    (sign ? texts.parts.optionNamed({ sign }) : texts.parts.ruleNumber({ n: at + 1 }))
  )
}
