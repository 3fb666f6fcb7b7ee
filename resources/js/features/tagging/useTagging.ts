import { useQueryClient } from '@tanstack/react-query'
import { useCallback, useEffect, useRef, useState } from 'react'
import { type Act, changeMany, goesOn, readAct, undoAct } from '@/api/acts'
import { nextUntagged, type Untagged } from '@/api/standards'
import { plainProblem } from '@/lib/plainProblem'

/** What was decided of a question. */
export type Decision = {
  nodes: { id: string; touches: boolean }[]
  difficulty: number | null
  purpose: string
  level: string
}
export const undecided: Decision = { nodes: [], difficulty: null, purpose: '', level: '' }
type Done = { question: Untagged; title: string; act: Promise<string | null> }

/** So many are waiting when the next ones are asked for. */
const FEW = 2

/** An act of somebody else in the bank goes first; this one is done a moment later. */
async function settled(act: Act): Promise<Act> {
  let now = act
  for (let times = 0; goesOn(now) && times < 40; times++) {
    await new Promise((resolve) => setTimeout(resolve, 500))
    now = await readAct(now.act)
  }
  return now
}

/**
 * Questions one after the other, that nobody else is at. What is decided is stored behind one's back, so that the next question is there at
 * once; one that could not be stored comes again.
 */
export function useTagging(slug: string, framework: string, filter: string, change: (decision: Decision) => object) {
  const client = useQueryClient()
  const [queue, setQueue] = useState<Untagged[]>([])
  const [left, setLeft] = useState<number | null>(null)
  const [elsewhere, setElsewhere] = useState(0)
  const [done, setDone] = useState<Done[]>([])
  const [skipped, setSkipped] = useState<string[]>([])
  const [problem, setProblem] = useState<string | null>(null)
  const [isEmpty, setEmpty] = useState(false)
  /** The request under way. Other conditions forget it, and its answer is dropped. */
  const asking = useRef<object | null>(null)
  const storing = useRef<Promise<unknown>>(Promise.resolve())
  const latest = useRef({ queue, done, skipped })
  latest.current = { queue, done, skipped }

  const fetchMore = useCallback(
    async (past: string[]) => {
      if (asking.current) return
      const mine = {}
      asking.current = mine
      try {
        const more = await nextUntagged(slug, {
          ...(framework === '' ? {} : { framework }),
          ...(filter === '' ? {} : { filter }),
          past: past.slice(-2000),
        })
        if (asking.current !== mine) return
        setProblem(null)
        setElsewhere(more.elsewhere)
        setLeft((now) => now ?? more.left)
        setEmpty(more.data.length === 0)
        setQueue((now) => [...now, ...more.data.filter((one) => !now.some((other) => other.question === one.question))])
      } catch (thrown) {
        if (asking.current === mine) setProblem(plainProblem(thrown))
      } finally {
        if (asking.current === mine) asking.current = null
      }
    },
    [slug, framework, filter],
  )
  const past = useCallback(() => {
    const { queue, done, skipped } = latest.current
    return [...skipped, ...done.map((one) => one.question.question), ...queue.map((one) => one.question)]
  }, [])
  // another tree or other conditions begin anew
  useEffect(() => {
    setQueue([])
    setDone([])
    setSkipped([])
    setLeft(null)
    setEmpty(false)
    latest.current = { queue: [], done: [], skipped: [] }
    asking.current = null
    if (slug !== '') fetchMore([])
  }, [fetchMore, slug])
  useEffect(() => {
    if (left !== null && queue.length < FEW && !isEmpty) fetchMore(past())
  }, [queue.length, left, isEmpty, fetchMore, past])

  const current = queue[0]
  return {
    current,
    /** Fetched ahead, so that it is there at once. */
    following: queue[1]?.question,
    left,
    elsewhere,
    done,
    skipped,
    problem,
    isOver: isEmpty && queue.length === 0,
    retry: () => fetchMore(past()),
    /** Stores what was decided and goes on. */
    decide: (decision: Decision, title: string) => {
      if (!current) return
      const question = current
      setQueue((now) => now.filter((one) => one.question !== question.question))
      // one after the other: an act that meets another in its bank would wait in the background, and could not be taken back meanwhile
      const act = storing.current
        .then(() => changeMany(slug, { ids: [question.question] }, change(decision)))
        .then(settled)
        .then((act) => {
          if (act.left_count > 0) throw new Error(act.left[0]?.why ?? '')
          for (const key of ['bank', 'coverage', 'question']) client.invalidateQueries({ queryKey: [key], refetchType: 'none' })
          return act.act
        })
        .catch((thrown: unknown) => {
          setProblem(plainProblem(thrown))
          setDone((now) => now.filter((one) => one.question.question !== question.question))
          setQueue((now) => [question, ...now])
          return null
        })
      storing.current = act
      setDone((now) => [...now, { question, title, act }])
    },
    skip: () => {
      if (!current) return
      setSkipped((now) => [...now, current.question])
      setQueue((now) => now.slice(1))
    },
    unskip: () => {
      setSkipped([])
      setEmpty(false)
      latest.current = { ...latest.current, skipped: [] }
      fetchMore(past())
    },
    /** Takes back what was decided last; that question comes again. Answers with its title, or null where there is nothing to take back. */
    undo: async (): Promise<string | null> => {
      const last = done.at(-1)
      if (!last) return null
      const act = await last.act
      if (act === null) return null
      await undoAct(act)
      client.invalidateQueries({ queryKey: ['question', last.question.question] })
      setDone((now) => now.filter((one) => one !== last))
      setQueue((now) => [last.question, ...now])
      return last.title
    },
  }
}
