import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { Link } from 'react-router'
import { type BlueprintRow, binBlueprint, blueprintsQuery, restoreBlueprint } from '@/api/blueprints'
import { fold, moment } from '@/lib/format'
import { useAddress } from '@/lib/useAddress'
import { texts } from '@/messages'
import { Shell } from '@/shell/Shell'
import { Asked } from '@/ui/Asked'
import { Button } from '@/ui/Button'
import { useCommands } from '@/ui/commands'
import { Menu } from '@/ui/Menu'
import { Nothing } from '@/ui/Message'
import { useToast } from '@/ui/Toasts'
import { NewBlueprint } from './NewBlueprint'

const words = texts.blueprints

/** Blueprints of the banks one may read: what tests are to be made of, kept for next year. */
export function Blueprints() {
  const { address, set } = useAddress()
  const isBin = address.get('is') === 'binned'
  const query = useQuery(blueprintsQuery(isBin))
  const client = useQueryClient()
  const tell = useToast()
  const [making, setMaking] = useState<{ like?: BlueprintRow } | null>(null)
  const typed = address.get('words') ?? ''
  const rows = (query.data ?? []).filter((row) => fold(`${row.title} ${row.bank_name}`).includes(fold(typed)))
  const fail = (problem: Error) => tell({ text: problem.message, look: 'problem' })
  const again = () => client.invalidateQueries({ queryKey: ['blueprints'] })
  const restore = useMutation({
    mutationFn: (row: BlueprintRow) => restoreBlueprint(row.id),
    onSuccess: (_, row) => {
      again()
      tell({ text: texts.assembly.restored({ title: row.title }) })
    },
    onError: fail,
  })
  const bin = useMutation({
    mutationFn: (row: BlueprintRow) => binBlueprint(row.id),
    onSuccess: (_, row) => {
      again()
      tell({ text: words.binned({ title: row.title }), undo: () => restore.mutate(row) })
    },
    onError: fail,
  })
  useCommands('blueprints', [{ id: 'make', group: texts.frame.groups.here, title: words.make, run: () => setMaking({}) }])
  return (
    <Shell
      title={words.title}
      crumbs={[{ title: texts.assembly.title, to: '/assessments' }, { title: words.title }]}
      search={{ label: words.search, value: typed, onChange: (next) => set('words', next, true) }}
      actions={
        <>
          <Button onClick={() => set('is', isBin ? '' : 'binned')}>{isBin ? texts.assembly.toList : texts.assembly.bin}</Button>
          <Button look="primary" onClick={() => setMaking({})}>
            {words.make}
          </Button>
        </>
      }
    >
      <div className="h-full overflow-y-auto px-4">
        <Asked query={query} />
        {query.data?.length === 0 ? <Nothing title={isBin ? words.binEmpty : words.empty}>{isBin ? null : words.emptyNext}</Nothing> : null}
        {query.data && query.data.length > 0 && rows.length === 0 ? <Nothing title={words.noneFound} /> : null}
        {rows.length > 0 ? (
          <table className="mx-auto my-3 w-full max-w-280">
            <thead>
              <tr className="border-edge border-b text-left text-caption text-quiet">
                <th className="py-2 pr-4 font-normal">{texts.assembly.columns.title}</th>
                <th className="pr-4 text-right font-normal">{words.madeOf}</th>
                <th className="pr-4 font-normal">{texts.assembly.columns.at}</th>
                <td />
              </tr>
            </thead>
            <tbody>
              {rows.map((row) => (
                <tr key={row.id} className="border-hairline border-b">
                  <td className="py-2 pr-4">
                    <Link className="text-head font-semibold text-ink hover:text-accent hover:underline" to={`/blueprints/${row.id}`}>
                      {row.title}
                    </Link>
                    <span className="block text-second">{row.bank_name}</span>
                  </td>
                  <td className="pr-4 text-right tabular-nums">{row.made}</td>
                  <td className="pr-4 text-second">{moment(row.updated_at)}</td>
                  <td className="text-right">
                    {isBin ? (
                      <Button aria-label={`${texts.assembly.restore} “${row.title}”`} onClick={() => restore.mutate(row)}>
                        {texts.assembly.restore}
                      </Button>
                    ) : (
                      <Menu.Root
                        align="end"
                        button={
                          <Button look="quiet" aria-label={words.menuOf({ title: row.title })}>
                            {texts.bank.more}
                          </Button>
                        }
                      >
                        <Menu.Item onSelect={() => setMaking({ like: row })}>{words.duplicate}</Menu.Item>
                        {row.may_write ? <Menu.Item onSelect={() => bin.mutate(row)}>{texts.assembly.remove}</Menu.Item> : null}
                      </Menu.Root>
                    )}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        ) : null}
      </div>
      {making ? <NewBlueprint {...(making.like ? { like: making.like } : {})} onClose={() => setMaking(null)} /> : null}
    </Shell>
  )
}
