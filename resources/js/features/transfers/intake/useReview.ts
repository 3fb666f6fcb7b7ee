import { useMutation, useQueryClient } from '@tanstack/react-query'
import { type StagedChange, setStaged } from '@/api/intakes'
import { texts } from '@/messages'
import { useToast } from '@/ui/Toasts'

/** Decides on questions of an intake; lists and what is open are asked for again. */
export function useReview(intake: string) {
  const client = useQueryClient()
  const tell = useToast()
  return useMutation({
    mutationFn: ({
      target,
      change,
    }: {
      target: { ids: string[] } | { filter: string }
      change: StagedChange
      undo?: StagedChange
      quiet?: boolean
    }) => setStaged(intake, target, change),
    onSuccess: (done, { quiet, undo, target }) => {
      client.invalidateQueries({ queryKey: ['intake', intake] })
      if (quiet && done.left.length === 0) return
      const left = done.left.length > 0 ? ` ${texts.intake.left({ n: done.left.length, why: done.left[0]?.why ?? '' })}` : ''
      tell({
        text: texts.intake.done({ n: done.changed }) + left,
        ...(undo
          ? { undo: () => setStaged(intake, target, undo).then(() => client.invalidateQueries({ queryKey: ['intake', intake] })) }
          : {}),
      })
    },
    onError: (problem) => tell({ text: problem.message, look: 'problem' }),
  })
}
