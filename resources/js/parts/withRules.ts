import type { Part } from '@/api/question'

/** A part with other rules. One that a person was to mark because nothing was known to be right is scored once it has its first rule. */
export function withRules(part: Part, rules: unknown[]): Part {
  const first = part.scoring?.scheme === 'person' && (part.key?.rules ?? []).length === 0 && rules.length > 0
  const { scheme: _, ...scoring } = part.scoring ?? {}
  return { ...part, key: { ...part.key, rules }, ...(first ? { scoring } : {}) } as Part
}
