import { keepPreviousData, useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import type { TreeName } from '@/api/actions'
import { outline } from '@/api/order'
import { useDebouncedValue } from '@/lib/useDebouncedValue'
import { texts } from '@/messages'
import { control, Field } from '@/ui/Field'
import { FormDialog } from '@/ui/FormDialog'
import { Message } from '@/ui/Message'
import { useToast } from '@/ui/Toasts'
import type { TreeItem } from '@/ui/tree/items'
import { ordered } from '@/ui/tree/treeOrder'

const words = texts.order
type Props = { slug: string; kind: TreeName; items: TreeItem[]; below: string | null; onClose: () => void }

/** A pasted outline, and the tree it would make. */
export function OutlineDialog({ slug, kind, items, below, onClose }: Props) {
  const client = useQueryClient()
  const tell = useToast()
  const [text, setText] = useState('')
  const [parent, setParent] = useState(below ?? '')
  const asked = useDebouncedValue(text, 250)
  const seen = useQuery({
    queryKey: ['outline', slug, kind, asked],
    queryFn: () => outline(slug, kind, asked, null, false),
    enabled: asked.trim() !== '',
    placeholderData: keepPreviousData,
    gcTime: 0,
  })
  const lines = text.trim() === '' ? [] : (seen.data?.lines ?? [])
  const make = useMutation({
    mutationFn: () => outline(slug, kind, text, parent === '' ? null : parent, true),
    onSuccess: ({ done }) => {
      client.invalidateQueries({ queryKey: ['bank', slug] })
      tell({ text: words.outlineDone({ made: done?.made ?? 0, there: done?.there ?? 0 }) })
      onClose()
    },
  })
  const problem = make.error ?? seen.error
  return (
    <FormDialog
      wide
      onClose={onClose}
      title={words.outlineTitle({ kind })}
      about={words.outlineAbout}
      go={words.outlineGo}
      disabled={make.isPending || lines.length === 0}
      onSubmit={() => make.mutate()}
      className="grid grid-cols-2 gap-6 max-md:grid-cols-1"
    >
      <div className="flex min-w-0 flex-col gap-3">
        <label className="flex flex-col gap-1">
          <span className="text-caption text-second">{words.outlineText}</span>
          <textarea className={`${control} h-64 whitespace-pre font-mono`} value={text} onChange={(event) => setText(event.target.value)} />
        </label>
        <Field.Root>
          <Field.Label>{words.outlineBelow}</Field.Label>
          <Field.Choice value={parent} onChange={(event) => setParent(event.target.value)}>
            <option value="">{texts.tree.top}</option>
            {ordered(items).map(({ item, path }) => (
              <option key={item.id} value={item.id}>
                {path.join(' › ')}
              </option>
            ))}
          </Field.Choice>
        </Field.Root>
      </div>
      <div className="min-w-0">
        {problem ? <Message look="problem">{problem.message}</Message> : null}
        <p role="status" className="pb-2 font-semibold">
          {words.outlineFound({ count: lines.length })}
        </p>
        <ul className="max-h-72 overflow-y-auto">
          {lines.map((line, i) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: a line of an outline is its place
            <li key={i} className="truncate py-0.5" style={{ paddingLeft: line.depth * 20 }}>
              {line.name}
            </li>
          ))}
        </ul>
      </div>
    </FormDialog>
  )
}
