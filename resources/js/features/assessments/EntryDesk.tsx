import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { useParams } from 'react-router'
import { assessmentQuery, fetchEntry, varyEntry } from '@/api/assembly'
import { autosaveQuery } from '@/api/queries'
import type { Home } from '@/editor/home'
import { Workbench } from '@/editor/Workbench'
import { restored, unsaved } from '@/lib/saving/unsaved'
import { texts } from '@/messages'
import { Shell } from '@/shell/Shell'
import { Nothing, Waiting } from '@/ui/Message'

/** A question varied for one assessment only. */
export function EntryDesk() {
  const { id = '', entry = '' } = useParams()
  const subject = `entry:${id}:${entry}`
  const whole = useQuery({ ...assessmentQuery(id), staleTime: 0 })
  const one = useQuery({
    queryKey: ['assessment', id, 'desk', entry],
    queryFn: () => fetchEntry(id, entry),
    refetchOnWindowFocus: false,
    gcTime: 0,
  })
  const kept = useQuery(autosaveQuery(subject))
  const [discarded, setDiscarded] = useState(0)
  const back = `/assessments/${id}?entry=${entry}`
  const crumbs = [
    { title: texts.assembly.title, to: '/assessments' },
    { title: whole.data?.title ?? '…', to: back },
  ]
  const problem = one.error ?? whole.error ?? kept.error
  if (problem || !one.data || !whole.data || kept.isPending)
    return (
      <Shell title={texts.desk.stem} crumbs={[...crumbs, { title: '…' }]}>
        {problem ? <Nothing title={problem.message} /> : <Waiting text={texts.loading} />}
      </Shell>
    )
  const home: Home = {
    slug: one.data.bank ?? whole.data.bank.slug,
    name: texts.assembly.hereOnly({ title: whole.data.title }),
    subject,
    record: 'inside',
    after: back,
    save: async (question, base, client) => {
      const now = await varyEntry(id, entry, question, base)
      client.setQueryData(assessmentQuery(id).queryKey, now)
      client.invalidateQueries({ queryKey: ['assessment', id] })
      return { id: question.id, revision: now.version }
    },
    theirs: async () => {
      const now = await fetchEntry(id, entry)
      return { question: now.question, revision: now.version }
    },
    saved: () => texts.assembly.savedHere,
    saveName: texts.assembly.saveHere,
  }
  const old = discarded > 0 ? null : unsaved(subject, kept.data)
  return (
    <Workbench
      key={`${entry} ${discarded}`}
      home={home}
      crumbs={crumbs}
      revision={old ? (old.base ?? one.data.version) : one.data.version}
      start={old ? old.content : one.data.question}
      dirty={old !== null}
      {...(old ? restored(subject, () => setDiscarded(discarded + 1)) : {})}
    />
  )
}
