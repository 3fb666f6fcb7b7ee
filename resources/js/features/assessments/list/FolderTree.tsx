import { useMutation, useQueryClient } from '@tanstack/react-query'
import { MoreHorizontal } from 'lucide-react'
import { useState } from 'react'
import { type AssessmentRow, moveAssessmentFolder, placeAssessment } from '@/api/assembly'
import { dropTarget } from '@/lib/drag'
import { number } from '@/lib/format'
import { texts } from '@/messages'
import { folderNames, folderText } from '@/shell/tray/PlaceFields'
import { Button } from '@/ui/Button'
import { Field } from '@/ui/Field'
import { FormDialog } from '@/ui/FormDialog'
import { Menu } from '@/ui/Menu'
import { useToast } from '@/ui/Toasts'
import { type FolderNode, foldersOf } from './listed'

const words = texts.assembly.places

/** What a row of the list is when it is dragged. */
export const ASSESSMENT = 'assessment'

type Props = {
  rows: AssessmentRow[]
  bank: string
  folder: string[]
  onShow: (bank: string, folder: string[]) => void
}

/** Banks and the folders of their assessments: one is shown, and takes what is dropped on it. */
export function FolderTree({ rows, bank, folder, onShow }: Props) {
  const client = useQueryClient()
  const tell = useToast()
  const [over, setOver] = useState('')
  const [renaming, setRenaming] = useState<FolderNode | null>(null)
  const nodes = foldersOf(rows)
  const here = [bank, ...folder].join('\n')
  const moved = useMutation({
    mutationFn: ({ ids, to }: { ids: string[]; to: string[] }) => Promise.all(ids.map((id) => placeAssessment(id, { folder: to }))),
    onSuccess: (_, { ids, to }) => {
      client.invalidateQueries({ queryKey: ['assessments'] })
      tell({ text: words.moved({ n: ids.length, folder: to.length > 0 ? folderText(to) : words.noFolder }) })
    },
    onError: (problem) => tell({ text: problem.message, look: 'problem' }),
  })
  return (
    <nav aria-label={words.folders} className="flex h-full flex-col gap-px overflow-y-auto bg-well py-2">
      <Row
        name={words.all}
        count={nodes.filter((node) => node.depth === 0).reduce((sum, node) => sum + node.count, 0)}
        depth={0}
        on={bank === ''}
        onClick={() => onShow('', [])}
      />
      {nodes.map((node) => (
        <div
          key={node.key}
          className={over === node.key ? 'bg-accent-tint' : ''}
          ref={dropTarget({
            // a folder is of one bank, and so is what goes into it
            takes: ({ type, bank }) => type === ASSESSMENT && bank === node.bank,
            onOver: () => setOver(node.key),
            onLeave: () => setOver(''),
            onDrop: ({ ids }) => moved.mutate({ ids: ids as string[], to: node.folder }),
          })}
        >
          <Row
            name={node.name}
            count={node.count}
            depth={node.depth}
            on={here === node.key}
            onClick={() => onShow(node.bank, node.folder)}
            {...(node.depth > 0 && rows.some((row) => row.bank === node.bank && row.may_write)
              ? { onRename: () => setRenaming(node) }
              : {})}
          />
        </div>
      ))}
      {renaming ? (
        <RenameFolder
          node={renaming}
          onDone={(to) => {
            client.invalidateQueries({ queryKey: ['assessments'] })
            onShow(renaming.bank, to)
          }}
          onClose={() => setRenaming(null)}
        />
      ) : null}
    </nav>
  )
}

type RowProps = { name: string; count: number; depth: number; on: boolean; onClick: () => void; onRename?: () => void }

function Row({ name, count, depth, on, onClick, onRename }: RowProps) {
  return (
    <div className={`flex items-center border-l-3 pr-2 ${on ? 'border-accent bg-paper' : 'border-transparent hover:bg-paper'}`}>
      <button
        type="button"
        aria-current={on ? 'true' : undefined}
        className={`-outline-offset-2 flex min-h-8 min-w-0 flex-1 items-center gap-2 text-left ${on ? 'font-semibold' : ''}`}
        style={{ paddingInlineStart: 12 + depth * 16 }}
        onClick={onClick}
      >
        <span className="min-w-0 flex-1 truncate">{name}</span>
        <span className="text-caption text-quiet">{number(count)}</span>
      </button>
      {onRename ? (
        <Menu.Root
          align="end"
          button={
            <Button look="quiet" className="!min-h-6 !px-1" aria-label={`${texts.bank.more}: ${name}`}>
              <MoreHorizontal size={16} aria-hidden="true" />
            </Button>
          }
        >
          <Menu.Item onSelect={onRename}>{words.renameFolder}</Menu.Item>
        </Menu.Root>
      ) : null}
    </div>
  )
}

/** Another name or another place for a folder; all that lies in it goes along. */
function RenameFolder({ node, onDone, onClose }: { node: FolderNode; onDone: (to: string[]) => void; onClose: () => void }) {
  const tell = useToast()
  const [typed, setTyped] = useState(folderText(node.folder))
  const to = folderNames(typed)
  const rename = useMutation({
    mutationFn: () => moveAssessmentFolder(node.bank, node.folder, to),
    onSuccess: ({ moved }) => {
      tell({ text: words.moved({ n: moved, folder: to.length > 0 ? folderText(to) : words.noFolder }) })
      onDone(to)
      onClose()
    },
  })
  return (
    <FormDialog
      title={words.renameFolder}
      about={words.renameAbout({ n: node.count })}
      go={words.moveGo}
      disabled={rename.isPending}
      onSubmit={() => rename.mutate()}
      onClose={onClose}
    >
      <Field.Root problem={rename.error?.message ?? null}>
        <Field.Label>{words.folder}</Field.Label>
        <Field.Text autoFocus maxLength={2000} value={typed} onChange={(event) => setTyped(event.target.value)} />
      </Field.Root>
    </FormDialog>
  )
}
