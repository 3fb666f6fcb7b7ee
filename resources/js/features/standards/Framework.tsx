import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { Link, useNavigate, useParams, useSearchParams } from 'react-router'
import { changeFramework, deleteFramework, frameworkQuery, type StatementRow } from '@/api/standards'
import { texts } from '@/messages'
import { Shell } from '@/shell/Shell'
import { frameworkName } from '@/standards/statementName'
import { Asked } from '@/ui/Asked'
import { Button } from '@/ui/Button'
import { control, Field } from '@/ui/Field'
import { FormDialog } from '@/ui/FormDialog'
import { ListAndReading } from '@/ui/ListAndReading'
import { Menu } from '@/ui/Menu'
import { Message } from '@/ui/Message'
import { useToast } from '@/ui/Toasts'
import { VirtualRows } from '@/ui/VirtualRows'
import { MoveOverDialog } from './MoveOverDialog'
import { StatementOrder } from './StatementOrder'
import { StatementPane } from './StatementPane'

const words = texts.standards
type Whole = NonNullable<Awaited<ReturnType<NonNullable<ReturnType<typeof frameworkQuery>['queryFn']>>>>

/** One framework: its statements as a tree on the left, the chosen one with its crosswalks on the right. */
export function Framework() {
  const { id = '' } = useParams()
  const [search, setSearch] = useSearchParams()
  const query = useQuery(frameworkQuery(id))
  const [typed, setTyped] = useState('')
  const [dialog, setDialog] = useState<'rename' | 'move' | null>(null)
  const whole = query.data
  const chosen = search.get('statement') ?? ''
  const under = search.get('under') ?? ''
  const open = (statement: string, under = '') =>
    setSearch(statement === '' ? {} : { statement, ...(under === '' ? {} : { under }) }, { replace: true })
  const looked = typed.trim().toLowerCase()
  const depth = depths(whole?.statements ?? [])
  const shown = (whole?.statements ?? []).filter(
    (one) => looked === '' || `${one.code} ${one.title} ${one.text}`.toLowerCase().includes(looked),
  )
  return (
    <Shell
      title={whole ? frameworkName(whole) : words.title}
      crumbs={[{ title: words.title, to: '/frameworks' }, { title: whole ? frameworkName(whole) : '…' }]}
      aside={whole ? words.counts({ statements: whole.statements.length, n: whole.questions }) : null}
      actions={
        whole ? (
          <Actions whole={whole} onRename={() => setDialog('rename')} onAdd={() => open('new')} onMove={() => setDialog('move')} />
        ) : null
      }
    >
      <Asked query={query} />
      {whole ? (
        <ListAndReading
          name="framework"
          picked={chosen !== ''}
          list={{
            id: 'statements',
            label: words.statements,
            size: 520,
            min: 320,
            max: 900,
            body: (
              <div className="flex h-full flex-col bg-well">
                <div className="flex-none border-hairline border-b p-2">
                  <input
                    type="search"
                    aria-label={words.findIn}
                    placeholder={words.findIn}
                    className={`${control} w-full`}
                    value={typed}
                    onChange={(event) => setTyped(event.target.value)}
                  />
                </div>
                {whole.keeps && looked === '' && shown.length > 0 ? (
                  <StatementOrder framework={whole} chosen={chosen} onOpen={open} />
                ) : (
                  <div className="min-h-0 flex-1">
                    {shown.length === 0 ? (
                      <p className="px-4 py-2 text-quiet">{looked === '' ? words.noStatements : words.noneFound}</p>
                    ) : (
                      <VirtualRows
                        label={words.statements}
                        rows={shown}
                        all={shown.length}
                        height={28}
                        id={(one) => one.id}
                        active={chosen}
                        selected={chosen === '' ? [] : [chosen]}
                        onActive={(one) => open(one.id)}
                        onSelect={(one) => open(one.id)}
                        onOpen={(one) => open(one.id)}
                        onEnd={() => undefined}
                        draw={(one, { active }) => <StatementLine statement={one} depth={depth.get(one.id) ?? 0} active={active} />}
                      />
                    )}
                  </div>
                )}
              </div>
            ),
          }}
          reading={{
            label: words.statement,
            body: <StatementPane key={`${chosen} ${under}`} framework={whole} id={chosen} under={under} onOpen={open} />,
          }}
        />
      ) : null}
      {dialog === 'move' && whole ? <MoveOverDialog framework={whole} onClose={() => setDialog(null)} /> : null}
      {dialog === 'rename' && whole ? <RenameDialog whole={whole} onClose={() => setDialog(null)} /> : null}
    </Shell>
  )
}

function StatementLine({ statement, depth, active }: { statement: StatementRow; depth: number; active: boolean }) {
  const look = active ? 'border-accent bg-paper font-semibold' : 'border-transparent hover:bg-paper'
  return (
    <span
      className={`flex h-7 items-center gap-2 border-l-3 pr-2 ${look} ${statement.retired ? 'text-quiet line-through' : ''}`}
      style={{ paddingInlineStart: 8 + depth * 18 }}
    >
      <span className="flex-none font-mono text-caption">{statement.code}</span>
      <span className="min-w-0 flex-1 truncate">{statement.title || statement.text}</span>
    </span>
  )
}

function depths(statements: StatementRow[]) {
  const depth = new Map<string, number>()
  for (const one of statements) depth.set(one.id, one.parent_id === null ? 0 : (depth.get(one.parent_id) ?? 0) + 1)
  return depth
}

type ActionsProps = { whole: Whole; onRename: () => void; onAdd: () => void; onMove: () => void }

function Actions({ whole, onRename, onAdd, onMove }: ActionsProps) {
  const client = useQueryClient()
  const navigate = useNavigate()
  const tell = useToast()
  const [asking, setAsking] = useState(false)
  const refresh = () => client.invalidateQueries({ queryKey: ['frameworks'] })
  const retire = useMutation({ mutationFn: () => changeFramework(whole.id, { retired: !whole.retired }), onSuccess: refresh })
  const remove = useMutation({
    mutationFn: () => deleteFramework(whole.id),
    onSuccess: () => {
      refresh()
      tell({ text: words.deleted({ title: frameworkName(whole) }) })
      navigate('/frameworks')
    },
  })
  return (
    <>
      <Link className="font-semibold text-accent hover:underline" to={`/coverage?framework=${whole.id}`}>
        {texts.frame.coverage}
      </Link>
      <a className="font-semibold text-accent hover:underline" href={`/api/v1/frameworks/${whole.id}/file`} download>
        {words.asCase}
      </a>
      {whole.keeps ? (
        <>
          <Button onClick={onAdd}>{words.add}</Button>
          <Menu.Root align="end" button={<Button>{texts.bank.more}</Button>}>
            <Menu.Item onSelect={onMove}>{words.mapOver}</Menu.Item>
            <Menu.Item onSelect={onRename}>{words.rename}</Menu.Item>
            <Menu.Item onSelect={() => retire.mutate()}>{whole.retired ? words.bringBack : words.retire}</Menu.Item>
            <Menu.Line />
            <Menu.Item onSelect={() => setAsking(true)}>{words.deleteFramework}</Menu.Item>
          </Menu.Root>
        </>
      ) : null}
      {asking ? (
        <FormDialog
          title={words.deleteTitle({ name: frameworkName(whole) })}
          about={words.deleteWhole({ n: whole.statements.length })}
          go={words.deleteFramework}
          disabled={remove.isPending}
          onClose={() => setAsking(false)}
          onSubmit={() => remove.mutate()}
        >
          {remove.error ? <Message look="problem">{remove.error.message}</Message> : null}
        </FormDialog>
      ) : null}
    </>
  )
}

function RenameDialog({ whole, onClose }: { whole: Whole; onClose: () => void }) {
  const client = useQueryClient()
  const [title, setTitle] = useState(whole.title)
  const [version, setVersion] = useState(whole.version)
  const save = useMutation({
    mutationFn: () => changeFramework(whole.id, { title, version }),
    onSuccess: () => {
      client.invalidateQueries({ queryKey: ['frameworks'] })
      onClose()
    },
  })
  return (
    <FormDialog title={words.rename} go={texts.frame.save} disabled={save.isPending} onClose={onClose} onSubmit={() => save.mutate()}>
      <Field.Root problem={save.error?.message ?? null}>
        <Field.Label>{words.name}</Field.Label>
        <Field.Text required maxLength={1000} value={title} onChange={(event) => setTitle(event.target.value)} />
      </Field.Root>
      <Field.Root>
        <Field.Label>{words.version}</Field.Label>
        <Field.Text maxLength={100} value={version} onChange={(event) => setVersion(event.target.value)} />
      </Field.Root>
    </FormDialog>
  )
}
