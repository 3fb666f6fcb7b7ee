import type { CarryPlan, CarryPreview } from '@/api/carry'

/** What somebody has chosen so far. */
export type Draft = {
  isNew: boolean
  into: string
  name: string
  folder: string
  what: 'everything' | 'shown' | 'chosen'
  folders: string[]
  assessments: string[]
  how: 'copies' | 'placements'
  /** topic here → as it was typed; both as paths written out */
  topics: Record<string, string>
  /** framework → another, '' to leave it out */
  frameworks: Record<string, string>
}

export const steps = (path: string): string[] =>
  path
    .split('›')
    .map((step) => step.trim())
    .filter((step) => step !== '')

export const written = (path: string[]): string => path.join(' › ')

/** @param shown the filter of the list that somebody came from */
export function planOf(draft: Draft, shown: string): CarryPlan {
  return {
    ...(draft.isNew ? { new_bank: draft.name } : draft.into === '' ? {} : { into: draft.into }),
    ...(draft.what === 'everything' ? { filter: '' } : draft.what === 'shown' ? { filter: shown } : {}),
    folders: draft.what === 'chosen' ? draft.folders : [],
    assessments: draft.assessments,
    how: draft.how,
    folder: steps(draft.folder),
    topics: Object.entries(draft.topics)
      .filter(([from, to]) => steps(to).join() !== steps(from).join())
      .map(([from, to]) => ({ from: steps(from), to: steps(to).length === 0 ? null : steps(to) })),
    frameworks: Object.fromEntries(
      Object.entries(draft.frameworks)
        .filter(([from, to]) => from !== to)
        .map(([from, to]) => [from, to === '' ? null : to]),
    ),
  }
}

/** What the preview is asked for: it needs no bank that is still to be made. */
export function previewed(plan: CarryPlan): CarryPlan {
  const { new_bank: _, ...rest } = plan
  return rest
}

export const isSomething = (preview: CarryPreview | undefined) =>
  preview !== undefined && (preview.questions - preview.not_lent > 0 || preview.assessments.length > 0)
