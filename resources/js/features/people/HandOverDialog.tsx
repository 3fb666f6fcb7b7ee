import { useMutation, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { type Account, handOver } from '@/api/people'
import { texts } from '@/messages'
import { Field } from '@/ui/Field'
import { FormDialog } from '@/ui/FormDialog'
import { useToast } from '@/ui/Toasts'

const words = texts.people

/** The banks that somebody manages go to somebody else. */
export function HandOverDialog({ from, people, onClose }: { from: Account; people: Account[]; onClose: () => void }) {
  const client = useQueryClient()
  const tell = useToast()
  const [to, setTo] = useState('')
  const [message, setMessage] = useState('')
  const hand = useMutation({
    mutationFn: () => handOver(from.id, to, message),
    onSuccess: (banks) => {
      client.invalidateQueries({ queryKey: ['admin'] })
      client.invalidateQueries({ queryKey: ['banks'] })
      tell({ text: words.handedOver({ n: banks }) })
      onClose()
    },
  })
  return (
    <FormDialog
      title={words.handOverTitle({ name: from.name })}
      about={words.handOverAbout({ name: from.name, n: from.banks })}
      go={words.handOverGo}
      disabled={hand.isPending || to === ''}
      onClose={onClose}
      onSubmit={() => hand.mutate()}
    >
      <Field.Root problem={hand.isError ? hand.error.message : null}>
        <Field.Label>{words.handOverTo}</Field.Label>
        <Field.Choice required value={to} onChange={(event) => setTo(event.target.value)}>
          <option value="" />
          {people
            .filter((one) => one.id !== from.id && one.disabled_at === null)
            .map((one) => (
              <option key={one.id} value={one.id}>
                {one.name}
              </option>
            ))}
        </Field.Choice>
      </Field.Root>
      <Field.Root>
        <Field.Label>{words.words}</Field.Label>
        <Field.Text maxLength={1000} value={message} onChange={(event) => setMessage(event.target.value)} />
      </Field.Root>
    </FormDialog>
  )
}
