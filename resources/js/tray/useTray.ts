import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { changeTray, type TrayRow, trayQuery } from '@/api/assembly'
import { useTell } from '@/components/Toasts'

type Known = { id: string; title: string; kinds: string[]; points: number }

/** What is picked to do something with, wherever one is. Shown at once, stored in the order it was done. */
export function useTray() {
  const client = useQueryClient()
  const tell = useTell()
  const rows = useQuery(trayQuery).data ?? []
  const change = useMutation({
    mutationKey: ['tray'],
    scope: { id: 'tray' },
    mutationFn: ({ add, remove }: { add: Known[]; remove: string[] }) => changeTray({ add: add.map((one) => one.id), remove }),
    onMutate: async ({ add, remove }) => {
      await client.cancelQueries({ queryKey: trayQuery.queryKey })
      client.setQueryData(trayQuery.queryKey, (now: TrayRow[] = []) => [
        ...now.filter((row) => !remove.includes(row.id)),
        ...add
          .filter((one) => !now.some((row) => row.id === one.id))
          .map(({ id, title, kinds, points }) => ({ id, title, kinds, points, bank: '', bank_name: '', may_write: false })),
      ])
    },
    onSuccess: (now) => {
      // An answer on the way while more was done is older than what is shown.
      if (client.isMutating({ mutationKey: ['tray'] }) === 1) client.setQueryData(trayQuery.queryKey, now)
    },
    onError: (problem) => {
      client.invalidateQueries({ queryKey: trayQuery.queryKey })
      tell({ text: problem.message, look: 'problem' })
    },
  })
  return {
    rows,
    ids: rows.map((row) => row.id),
    add: (some: Known[]) => change.mutate({ add: some, remove: [] }),
    remove: (ids: string[]) => change.mutate({ add: [], remove: ids }),
    toggle: (one: Known) =>
      change.mutate(rows.some((row) => row.id === one.id) ? { add: [], remove: [one.id] } : { add: [one], remove: [] }),
  }
}
export type Tray = ReturnType<typeof useTray>
