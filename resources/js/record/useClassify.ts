import { useMutation, useQueryClient } from '@tanstack/react-query'
import { type Classification, classify, type Target, undoAct } from '@/api/actions'
import { useTell } from '@/components/Toasts'
import { texts } from '@/texts'

/** Changes records and says so, with a way back. Lists and what is open are asked for again. */
export function useClassify(slug: string) {
  const client = useQueryClient()
  const tell = useTell()
  const refresh = () => {
    client.invalidateQueries({ queryKey: ['bank', slug] })
    client.invalidateQueries({ queryKey: ['bank', ''] }) // the catalogue over all banks
    client.invalidateQueries({ queryKey: ['question'] })
    client.invalidateQueries({ queryKey: ['banks'] })
  }
  return useMutation({
    mutationFn: ({ target, change }: { target: Target; change: Classification; quiet?: boolean }) => classify(slug, target, change),
    onSuccess: (act, { quiet }) => {
      refresh()
      if (quiet && act.left.length === 0) return
      const left = act.left.length > 0 ? ` ${texts.record.left(act.left.length, act.left[0]?.why ?? '')}` : ''
      tell({
        text: `${texts.record.done(act.changed)}${left}`,
        ...(act.changed > 0
          ? {
              undo: () =>
                undoAct(act.act).then(
                  (done) => {
                    refresh()
                    tell({ text: texts.frame.undone(done.changed, done.left) })
                  },
                  (problem: Error) => tell({ text: problem.message, look: 'problem' }),
                ),
            }
          : {}),
      })
    },
    onError: (problem) => tell({ text: problem.message, look: 'problem' }),
  })
}
