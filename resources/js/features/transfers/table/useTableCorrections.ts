import { useMutation, useQueryClient } from '@tanstack/react-query'
import { useEffect, useRef, useState } from 'react'
import { correctTable, type TableCorrections } from '@/api/tables'
import { texts } from '@/messages'
import { useToast } from '@/ui/Toasts'

type Step = { next: TableCorrections; base: TableCorrections; isTold: boolean }

export type CorrectTable = {
  isPending: boolean
  /** As they stand with what is still on its way. */
  now: TableCorrections
  change: (by: (now: TableCorrections) => TableCorrections, isTold?: boolean) => void
}

/** Reads the table again with what is corrected. What is typed while it is being read goes after it, so that no cell waits for another. */
export function useTableCorrections(intake: string, file: string, held: TableCorrections): CorrectTable {
  const client = useQueryClient()
  const tell = useToast()
  const again = () => client.invalidateQueries({ queryKey: ['intake', intake] })
  const [wanted, setWanted] = useState<TableCorrections | null>(null)
  const latest = useRef<TableCorrections | null>(null)
  const send = useMutation({
    mutationFn: ({ next, base }: Step) => correctTable(intake, file, next, base),
    onSuccess: async (_, { next, base, isTold }) => {
      if (latest.current && latest.current !== next) {
        send.mutate({ next: latest.current, base: next, isTold: false })
        return
      }
      await again()
      if (latest.current === next) {
        latest.current = null
        setWanted(null)
      }
      if (isTold) tell({ text: texts.questionTable.read, undo: () => correctTable(intake, file, base, next).then(again) })
    },
    onError: (problem) => {
      latest.current = null
      setWanted(null)
      tell({ text: problem.message, look: 'problem' })
      again()
    },
  })
  const now = wanted ?? held
  const heldNow = useRef(held)
  useEffect(() => {
    heldNow.current = held
  }, [held])
  return {
    isPending: send.isPending,
    now,
    change: (by, isTold = false) => {
      const next = by(latest.current ?? heldNow.current)
      latest.current = next
      setWanted(next)
      if (!send.isPending) send.mutate({ next, base: heldNow.current, isTold })
    },
  }
}
