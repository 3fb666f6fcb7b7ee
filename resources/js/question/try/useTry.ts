import { useMutation } from '@tanstack/react-query'
import { useRef, useState } from 'react'
import { score } from '@/api/queries'
import type { Marks, QuestionJson, Responses, Result, Roll } from '@/api/question'
import { fitting } from './marks'
import { usePresentation } from './usePresentation'

export type ValueChange = { name: string; before: string; after: string }

/**
 * Answering a question as a learner: presentation, response, tries and hints so far, the last result, finished or not.
 *
 * @param now the question as it is at this moment, where `question` follows it at a distance
 * @param first the roll it begins with
 */
export function useTry(question: QuestionJson, bank: string, now: () => QuestionJson = () => question, first = 1) {
  const [seed, setSeed] = useState(first)
  const [response, setResponse] = useState<Responses>({})
  const [wrong, setWrong] = useState(0)
  const [missed, setMissed] = useState(false)
  const [hints, setHints] = useState(0)
  const [result, setResult] = useState<Result | null>(null)
  const [finished, setFinished] = useState(false)
  const [marks, setMarks] = useState<Marks>({})
  const [answerShown, setAnswerShown] = useState(false)
  /** How often it was begun: with each the time runs again. */
  const [round, setRound] = useState(1)
  const [before, setBefore] = useState<Roll | null>(null)
  /** A result for a response that has been changed since is late: it is not shown, and does not count as a try. */
  const responseNow = useRef(response)
  responseNow.current = response
  const isLate = (given: { response: Responses }) => given.response !== responseNow.current
  const shown = usePresentation(question, seed, bank)
  const allowed = question.attempts?.allowed ?? null
  const check = useMutation({
    // What is scored is handed over when it is asked for: what was given a moment before is not missed.
    mutationFn: (given: { response: Responses; wrong: number }) =>
      score(now(), given.response, seed, given.wrong, hints, fitting(now(), marks).marks),
    onSuccess: (scored, given) => {
      if (isLate(given)) return
      const { wrong } = given
      setResult(scored)
      // what a person has yet to mark is no wrong try
      const missed = scored.counts && !['right', 'needs_marking'].includes(scored.state)
      setMissed(missed)
      if (missed) setWrong(wrong + 1)
      if (scored.state === 'right' || (missed && allowed !== null && wrong + 1 >= allowed)) setFinished(true)
    },
  })
  /** Wrong tries before the one just scored. */
  const earlier = wrong - (missed ? 1 : 0)
  /** Marks given last: what comes back for earlier ones is late, and shows nothing. */
  const markedLast = useRef<Marks | null>(null)
  /** Marks change the result, and are no try. */
  const marking = useMutation({
    mutationFn: (given: Marks) => score(now(), response, seed, earlier, hints, fitting(now(), given).marks),
    onSuccess: (scored, given) => {
      if (given === markedLast.current) setResult(scored)
    },
  })
  const fresh = () => {
    markedLast.current = null
    setMarks({})
    setResponse({})
    setResult(null)
    setWrong(0)
    setMissed(false)
    setHints(0)
    setFinished(false)
    setAnswerShown(false)
    setRound(round + 1)
  }
  const roll = shown.data?.roll ?? null
  return {
    shown,
    seed,
    response,
    result,
    hints,
    wrong,
    earlier,
    allowed,
    finished,
    round,
    answerShown,
    marks,
    /** How many marks no longer suit the rubric. */
    staleMarks: fitting(question, marks).left,
    marking,
    mark: (part: string, given: Marks[string]) => {
      const next = { ...marks, [part]: given }
      setMarks(next)
      markedLast.current = next
      marking.mutate(next)
    },
    checking: check,
    check: () => check.mutate({ response, wrong }),
    /** What the last roll changed; null when nothing was rolled. */
    changes: before && roll && !shown.isPlaceholderData ? changed(before, roll) : null,
    /** @param given  undefined where it is taken back */
    answer: (part: string, given: Record<string, unknown> | undefined) => {
      setResult(null)
      const { [part]: _, ...rest } = response
      setResponse(given === undefined ? rest : { ...rest, [part]: given })
    },
    hint: () => setHints(hints + 1),
    again: () => setResult(null),
    finish: () => {
      if (result) return setFinished(true)
      const over = (_: Result, given: { response: Responses }) => {
        if (!isLate(given)) setFinished(true)
      }
      check.mutate({ response, wrong }, { onSuccess: over })
    },
    showAnswer: () => setAnswerShown(!answerShown),
    fresh,
    roll: (to = seed + 1) => {
      setBefore(roll)
      setSeed(Math.min(Number.MAX_SAFE_INTEGER, Math.max(0, to)))
      fresh()
    },
  }
}
export type Trying = ReturnType<typeof useTry>

function changed(before: Roll, after: Roll): ValueChange[] {
  return Object.entries(after.values).map(([name, value]) => ({ name, before: before.values[name]?.written ?? '', after: value.written }))
}
