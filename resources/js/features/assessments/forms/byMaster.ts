import type { FormEntry, FormSet, TestForm } from '@/api/paper'
import { compare } from '@/lib/format'

/** One question of the assessment, and where it stands on each form. */
export type MasterRow = { master: number; entries: Record<string, FormEntry> }

/** The questions in the order of the assessment. */
export function byMaster(set: FormSet): MasterRow[] {
  const rows = new Map<number, MasterRow>()
  for (const form of set.forms) {
    for (const entry of form.entries) {
      if (entry.master === null) continue
      const row = rows.get(entry.master) ?? { master: entry.master, entries: {} }
      row.entries[form.letter] = entry
      rows.set(entry.master, row)
    }
  }
  return [...rows.values()].sort((a, b) => a.master - b.master)
}

/** "B", or "A, C" of several right options; parts one after the other. */
export const keyText = (entry: FormEntry): string =>
  Object.values(entry.key)
    .map((letters) => letters.join(', '))
    .join('; ')

/** The letters that are right anywhere, in their order. */
export const lettersOf = (forms: TestForm[]): string[] =>
  [...new Set(forms.flatMap((form) => Object.keys(form.balance)))].sort((a, b) => a.length - b.length || compare(a, b))

/** The table of keys for a spreadsheet (RFC 4180). */
export function keysAsCsv(set: FormSet, head: string, title: (entry: FormEntry) => string): string {
  const cell = (text: string) => (/[",\n\r]/.test(text) ? `"${text.replaceAll('"', '""')}"` : text)
  const lines = byMaster(set).map(({ master, entries }) => [
    String(master),
    // drawn questions differ from form to form
    [...new Set(Object.values(entries).map(title))].join(' / '),
    ...set.forms.flatMap(({ letter }) => {
      const entry = entries[letter]
      return entry ? [String(entry.number), keyText(entry)] : ['', '']
    }),
  ])
  const heads = ['', head, ...set.forms.flatMap(({ letter }) => [`${letter} #`, letter])]
  // a cell that begins like a formula is text
  const safe = (text: string) => (/^[=+\-@\t\r]/.test(text) ? `'${text}` : text)
  return [heads, ...lines].map((line) => line.map(safe).map(cell).join(',')).join('\r\n')
}
