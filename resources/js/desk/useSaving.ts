import { useMutation, useQueryClient } from '@tanstack/react-query'
import { useEffect, useRef, useState } from 'react'
import { ApiProblem } from '@/api/client'
import { forgetAutosave, keepAutosave } from '@/api/queries'
import type { QuestionJson } from '@/api/question'
import type { Home, Saved } from './home'
import { forgetHere, keepHere } from './kept'

const PAUSE = 1200
const AGAIN = 10_000

export type Keeping = 'saved' | 'typing' | 'kept' | 'only here'

/** Keeps what is typed, saves revisions, and notices when somebody else was faster. */
export function useSaving(question: QuestionJson, home: Home, startRevision: number, dirty: boolean) {
  const client = useQueryClient()
  const [revision, setRevision] = useState(startRevision)
  const [conflict, setConflict] = useState<number | null>(null)
  const [keeping, setKeeping] = useState<Keeping>(dirty ? 'kept' : 'saved')
  const { subject } = home
  const settled = useRef(question)
  const latest = useRef(question)
  latest.current = question
  useEffect(() => {
    if (question === settled.current) return
    setKeeping('typing')
    let timer: ReturnType<typeof setTimeout>
    const base = revision === 0 ? null : revision
    const here = setTimeout(() => keepHere(subject, { content: question, base, at: Date.now() }), 200)
    const send = () =>
      keepAutosave(subject, question, base).then(
        () => {
          if (latest.current !== question) return
          forgetHere(subject)
          setKeeping('kept')
        },
        () => {
          setKeeping('only here')
          timer = setTimeout(send, AGAIN)
        },
      )
    timer = setTimeout(send, PAUSE)
    const leave = () => keepHere(subject, { content: question, base, at: Date.now() })
    addEventListener('pagehide', leave)
    return () => {
      removeEventListener('pagehide', leave)
      clearTimeout(timer)
      clearTimeout(here)
    }
  }, [question, subject, revision])
  const forget = async () => {
    forgetHere(subject)
    await forgetAutosave(subject).catch(() => undefined)
  }
  const save = useMutation({
    mutationFn: async ({ base, note }: { base: number; note: string }): Promise<[QuestionJson, Saved]> => {
      const sent = latest.current
      return [sent, await home.save(sent, base, client, note)]
    },
    onSuccess: ([sent, saved]) => {
      settled.current = sent
      setRevision(saved.revision)
      setConflict(null)
      if (latest.current === sent) setKeeping('saved')
      forget()
    },
    onError: (problem) => {
      if (problem instanceof ApiProblem && problem.status === 412) setConflict(Number(problem.body.current_revision))
    },
  })
  return { revision, conflict, keeping, save, forget, isNew: revision === 0 }
}
