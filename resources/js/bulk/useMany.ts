import { useMutation } from '@tanstack/react-query'
import { useState } from 'react'
import { type Act, goesOn } from '@/api/acts'
import { useActToast } from './useAct'

/** An act that a dialog asks for: done at once it is told and the dialog closes, otherwise it is followed there. */
export function useMany(begin: () => Promise<Act>, onClose: () => void) {
  const told = useActToast()
  const [act, setAct] = useState<string | null>(null)
  const mutation = useMutation({
    mutationFn: begin,
    onSuccess: (done) => {
      if (goesOn(done)) {
        setAct(done.act)
        return
      }
      told(done)
      onClose()
    },
  })
  return { act, begin: () => mutation.mutate(), pending: mutation.isPending, problem: mutation.error?.message ?? null }
}
