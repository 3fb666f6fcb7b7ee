import { useMutation, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { forgetMapping, keepMapping, type QuestionTable, type TableMapping } from '@/api/tables'
import { texts } from '@/messages'
import { Button } from '@/ui/Button'
import { Field } from '@/ui/Field'
import { FormDialog } from '@/ui/FormDialog'
import { Menu } from '@/ui/Menu'
import { Message } from '@/ui/Message'
import { useToast } from '@/ui/Toasts'

const words = texts.questionTable.kept

type Props = { kept: QuestionTable['kept']; mapping: TableMapping; onUse: (mapping: TableMapping) => void }

/** Mappings kept by name: one for tables like this is offered, any other can be chosen, and this one kept. */
export function KeptMappings({ kept, mapping, onUse }: Props) {
  const [keeping, setKeeping] = useState(false)
  const client = useQueryClient()
  const tell = useToast()
  const again = () => client.invalidateQueries({ queryKey: ['intake'] })
  const forget = useMutation({
    mutationFn: ({ id }: { id: string; name: string }) => forgetMapping(id),
    onSuccess: (_, { name }) => {
      tell({ text: words.forgotten({ name }) })
      again()
    },
  })
  const keep = useMutation({
    mutationFn: (name: string) => keepMapping(name, mapping),
    onSuccess: (_, name) => {
      tell({ text: words.done({ name }) })
      setKeeping(false)
      again()
    },
  })
  return (
    <>
      <Menu.Root align="end" button={<Button>{words.title} …</Button>}>
        {kept.map((one) => (
          <Menu.Item key={one.id} onSelect={() => onUse(one.mapping)}>
            {one.name}
          </Menu.Item>
        ))}
        <Menu.Item onSelect={() => setKeeping(true)}>{words.keep}</Menu.Item>
        {kept.map((one) => (
          <Menu.Item key={`forget ${one.id}`} onSelect={() => forget.mutate(one)}>
            {words.forget({ name: one.name })}
          </Menu.Item>
        ))}
      </Menu.Root>
      {keeping ? (
        <FormDialog
          title={words.keepTitle}
          about={words.keepAbout}
          go={words.go}
          disabled={keep.isPending}
          onClose={() => setKeeping(false)}
          onSubmit={(event) => keep.mutate(String(new FormData(event.currentTarget).get('name') ?? ''))}
        >
          <Field.Root>
            <Field.Label>{words.name}</Field.Label>
            <Field.Text name="name" maxLength={100} required list="kept-mappings" />
            <datalist id="kept-mappings">
              {kept.map((one) => (
                <option key={one.id} value={one.name} />
              ))}
            </datalist>
          </Field.Root>
          {keep.isError ? <Message look="problem">{keep.error.message}</Message> : null}
        </FormDialog>
      ) : null}
    </>
  )
}
