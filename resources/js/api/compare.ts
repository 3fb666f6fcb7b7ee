import { call } from './client'
import type * as schema from './schema'

export type BankComparison = schema.BankComparison
type Answer = schema.Answers['POST /banks/{bank}/compare']

/** A bank, or a folder of it, beside another bank or a file. */
export async function compareBank(slug: string, filter: string, other: { bank: string; filter: string } | { file: File }) {
  if ('file' in other) {
    const form = new FormData()
    form.append('file', other.file)
    form.append('filter', filter)
    return (await call<Answer>('POST', `/banks/${slug}/compare`, form)).body.data
  }
  return (await call<Answer>('POST', `/banks/${slug}/compare`, { filter, with: other.bank, with_filter: other.filter })).body.data
}

export const takeTheirs = async (slug: string, pairs: { here: string; there: string }[]) =>
  (await call<schema.Answers['POST /banks/{bank}/compare/take']>('POST', `/banks/${slug}/compare/take`, { pairs })).body
