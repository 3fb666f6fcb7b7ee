import { useMutation } from '@tanstack/react-query'
import { useState } from 'react'
import { type RunAnswer, type RunEntry, type RunPlan, reportRun } from '@/api/assembly'
import { score } from '@/api/queries'
import type { Responses, Result } from '@/api/question'

/** What a learner did with one question so far. */
export type Work = { response: Responses; wrong: number; missed: boolean; hints: number; result: Result | null; finished: boolean }

const untouched: Work = { response: {}, wrong: 0, missed: false, hints: 0, result: null, finished: false }

/** Going through an assessment as a learner: what was given to each question, and what it comes to. It is kept nowhere. */
export function useRun(assessment: string, plan: RunPlan) {
  const [works, setWorks] = useState<Record<string, Work>>({})
  const of = (entry: string) => works[entry] ?? untouched
  const set = (entry: string, edit: (now: Work) => Work) => setWorks((now) => ({ ...now, [entry]: edit(now[entry] ?? untouched) }))
  const entries = plan.sections.flatMap((section) => section.entries)
  const check = useMutation({
    mutationFn: ({ entry, work }: { entry: RunEntry; work: Work }) => {
      const asked = plan.asked[entry.entry]
      if (!asked) throw new Error(entry.entry)
      return score(asked.question, work.response, plan.seed, work.wrong, work.hints, {}, entry.points)
    },
    onSuccess: (result, { entry, work }) =>
      set(entry.entry, (now) => {
        // the answer was changed while it was checked: this does not count as a try
        if (now.response !== work.response) return now
        // what a person has yet to mark is no wrong try
        const missed = result.counts && !['right', 'needs_marking'].includes(result.state)
        const wrong = now.wrong + (missed ? 1 : 0)
        const isOver = !missed ? result.counts : entry.attempts !== null && wrong >= entry.attempts
        return { ...now, result, missed, wrong, finished: isOver }
      }),
  })
  const given = (): Record<string, RunAnswer> =>
    Object.fromEntries(
      entries
        .filter(({ entry }) => works[entry])
        .map(({ entry }) => {
          const { response, wrong, missed, hints } = of(entry)
          return [entry, { response, earlier_wrong: wrong - (missed ? 1 : 0), hints }]
        }),
    )
  const report = useMutation({
    mutationFn: () => reportRun(assessment, { seed: plan.seed, practise: plan.practising && plan.purpose === 'choice', given: given() }),
  })
  return {
    entries,
    of,
    isAnswered: (entry: string) => Object.keys(of(entry).response).length > 0,
    /** @param answer  undefined where it is taken back */
    answer: (entry: string, part: string, answer: Record<string, unknown> | undefined) =>
      set(entry, (now) => {
        const { [part]: _, ...rest } = now.response
        return { ...now, result: null, missed: false, response: answer === undefined ? rest : { ...rest, [part]: answer } }
      }),
    hint: (entry: string) => set(entry, (now) => ({ ...now, hints: now.hints + 1 })),
    again: (entry: string) => set(entry, (now) => ({ ...now, result: null, missed: false })),
    check: (entry: RunEntry) => check.mutate({ entry, work: of(entry.entry) }),
    checking: check,
    handIn: () => report.mutate(),
    report,
  }
}
export type LearnersRun = ReturnType<typeof useRun>
