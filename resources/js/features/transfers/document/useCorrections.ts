import { useMutation, useQueryClient } from '@tanstack/react-query'
import type { Corrections } from '@/api/documents'
import { correctFile } from '@/api/intakes'
import { texts } from '@/messages'
import { useToast } from '@/ui/Toasts'
import { type Part, withCorrection, withoutLines, withPoints } from './corrections'
import { phraseOfLook } from './phrases'

const words = texts.document

type Change = { next: Corrections; base: Corrections; look: string | null }

export type Correct = {
  isPending: boolean
  /** Where a look is given that goes with it, one step more says the same of all questions. */
  set: (part: Part, name: string, value: string | number[] | null, look?: string | null) => void
  points: (points: string) => void
  /** Leaves out paragraphs. */
  drop: (lines: number[]) => void
}

/** Reads the document again with a correction more; each can be undone, and what was corrected before holds. */
export function useCorrections(intake: string, file: string, now: Corrections): Correct {
  const client = useQueryClient()
  const tell = useToast()
  const again = () => client.invalidateQueries({ queryKey: ['intake', intake] })
  const send = useMutation({
    mutationFn: ({ next, base }: Change) => correctFile(intake, file, next, base),
    onSuccess: (isLater, { next, base, look }) => {
      again()
      if (isLater) return
      tell({
        text: words.corrected,
        undo: () => correctFile(intake, file, base, next).then(again),
        ...(look
          ? {
              link: {
                title: words.key.offer({ look: phraseOfLook(look) }),
                go: () => send.mutate({ next: withCorrection(next, 'looks', look, 'key'), base: next, look: null }),
              },
            }
          : {}),
      })
    },
    onError: (problem) => {
      tell({ text: problem.message, look: 'problem' })
      again()
    },
  })
  const change = (next: Corrections, look: string | null = null) => {
    if (!send.isPending) send.mutate({ next, base: now, look })
  }
  return {
    isPending: send.isPending,
    set: (part, name, value, look) => change(withCorrection(now, part, name, value), look ?? null),
    points: (points) => change(withPoints(now, points)),
    drop: (lines) => change(withoutLines(now, lines)),
  }
}
