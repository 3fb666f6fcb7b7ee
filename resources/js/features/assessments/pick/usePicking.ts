import { useMutation, useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { addToAssessment } from '@/api/assembly'
import { banksQuery } from '@/api/queries'
import { entriesOf, isDraw, pooled, questionsOf, unasked } from '@/lib/assessment'
import { storedText, storeText } from '@/lib/storage'
import { useAddress } from '@/lib/useAddress'
import { texts } from '@/messages'
import { useToast } from '@/ui/Toasts'
import type { Document } from '../useDocument'

/** Stands for all banks in the address, and can be no bank's own name. */
const EVERY = '*'

/** Taking questions into an assessment: from where, to where, and what is taken. The bank and the conditions stand in the address. */
export function usePicking(document: Document, active: string | undefined) {
  const { content, change, stored } = document
  const tell = useToast()
  const { address, change: changeAddress } = useAddress()
  const banks = (useQuery(banksQuery).data ?? []).filter((bank) => !bank.archived)
  const home = stored.bank.slug
  const wanted = address.get('from') ?? storedText(`pick:${home}`, 'session') ?? home
  const from = wanted === EVERY || banks.length === 0 || banks.some((bank) => bank.slug === wanted) ? wanted : home
  const [chosen, setChosen] = useState<string | null>(null)
  const named = (title: string | undefined, n: number) => title || texts.assembly.section({ n })
  const several = content.sections.length > 1
  const targets = [
    ...content.sections.map((section, i) => ({
      id: `section ${section.id}`,
      title: several ? texts.assembly.pick.intoSection({ section: named(section.title, i + 1) }) : texts.assembly.askEach,
    })),
    ...entriesOf(content)
      .filter(isDraw)
      .map((draw) => ({ id: `draw ${draw.id}`, title: texts.assembly.intoPool({ title: draw.title || texts.assembly.draw }) })),
  ]
  const at = content.sections.find((section) => section.entries.some((entry) => entry.id === active))
  const activeDraw = entriesOf(content).some((entry) => entry.id === active && isDraw(entry)) ? `draw ${active}` : null
  const proposed = chosen ?? activeDraw ?? `section ${at?.id ?? content.sections.at(-1)?.id ?? ''}`
  const target = targets.some((one) => one.id === proposed) ? proposed : (targets[0]?.id ?? '')
  const [kind, id = ''] = target.split(/ (.*)/s)
  const section = kind === 'section' ? id : (content.sections.at(-1)?.id ?? '')
  const add = useMutation({
    mutationFn: async (questions: string[]) => {
      await document.flush()
      return addToAssessment(stored.id, questions, section)
    },
    onSuccess: document.adopt,
    onError: (problem) => tell({ text: problem.message, look: 'problem' }),
  })
  const taken = new Set(questionsOf(content))
  const put = (questions: string[]) => (kind === 'draw' ? change((now) => pooled(now, id, questions)) : add.mutate(questions))
  const takeOut = (question: string) => {
    const before = content
    change((now) => unasked(now, question))
    tell({ text: texts.assembly.takenOut({ n: 1 }), undo: () => change(() => before) })
  }
  return {
    document,
    EVERY,
    banks,
    home,
    from,
    slug: from === EVERY ? '' : from,
    setFrom: (slug: string) => {
      storeText(`pick:${home}`, slug, 'session')
      // conditions of another bank's trees mean nothing here
      changeAddress((next) => {
        for (const name of ['topic', 'folder', 'place', 'not-topic', 'not-folder', 'question']) next.delete(name)
        next.set('from', slug)
      })
    },
    isWide: address.get('pick') === 'wide',
    setWide: (wide: boolean) => changeAddress((next) => (wide ? next.set('pick', 'wide') : next.delete('pick')), true),
    /** The address of another search here. */
    to: (query: string) => {
      const kept = new URLSearchParams(query)
      for (const name of ['entry', 'from', 'pick']) {
        const value = address.get(name)
        if (value !== null) kept.set(name, value)
      }
      return `?${kept}`
    },
    targets,
    target,
    setTarget: setChosen,
    /** The section that questions and draws go to. */
    section,
    taken,
    put,
    toggle: (question: string) => (taken.has(question) ? takeOut(question) : put([question])),
  }
}
export type Picking = ReturnType<typeof usePicking>
