import { useMutation } from '@tanstack/react-query'
import { useState } from 'react'
import { faultsOf } from '@/api/actions'
import type { Rule } from '@/api/question'
import { texts } from '@/messages'
import { Button } from '@/ui/Button'
import { Dialog } from '@/ui/Dialog'
import { control, Field } from '@/ui/Field'
import { useToast } from '@/ui/Toasts'

const words = texts.kind.amend

type Props = { faulty: string; onClose: () => void; onMade: (html: string, rules: Rule[]) => void }

/** The faulty and the right text side by side; where they differ is a fault, and what is right there is known. */
export function CompareTexts({ faulty: start, onClose, onMade }: Props) {
  const tell = useToast()
  const [faulty, setFaulty] = useState(start)
  const [right, setRight] = useState(start)
  const find = useMutation({
    mutationFn: () => faultsOf(faulty, right),
    onSuccess: (made) => {
      tell({ text: words.found({ n: made.rules.length }), ...(made.rules.length === 0 ? { look: 'problem' as const } : {}) })
      if (made.rules.length > 0) onMade(made.text, made.rules)
    },
    onError: (problem) => tell({ text: problem.message, look: 'problem' }),
  })
  const field = (label: string, value: string, set: (value: string) => void) => (
    <Field.Root>
      <Field.Label>{label}</Field.Label>
      <textarea
        aria-label={label}
        className={`${control} min-h-48 w-full p-2 font-serif`}
        value={value}
        onChange={(event) => set(event.target.value)}
      />
    </Field.Root>
  )
  return (
    <Dialog
      open
      wide
      onClose={onClose}
      title={words.compare}
      closeName={texts.frame.close}
      actions={
        <>
          <Button onClick={onClose}>{texts.frame.cancel}</Button>
          <Button look="primary" aria-disabled={find.isPending} onClick={() => find.mutate()}>
            {words.find}
          </Button>
        </>
      }
    >
      <div className="grid grid-cols-2 gap-4 max-md:grid-cols-1">
        {field(words.faulty, faulty, setFaulty)}
        {field(words.right, right, setRight)}
      </div>
    </Dialog>
  )
}
