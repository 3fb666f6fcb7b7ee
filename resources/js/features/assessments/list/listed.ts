import type { AssessmentRow } from '@/api/assembly'
import { compare, fold } from '@/lib/format'

/** What the list of assessments is to show, as it stands in the address. */
export type Listed = {
  words: string
  /** A bank's slug; '' for all. */
  bank: string
  /** Names from the top down. */
  folder: string[]
  state: string
  used: string
  group: string
  course: string
  term: string
  sort: string
}

/** The names of a folder as one value of the address, and back; no name has a line break. */
export const joined = (folder: string[]) => folder.join('\n')
export const split = (folder: string) => (folder === '' ? [] : folder.split('\n'))

export const isIn = (row: { folder: string[] }, folder: string[]) => folder.every((name, i) => row.folder[i] === name)

/** Those that meet every condition. What is archived is shown only when it is asked for. */
export function shownOf(rows: AssessmentRow[], asked: Listed): AssessmentRow[] {
  const words = fold(asked.words).split(/\s+/).filter(Boolean)
  const found = rows.filter((row) => {
    const archived = row.archived || row.state === 'archived'
    if (asked.state === 'archived' ? !archived : archived) return false
    if (asked.state !== '' && asked.state !== 'archived' && row.state !== asked.state) return false
    if (asked.bank !== '' && row.bank !== asked.bank) return false
    if (!isIn(row, asked.folder)) return false
    if (asked.course !== '' && row.course !== asked.course) return false
    if (asked.term !== '' && row.term !== asked.term) return false
    if (asked.group !== '' && !row.used.some((one) => one.with === asked.group)) return false
    if (asked.used === 'never' && row.used.length > 0) return false
    if (/^\d{4}$/.test(asked.used) && !row.used.some((one) => one.on.startsWith(asked.used))) return false
    const text = fold([row.title, row.bank_name, ...row.folder, row.course, row.term, ...row.used.map((one) => one.with)].join(' '))
    return words.every((word) => text.includes(word))
  })
  if (asked.sort === 'title') return [...found].sort((a, b) => compare(a.title, b.title))
  if (asked.sort === 'changed') return [...found].sort((a, b) => b.updated_at.localeCompare(a.updated_at))
  if (asked.sort === 'used') return [...found].sort((a, b) => (b.used[0]?.on ?? '').localeCompare(a.used[0]?.on ?? ''))
  return found // as the server gives them: those opened last first
}

/** Every value that stands in some rows, once, in order. */
export const valuesOf = (rows: AssessmentRow[], of: (row: AssessmentRow) => string[]): string[] =>
  [...new Set(rows.flatMap(of).filter((value) => value !== ''))].sort(compare)

export type FolderNode = { key: string; bank: string; folder: string[]; name: string; count: number; depth: number }

/** Banks, and the folders in each, as a tree drawn flat; each counts what is below it too. */
export function foldersOf(rows: AssessmentRow[]): FolderNode[] {
  const nodes = new Map<string, FolderNode>()
  for (const row of rows) {
    if (row.archived || row.state === 'archived') continue
    for (let depth = 0; depth <= row.folder.length; depth++) {
      const folder = row.folder.slice(0, depth)
      const key = [row.bank, ...folder].join('\n')
      const node = nodes.get(key) ?? { key, bank: row.bank, folder, name: folder.at(-1) ?? row.bank_name, count: 0, depth }
      nodes.set(key, { ...node, count: node.count + 1 })
    }
  }
  const path = (node: FolderNode) => [nodes.get(node.bank)?.name ?? '', ...node.folder]
  return [...nodes.values()].sort((a, b) => {
    const [left, right] = [path(a), path(b)]
    for (let i = 0; i < Math.min(left.length, right.length); i++) {
      const order = compare(left[i] ?? '', right[i] ?? '') || (left[i] ?? '').localeCompare(right[i] ?? '')
      if (order !== 0) return order
    }
    return left.length - right.length
  })
}
