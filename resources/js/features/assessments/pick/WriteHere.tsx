import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { useNavigate } from 'react-router'
import { fetchQuestion, treesQuery } from '@/api/queries'
import { isDraw } from '@/lib/assessment'
import { texts } from '@/messages'
import { pathsOf } from '@/question/record/paths'
import { Field } from '@/ui/Field'
import { FormDialog } from '@/ui/FormDialog'
import { classificationOf } from './classificationOf'
import type { Picking } from './usePicking'

const words = texts.assembly.pick

/** So many questions of a section say what it is about. */
const MOST = 12

/** A new question, in a bank one chooses, classified as most of the section is; when it is saved it stands in the section. */
export function WriteHere({ picking, onClose }: { picking: Picking; onClose: () => void }) {
  const { document, banks, section, home } = picking
  const navigate = useNavigate()
  const writable = banks.filter((bank) => bank.may_write)
  const [slug, setSlug] = useState(() => (writable.find((bank) => bank.slug === home) ?? writable[0])?.slug ?? '')
  const trees = useQuery({ ...treesQuery(slug), enabled: slug !== '' })
  const asked = document.content.sections.find((one) => one.id === section)?.entries ?? []
  const ids = asked.flatMap((entry) => (isDraw(entry) || document.stored.entries[entry.id]?.hidden ? [] : [entry.question])).slice(0, MOST)
  const records = useQuery({
    queryKey: ['records', ...ids],
    queryFn: async () => (await Promise.all(ids.map((id) => fetchQuestion(id).catch(() => null)))).map((one) => one?.question.record ?? {}),
  })
  const write = async () => {
    await document.flush()
    const address = new URLSearchParams({ assessment: document.stored.id, section })
    const { topic, standard, difficulty } = classificationOf(records.data ?? [])
    const node = pathsOf(trees.data?.topics ?? []).find(([, path]) => path.join('\n') === topic?.join('\n'))?.[0]
    if (node) {
      address.set('topic', node)
      address.set('topics', slug)
    }
    if (standard) address.set('standard', standard)
    if (difficulty) address.set('difficulty', String(difficulty))
    navigate(`/banks/${slug}/write?${address}`)
  }
  return (
    <FormDialog
      title={words.writeTitle}
      about={writable.length === 0 ? words.writeNowhere : words.writeAbout}
      go={texts.bank.write}
      disabled={slug === '' || records.isPending || trees.isPending}
      onSubmit={write}
      onClose={onClose}
    >
      <Field.Root>
        <Field.Label>{words.writeIn}</Field.Label>
        <Field.Choice value={slug} onChange={(event) => setSlug(event.target.value)}>
          {writable.map((bank) => (
            <option key={bank.slug} value={bank.slug}>
              {bank.name}
            </option>
          ))}
        </Field.Choice>
      </Field.Root>
    </FormDialog>
  )
}
