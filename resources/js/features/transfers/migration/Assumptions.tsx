import { useMutation, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import type { Receipt } from '@/api/intakes'
import { askToConfirm, confirmAssumption } from '@/api/migration'
import { moment } from '@/lib/format'
import { texts } from '@/messages'
import { Button } from '@/ui/Button'
import { Field } from '@/ui/Field'
import { FormDialog } from '@/ui/FormDialog'
import { Message } from '@/ui/Message'
import { useToast } from '@/ui/Toasts'

const words = texts.migration.receipt

/** What was only assumed of the old system, until its owner confirms it. */
export function Assumptions({ receipt }: { receipt: Receipt }) {
  const client = useQueryClient()
  const tell = useToast()
  const [asking, setAsking] = useState(false)
  const again = () => client.invalidateQueries({ queryKey: ['receipt', receipt.id] })
  const confirm = useMutation({ mutationFn: (number: number) => confirmAssumption(receipt.id, number), onSuccess: again })
  const ask = useMutation({
    mutationFn: ({ email, said }: { email: string; said: string }) => askToConfirm(receipt.id, email, said),
    onSuccess: () => {
      setAsking(false)
      tell({ text: words.sent })
      again()
    },
  })
  if (receipt.assumptions.length === 0) return null
  const open = receipt.assumptions.some((one) => one.confirmed === null)
  return (
    <section aria-label={words.title} className="flex flex-col gap-2">
      <div className="flex items-center gap-3">
        <h3 className="flex-1 font-semibold">{words.title}</h3>
        {open ? <Button onClick={() => setAsking(true)}>{words.ask}</Button> : null}
      </div>
      <ul className="rounded-ui border border-hairline bg-paper">
        {receipt.assumptions.map((one) => (
          <li key={one.number} className="flex flex-wrap items-center gap-3 border-hairline border-b px-3 py-1.5 last:border-b-0">
            <span className="flex-1">
              {words.line({ quiz: one.statement.quiz, draw: one.statement.draw, of: one.statement.of || texts.migration.had.all })}
            </span>
            <span className="text-second">
              {one.confirmed
                ? words.confirmed({ name: one.confirmed, when: moment(one.confirmed_at ?? '') })
                : one.asked
                  ? words.asked({ name: one.asked })
                  : words.open}
            </span>
            {one.mine ? <Button onClick={() => confirm.mutate(one.number)}>{words.confirm}</Button> : null}
          </li>
        ))}
      </ul>
      {asking ? (
        <FormDialog
          title={words.askTitle}
          about={words.askAbout}
          go={words.send}
          disabled={ask.isPending}
          onClose={() => setAsking(false)}
          onSubmit={(event) => {
            const form = new FormData(event.currentTarget)
            ask.mutate({ email: String(form.get('email') ?? ''), said: String(form.get('words') ?? '') })
          }}
        >
          <Field.Root>
            <Field.Label>{words.email}</Field.Label>
            <Field.Text name="email" type="email" required maxLength={320} />
          </Field.Root>
          <Field.Root>
            <Field.Label>{words.words}</Field.Label>
            <Field.Area name="words" rows={3} maxLength={2000} />
          </Field.Root>
          {ask.isError ? <Message look="problem">{ask.error.message}</Message> : null}
        </FormDialog>
      ) : null}
    </section>
  )
}
