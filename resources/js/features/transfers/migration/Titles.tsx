import { useMutation, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { setStaged } from '@/api/intakes'
import { texts } from '@/messages'
import { Button } from '@/ui/Button'
import { Field } from '@/ui/Field'
import { Message } from '@/ui/Message'

const words = texts.migration.titles

/** Titles for questions that have none, from their words or by a pattern. */
export function Titles({ intake }: { intake: string }) {
  const client = useQueryClient()
  const [pattern, setPattern] = useState('{quiz}, question {number}')
  const give = useMutation({
    mutationFn: () => setStaged(intake, { filter: '' }, { titles: pattern }),
    onSuccess: () => client.invalidateQueries({ queryKey: ['intake', intake] }),
  })
  return (
    <section aria-label={words.title} className="flex flex-col gap-3">
      <div>
        <h2 className="font-semibold text-title">{words.title}</h2>
        <p className="text-second">{words.about}</p>
      </div>
      <Field.Root problem={give.isError ? give.error.message : null}>
        <Field.Label>{words.pattern}</Field.Label>
        <Field.Text value={pattern} maxLength={500} onChange={(event) => setPattern(event.target.value)} />
      </Field.Root>
      <div>
        <Button aria-disabled={give.isPending} onClick={() => !give.isPending && give.mutate()}>
          {words.go}
        </Button>
      </div>
      {give.isSuccess ? <Message look="done">{words.done({ n: give.data.changed })}</Message> : null}
    </section>
  )
}
