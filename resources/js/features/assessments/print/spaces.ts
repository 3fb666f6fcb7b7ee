import type { PrintSettings } from '@/api/assembly'

export type Space = Omit<NonNullable<PrintSettings['spaces']>[number], 'entry'>

/** What is drawn when somebody first chooses a space for a question. */
export const USUAL = 12

/** What is set for an entry; its answer space only where one is chosen. */
export const spaceOf = (settings: PrintSettings, entry: string): Space | undefined => settings.spaces?.find((one) => one.entry === entry)

/** With other settings for an entry; those that say nothing are left out. */
export function withSpace(settings: PrintSettings, entry: string, change: Partial<Space> | null): PrintSettings {
  const { entry: _, ...was } = settings.spaces?.find((one) => one.entry === entry) ?? { entry }
  const next: Space = change === null ? (was.break ? { break: true } : {}) : { ...was, ...change }
  if (next.break === false) delete next.break
  const others = (settings.spaces ?? []).filter((one) => one.entry !== entry)
  return { ...settings, spaces: Object.keys(next).length > 0 ? [...others, { entry, ...next }] : others }
}
