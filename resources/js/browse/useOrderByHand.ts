import { type InfiniteData, useMutation, useQueryClient } from '@tanstack/react-query'
import { orderInFolder } from '@/api/order'
import { type Page, questionsQuery } from '@/api/queries'
import type { QuestionRow } from '@/api/schema'
import { useToast } from '@/ui/Toasts'
import { withRowMoved } from './withRowMoved'

type Move = { row: QuestionRow; before: QuestionRow | null }

/** The order of a folder's questions: a move is seen at once, so the next key goes on from there, and is stored one after the other. */
export function useOrderByHand(slug: string, folder: string, filter: string) {
  const client = useQueryClient()
  const tell = useToast()
  const mutationKey = ['order', slug, folder]
  const { queryKey } = questionsQuery(slug, filter)
  return useMutation({
    mutationKey,
    scope: { id: mutationKey.join(' ') },
    mutationFn: ({ row, before }: Move) => orderInFolder(slug, folder, row.id, before?.id ?? null),
    onMutate: async ({ row, before }) => {
      await client.cancelQueries({ queryKey })
      client.setQueryData<InfiniteData<Page, string>>(queryKey, (list) => list && withRowMoved(list, row.id, before?.id ?? null))
    },
    onError: (problem) => tell({ text: problem.message, look: 'problem' }),
    onSettled: () =>
      // What is read while another move waits would show that one undone.
      client.isMutating({ mutationKey }) > 1 ? undefined : client.invalidateQueries({ queryKey: ['bank', slug, 'questions'] }),
  })
}
