import { texts } from '@/messages'

const words = texts.kind.upload.kinds

/** Kinds of file people know, and the media types each stands for (IANA). */
export const KINDS: [keyof typeof words, string[]][] = [
  ['pictures', ['image/*']],
  ['pdf', ['application/pdf']],
  [
    'documents',
    ['application/vnd.oasis.opendocument.text', 'application/vnd.openxmlformats-officedocument.wordprocessingml.document', 'text/plain'],
  ],
  [
    'spreadsheets',
    ['application/vnd.oasis.opendocument.spreadsheet', 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet', 'text/csv'],
  ],
  [
    'slides',
    ['application/vnd.oasis.opendocument.presentation', 'application/vnd.openxmlformats-officedocument.presentationml.presentation'],
  ],
  ['sound', ['audio/*']],
  ['video', ['video/*']],
]

/** Types in words: those of a kind that are all there by its name, others as they are. */
export function kindsNamed(types: string[]): string {
  const whole = KINDS.filter(([, of]) => of.every((type) => types.includes(type)))
  const known = whole.flatMap(([, of]) => of)
  return [...whole.map(([name]) => words[name]), ...types.filter((type) => !known.includes(type))].join(', ')
}

/** Bytes as people say them. */
export function sizeSaid(bytes: number): string {
  for (const [unit, worth] of [['GB', 1e9], ['MB', 1e6], ['kB', 1e3]] as const) // biome-ignore format: one line says it
    if (bytes >= worth) return `${Math.round((bytes / worth) * 10) / 10} ${unit}`
  return `${bytes} B`
}
