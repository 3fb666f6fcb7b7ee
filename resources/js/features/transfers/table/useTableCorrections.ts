import { useQueryClient } from '@tanstack/react-query'
import { useEffect, useRef, useState } from 'react'
import { ApiProblem } from '@/api/client'
import { correctFile } from '@/api/intakes'
import type { TableCorrections } from '@/api/tables'
import { texts } from '@/messages'
import { useToast } from '@/ui/Toasts'

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
  const isSending = useRef(false)
  const heldNow = useRef(held)
  useEffect(() => {
    heldNow.current = held
  }, [held])
  const settle = () => {
    latest.current = null
    isSending.current = false
    setWanted(null)
  }
  const send = async (base: TableCorrections, isTold: boolean) => {
    isSending.current = true
    let sent = base
    let isLater = false
    try {
      while (latest.current && latest.current !== sent) {
        const next = latest.current
        const base = sent
        isLater = await patiently(() => correctFile(intake, file, next, base))
        sent = next
        // what was typed in the meantime goes before the table is looked at again
        if (latest.current === sent) await again()
      }
      settle()
      if (isTold && !isLater) tell({ text: texts.questionTable.read, undo: () => correctFile(intake, file, base, sent).then(again) })
    } catch (problem) {
      settle()
      tell({ text: problem instanceof Error ? problem.message : `${problem}`, look: 'problem' })
      again()
    }
  }
  return {
    isPending: wanted !== null,
    now: wanted ?? held,
    change: (by, isTold = false) => {
      const next = by(latest.current ?? heldNow.current)
      latest.current = next
      setWanted(next)
      if (!isSending.current) send(heldNow.current, isTold)
    },
  }
}

const TRIES = 5

/** Tries again while the server is busy: what was typed is not given up for that. */
async function patiently<Answer>(ask: () => Promise<Answer>): Promise<Answer> {
  for (let tries = 1; ; tries++) {
    try {
      return await ask()
    } catch (problem) {
      const isBusy = problem instanceof ApiProblem && problem.status === 503
      if (!isBusy || tries === TRIES) throw problem
      await new Promise((done) => setTimeout(done, 500 * 2 ** tries))
    }
  }
}
