import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { changeTray, type TrayRow, trayQuery } from '@/api/assembly'
import { bankQuery, banksQuery } from '@/api/queries'
import { useToast } from '@/ui/Toasts'

type Change = { add: Known[]; remove: string[] }
/** A question as a list shows it: enough to do something with it before the server has answered. */
type Known = { id: string; title: string; kinds: string[]; points: number; bank: string; bank_name: string }

/** Changes the server has not answered yet, in their order. */
const waiting: Change[] = []

/** What several changes come to, one after the other. */
export function together(changes: { add: { id: string }[]; remove: string[] }[]): { add: string[]; remove: string[] } {
  const add = new Set<string>()
  const remove = new Set<string>()
  for (const change of changes) {
    for (const id of change.remove) {
      add.delete(id)
      remove.add(id)
    }
    for (const { id } of change.add) {
      remove.delete(id)
      add.add(id)
    }
  }
  return { add: [...add], remove: [...remove] }
}

// A page that is left takes with it what waits in line; so it is sent once more, in one.
addEventListener('pagehide', () => {
  if (waiting.length > 0) changeTray(together(waiting), true).catch(() => undefined)
})

/** What is picked to do something with, wherever one is. Shown at once, stored in the order it was done. */
export function useTray() {
  const client = useQueryClient()
  const tell = useToast()
  const rows = useQuery(trayQuery).data ?? []
  const writes = (bank: string) => {
    const mayWrite = (
      client.getQueryData(bankQuery(bank).queryKey) ?? client.getQueryData(banksQuery.queryKey)?.find((one) => one.slug === bank)
    )?.may_write
    return mayWrite === true
  }
  const change = useMutation({
    mutationKey: ['tray'],
    scope: { id: 'tray' },
    mutationFn: ({ add, remove }: Change) => changeTray({ add: add.map((one) => one.id), remove }),
    onMutate: async ({ add, remove }) => {
      await client.cancelQueries({ queryKey: trayQuery.queryKey })
      client.setQueryData(trayQuery.queryKey, (now: TrayRow[] = []) => [
        ...now.filter((row) => !remove.includes(row.id)),
        ...add
          .filter((one) => !now.some((row) => row.id === one.id))
          .map(({ id, title, kinds, points, bank, bank_name }) => ({ id, title, kinds, points, bank, bank_name, may_write: writes(bank) })),
      ])
    },
    onSuccess: (now) => {
      // An answer on the way while more was done is older than what is shown.
      if (client.isMutating({ mutationKey: ['tray'] }) === 1) client.setQueryData(trayQuery.queryKey, now)
    },
    onSettled: (_, __, change) => {
      waiting.splice(waiting.indexOf(change), 1)
    },
    onError: (problem) => {
      client.invalidateQueries({ queryKey: trayQuery.queryKey })
      tell({ text: problem.message, look: 'problem' })
    },
  })
  const make = (one: Change) => {
    waiting.push(one)
    change.mutate(one)
  }
  return {
    rows,
    ids: rows.map((row) => row.id),
    add: (some: Known[]) => make({ add: some, remove: [] }),
    remove: (ids: string[]) => make({ add: [], remove: ids }),
    toggle: (one: Known) => make(rows.some((row) => row.id === one.id) ? { add: [], remove: [one.id] } : { add: [one], remove: [] }),
  }
}
export type Tray = ReturnType<typeof useTray>
