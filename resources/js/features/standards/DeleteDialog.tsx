import { useMutation, useQueryClient } from '@tanstack/react-query'
import type * as schema from '@/api/schema'
import { deleteStatement, type StatementRow } from '@/api/standards'
import { texts } from '@/messages'
import { statementName } from '@/standards/statementName'
import { FormDialog } from '@/ui/FormDialog'
import { Message } from '@/ui/Message'
import { useToast } from '@/ui/Toasts'

const words = texts.standards
type Props = { framework: schema.WholeFramework; statement: StatementRow; onClose: () => void; onDeleted: () => void }

/** Asks before a statement goes, with how many go with it. */
export function DeleteDialog({ framework, statement, onClose, onDeleted }: Props) {
  const client = useQueryClient()
  const tell = useToast()
  const remove = useMutation({
    mutationFn: () => deleteStatement(framework.id, statement.id),
    onSuccess: () => {
      for (const key of ['frameworks', 'statements', 'coverage']) client.invalidateQueries({ queryKey: [key] })
      tell({ text: words.deleted({ title: statementName(statement) }) })
      onDeleted()
      onClose()
    },
  })
  return (
    <FormDialog
      title={words.deleteTitle({ name: statementName(statement) })}
      about={words.deleteAbout({ below: below(framework.statements, statement.id) })}
      go={words.deleteStatement}
      disabled={remove.isPending}
      onClose={onClose}
      onSubmit={() => remove.mutate()}
    >
      {remove.error ? <Message look="problem">{remove.error.message}</Message> : null}
    </FormDialog>
  )
}

/** How many statements stand below one; the list is in tree order. */
function below(statements: StatementRow[], id: string): number {
  const inside = new Set([id])
  for (const one of statements) if (one.parent_id !== null && inside.has(one.parent_id)) inside.add(one.id)
  return inside.size - 1
}
