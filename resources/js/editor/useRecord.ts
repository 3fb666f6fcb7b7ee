import { useQuery } from '@tanstack/react-query'
import { useEffect, useMemo, useRef } from 'react'
import { flushSync } from 'react-dom'
import { type Classification, changeRecord } from '@/api/actions'
import { questionQuery } from '@/api/queries'
import type { QuestionJson, RecordJson } from '@/api/question'
import { useAct } from '@/bulk/useAct'
import { useSteady } from '@/lib/useSteady'
import { useToast } from '@/ui/Toasts'
import { foldersOf, setFolders, useNewFolders } from './newFolders'

const empty: RecordJson = {}
const none: string[][] = []

/**
 * The record of the question on the desk. Of a stored question it is changed at once, field by field, apart from revisions; of a
 * new one it is part of what will be stored.
 */
export function useRecord(
  question: QuestionJson,
  bank: string,
  stored: boolean,
  changeNew: (edit: (now: QuestionJson) => QuestionJson, place: string) => void,
  /** Storage key of the folders of a new question; null where folders cannot be chosen. */
  subject: string | null = null,
) {
  const folders = useNewFolders(subject)
  const whole = useQuery({ ...questionQuery(question.id), enabled: stored })
  const classify = useAct(bank)
  const tell = useToast()
  const record: RecordJson = (stored ? whole.data?.question.record : question.record) ?? empty
  const latest = useRef(record)
  const settled = useRef<Promise<void>>(Promise.resolve())
  useEffect(() => {
    latest.current = record
  }, [record])
  const change = (what: Classification, quiet = false) => {
    if (stored) classify.mutate({ target: { ids: [question.id] }, change: what, quiet })
    else if (what.folders) {
      const key = (path: string[]) => path.join('\n')
      const gone = new Set((what.folders.remove ?? []).map(key))
      const kept = foldersOf(subject ?? '').filter((path) => !gone.has(key(path)))
      const added = (what.folders.add ?? []).filter((path) => !kept.some((one) => key(one) === key(path)))
      if (subject) setFolders(subject, [...kept, ...added])
    } else {
      // One after the other, each on what the one before it made.
      settled.current = settled.current
        .then(() => changeRecord(latest.current, what))
        .then((after) => {
          latest.current = after
          // at once, so that what is saved the moment after has it
          flushSync(() => changeNew((now) => ({ ...now, record: after }), ''))
        })
        .catch((problem: Error) => tell({ text: problem.message, look: 'problem' }))
    }
  }
  const acts = useSteady({ change, settled: () => settled.current })
  const name = whole.data?.name ?? ''
  const inFolders = stored ? (whole.data?.folders ?? none) : folders
  // the same as long as nothing of it changed: what shows it is not drawn again with each letter of the text
  return useMemo(() => ({ record, name, folders: inFolders, ...acts }), [record, name, inFolders, acts])
}

export type DeskRecord = ReturnType<typeof useRecord>
