import { useMutation, useQueryClient } from '@tanstack/react-query'
import { useNavigate } from 'react-router'
import { type Act, type BulkChange, changeMany, goesOn, type Target, undoAct } from '@/api/acts'
import { texts } from '@/messages'
import { useToast } from '@/ui/Toasts'

/** Everything that shows questions or counts them is asked for again. */
export function useRefresh() {
  const client = useQueryClient()
  return () => {
    for (const key of ['bank', 'question', 'banks', 'tray', 'act', 'desk', 'rubric', 'rubrics'])
      client.invalidateQueries({ queryKey: [key] })
  }
}

/** Says what an act came to, in one line, with a way back and a link to its receipt. */
export function useActToast() {
  const tell = useToast()
  const navigate = useNavigate()
  const refresh = useRefresh()
  const told = (act: Act) => {
    refresh()
    const link = (title: string) => ({ title, go: () => navigate(`/acts/${act.act}`) })
    if (goesOn(act)) {
      tell({
        text: act.state === 'waiting' && act.total < 500 ? texts.acts.going.waiting : texts.acts.started({ count: act.total }),
        link: link(texts.acts.follow),
      })
      return
    }
    const left = act.left_count > 0 ? ` ${texts.acts.leftOne({ count: act.left_count, why: act.left[0]?.why ?? '' })}` : ''
    tell({
      text: `${texts.acts.done[act.kind]?.({ count: act.changed, assessments: act.assessments }) ?? ''}${left}`,
      ...(act.left_count > 1 ? { link: link(texts.acts.receipt) } : {}),
      ...(act.may_undo
        ? { undo: () => undoAct(act.act).then(told, (problem: Error) => tell({ text: problem.message, look: 'problem' })) }
        : {}),
    })
  }
  return told
}

/** Changes questions of a bank; what became of it is told. */
export function useAct(slug: string) {
  const told = useActToast()
  const tell = useToast()
  const refresh = useRefresh()
  return useMutation({
    mutationFn: ({ target, change }: { target: Target; change: BulkChange; quiet?: boolean }) => changeMany(slug, target, change),
    onSuccess: (act, { quiet }) => {
      if (quiet && !goesOn(act) && act.left_count === 0) refresh()
      else told(act)
    },
    onError: (problem) => tell({ text: problem.message, look: 'problem' }),
  })
}
