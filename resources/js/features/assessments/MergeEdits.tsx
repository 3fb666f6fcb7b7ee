import { useMutation } from '@tanstack/react-query'
import { useState } from 'react'
import { mergeEdits } from '@/api/assembly'
import { texts } from '@/messages'
import { FormDialog } from '@/ui/FormDialog'
import { Message } from '@/ui/Message'
import { useToast } from '@/ui/Toasts'
import type { Document, EditConflict } from './useDocument'

const words = texts.assembly.merging

/** What two people made of the same things, beside each other; whose is to stand is chosen for each, and all else is put together. */
export function MergeEdits({ document, conflict, onClose }: { document: Document; conflict: EditConflict; onClose: () => void }) {
  const tell = useToast()
  const [chosen, setChosen] = useState<Record<string, 'mine' | 'theirs'>>({})
  const merge = useMutation({
    mutationFn: () => mergeEdits(conflict.base, conflict.mine, chosen),
    onSuccess: ({ content }) => {
      document.change(() => content)
      tell({ text: words.done, undo: document.undo })
      onClose()
    },
  })
  return (
    <FormDialog
      wide
      title={words.title}
      about={words.about}
      go={words.go}
      disabled={merge.isPending}
      onSubmit={() => merge.mutate()}
      onClose={onClose}
    >
      {merge.isError ? <Message look="problem">{merge.error.message}</Message> : null}
      <ol className="flex flex-col gap-3">
        {conflict.conflicts.map((one, i) => (
          <li key={one.key}>
            <fieldset className="grid grid-cols-2 gap-3 max-md:grid-cols-1">
              <legend className="sr-only">{words.conflict({ n: i + 1 })}</legend>
              {(['mine', 'theirs'] as const).map((side) => (
                <label
                  key={side}
                  className={`flex items-start gap-2 rounded-ui border p-3 ${
                    (chosen[one.key] ?? 'theirs') === side ? 'border-accent bg-well' : 'border-hairline'
                  }`}
                >
                  <input
                    type="radio"
                    name={one.key}
                    className="mt-1 accent-accent"
                    checked={(chosen[one.key] ?? 'theirs') === side}
                    onChange={() => setChosen({ ...chosen, [one.key]: side })}
                  />
                  <span>
                    <strong>{words[side]}</strong>
                    {one[side].map((sentence) => (
                      <span key={sentence} className="block">
                        {sentence}
                      </span>
                    ))}
                  </span>
                </label>
              ))}
            </fieldset>
          </li>
        ))}
      </ol>
    </FormDialog>
  )
}
