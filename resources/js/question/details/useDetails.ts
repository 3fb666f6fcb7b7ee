import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { setDetails } from '@/api/account'
import { meQuery } from '@/api/queries'
import { texts } from '@/messages'
import { type ScreenCommand, single, useCommands } from '@/ui/commands'
import { useToast } from '@/ui/Toasts'

/** What can stand beside a question, in the order in which it stands; core Question\Detail. */
export const DETAILS = ['key', 'feedback', 'standards', 'difficulty', 'place', 'source', 'state'] as const
export type Detail = (typeof DETAILS)[number]

/** Keeping a choice; what the server makes of it waits for that. */
export const DETAILS_KEPT = ['details']

/** The key that shows or hides a detail. */
export const keyOf = (detail: Detail) => (detail === 'key' ? 'k' : String(DETAILS.indexOf(detail) + 1))

/** What the person who is signed in wants beside questions, everywhere. */
export function useDetails() {
  const client = useQueryClient()
  const tell = useToast()
  const shown = useQuery(meQuery).data?.details ?? []
  const know = (details: string[]) => client.setQueryData(meQuery.queryKey, (me) => (me ? { ...me, details } : me))
  const store = useMutation({
    mutationKey: DETAILS_KEPT,
    mutationFn: setDetails,
    // lists have places and sources only for those who want them
    onSuccess: () => client.invalidateQueries({ predicate: ({ queryKey }) => queryKey[0] === 'bank' && queryKey[2] === 'questions' }),
    // one after the other, so that the last choice is the one that stays
    scope: { id: 'details' },
    onError: (problem) => {
      tell({ text: problem.message, look: 'problem' })
      client.invalidateQueries({ queryKey: meQuery.queryKey, exact: true })
    },
  })
  return {
    shown: DETAILS.filter((one) => shown.includes(one)),
    has: (detail: Detail) => shown.includes(detail),
    toggle: (detail: Detail) => {
      const now = client.getQueryData(meQuery.queryKey)?.details ?? []
      const next = DETAILS.filter((one) => (one === detail) !== now.includes(one))
      know(next)
      store.mutate(next)
    },
  }
}

/** The same by keys, on screens where a choice can be seen. */
export function useDetailKeys(enabled = true) {
  const { toggle } = useDetails()
  useCommands(
    'details',
    (enabled ? DETAILS : []).map(
      (detail): ScreenCommand => ({
        id: `detail-${detail}`,
        group: texts.frame.groups.view,
        title: texts.details.toggle({ name: texts.details.names[detail] ?? '' }),
        keys: keyOf(detail),
        single: true,
        on: single(keyOf(detail)),
        run: () => toggle(detail),
      }),
    ),
  )
}
