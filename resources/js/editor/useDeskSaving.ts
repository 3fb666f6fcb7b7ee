import { useState } from 'react'
import { useNavigate } from 'react-router'
import { fetchFollowers, keepRevision } from '@/api/assembly'
import type { QuestionJson } from '@/api/question'
import { followed } from '@/lib/phrases/desk'
import { useSaving } from '@/lib/saving/useSaving'
import { texts } from '@/messages'
import { pastedIn } from '@/parts/pasteLines'
import { useToast } from '@/ui/Toasts'
import type { Home } from './home'
import { beginTypeAhead, takeTypeAhead } from './typeAhead'

/** Saving on the desk: the note of a revision, what is said afterwards, and where one goes. */
export function useDeskSaving(question: QuestionJson, home: Home, start: { revision: number; dirty: boolean }) {
  const saving = useSaving(question, home, start.revision, start.dirty)
  const [note, setNote] = useState('')
  const navigate = useNavigate()
  const tell = useToast()

  /** Assessments that follow the question use the new revision now; offers to pin the one before. */
  const tellFollowers = async (id: string, revision: number) => {
    const following = await fetchFollowers(id).catch(() => [])
    if (following.length === 0) return
    const pin = () =>
      keepRevision(id, revision - 1).then(
        (kept) => tell({ text: texts.desk.keptBefore({ kept, n: revision - 1 }) }),
        (problem: Error) => tell({ text: problem.message, look: 'problem' }),
      )
    tell({
      text: followed(following.map((one) => one.title)),
      ...(following.some((one) => one.may_write) ? { link: { title: texts.desk.keepBefore({ n: revision - 1 }), go: pin } } : {}),
    })
  }

  /**
   * @param settled what must be done first: classified or pasted a moment ago, it goes along
   * @param then instead of where the question's home leads; `typeAhead` when that is another empty page
   * @param merged after a conflict: what to save instead of the page, and the revision it follows
   */
  const save = async (
    settled: () => Promise<unknown>,
    then?: { go: () => void; typeAhead: boolean } | undefined,
    merged?: { content: QuestionJson; base: number } | undefined,
  ) => {
    if (saving.saving) return
    if (then?.typeAhead) beginTypeAhead()
    await Promise.all([settled(), pastedIn()])
    try {
      const saved = await saving.save({ note: note.trim(), ...merged })
      setNote('')
      const open = { title: texts.bank.open, go: () => navigate(`/questions/${saved.id}`) }
      // after "Save and write another" this question is no longer open
      tell({ text: home.saved(saved.revision), ...(home.after || !then ? {} : { link: open }) })
      if (saved.revision > 1 && !saving.isNew && home.record !== 'inside') tellFollowers(saved.id, saved.revision)
      if (then) then.go()
      else if (home.after) navigate(home.after)
      else if (saving.isNew) navigate(`/questions/${saved.id}`, { replace: true, flushSync: true })
    } catch {
      // The page says why; what was typed for the next question is not lost.
      const typed = takeTypeAhead()
      if (typed) tell({ text: texts.starts.typedAhead({ text: typed }), look: 'problem' })
    }
  }
  return { ...saving, save, note, setNote }
}
