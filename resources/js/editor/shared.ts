import type { Part, QuestionJson, Rule } from '@/api/question'
import { freshId } from '@/parts/fresh'

/** Parts that share their answers: those of the later ones are put together with those of the first, so that none is lost. */
export function withShared(question: QuestionJson, once: string[][]): QuestionJson {
  const parts = once.reduce(gathered, question.parts)
  return { ...question, parts, scoring: { ...question.scoring, once } }
}

function gathered(parts: Part[], list: string[]): Part[] {
  const first = parts.find((part) => part.id === list[0])
  if (!first) return parts
  const others = parts.filter((part) => part !== first && list.includes(part.id) && part.kind === first.kind)
  const rules: Rule[] = [...(first.key?.rules ?? [])]
  for (const rule of others.flatMap((part) => part.key?.rules ?? []))
    if (!rules.some((known) => JSON.stringify(known.on) === JSON.stringify(rule.on))) rules.push({ ...rule, id: freshId(rules, 'r') })
  return parts.map((part) =>
    part === first ? { ...part, key: { ...part.key, rules } } : others.includes(part) ? { ...part, key: { ...part.key, rules: [] } } : part,
  )
}
