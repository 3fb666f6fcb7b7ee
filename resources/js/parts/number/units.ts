import type { Feedback } from '@/api/question'

/** What may be the matter with a unit; each earns a share and has feedback of its own. */
export const MATTERS = ['missing', 'wrong', 'prefix', 'other'] as const
export type Matter = (typeof MATTERS)[number]

export type Units = {
  policy: string
  unit?: string
  other?: string
  choices?: string[]
} & { [matter in `${Matter}_credit`]?: string } & { [matter in `${Matter}_feedback`]?: Feedback }
