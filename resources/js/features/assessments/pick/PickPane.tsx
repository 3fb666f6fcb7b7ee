import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { treesQuery } from '@/api/queries'
import type { QuestionRow } from '@/api/schema'
import { BrowsingPanes } from '@/browse/BrowsingPanes'
import { EverywherePanel } from '@/browse/EverywherePanel'
import { FilterPanel } from '@/browse/FilterPanel'
import { ListPane } from '@/browse/ListPane'
import { useBrowsing } from '@/browse/useBrowsing'
import { useFilter } from '@/browse/useFilter'
import { QUESTION } from '@/lib/assessment'
import { useWide } from '@/lib/useWide'
import { texts } from '@/messages'
import { useTray } from '@/shell/tray/useTray'
import { Button } from '@/ui/Button'
import { single, useCommands } from '@/ui/commands'
import { Dialog } from '@/ui/Dialog'
import { control } from '@/ui/Field'
import { Menu } from '@/ui/Menu'
import { SearchField } from '@/ui/SearchField'
import { AddTray } from './AddTray'
import { DrawFromList } from './DrawFromList'
import { FromAssessment } from './FromAssessment'
import { PickReading } from './PickReading'
import type { Picking } from './usePicking'
import { WriteHere } from './WriteHere'

const words = texts.assembly.pick

type Asked = 'draw' | 'tray' | 'assessment' | 'write'

/**
 * Questions to take: everything a bank's list has, in one bank or in all, read and tried before they are taken. Enter takes one, and takes
 * out what is taken; a key gives it the whole width.
 */
export function PickPane({ picking }: { picking: Picking }) {
  const { slug, isWide, setWide, taken, toggle, put, target } = picking
  const filter = useFilter()
  const browsing = useBrowsing(slug, filter)
  const trees = useQuery({ ...treesQuery(slug), enabled: slug !== '' })
  const narrow = !useWide(768)
  const full = isWide && !narrow
  const [narrowing, setNarrowing] = useState(false)
  const [asked, setAsked] = useState<Asked | null>(null)
  const tray = useTray()
  const waiting = tray.ids.filter((id) => !taken.has(id))
  const { active } = browsing
  useCommands('pick', [
    ...browsing.commands,
    {
      id: 'wide',
      group: texts.frame.groups.view,
      title: full ? words.narrow : words.wide,
      keys: 'w',
      single: true,
      on: single('w'),
      run: () => setWide(!full),
    },
  ])
  const where =
    slug === '' ? <EverywherePanel filter={filter} /> : <FilterPanel slug={slug} filter={filter} mayWrite={false} to={picking.to} />
  const list = (
    <ListPane
      {...browsing.list}
      {...(full ? {} : { onNarrow: () => setNarrowing(true) })}
      slug={slug}
      trees={trees.data}
      taken={taken}
      onOpen={(row: QuestionRow) => toggle(row.id)}
      {...(slug === '' ? { withBank: true } : {})}
      drag={(row) => ({ type: QUESTION, id: row.id, revision: row.revision })}
    />
  )
  const reading = (id: string) => <PickReading key={id} id={id} taken={taken.has(id)} onToggle={() => toggle(id)} />
  const search = <SearchField label={texts.assembly.pickWords} value={filter.words} onChange={filter.setWords} />
  const { questions, points } = picking.document.stored.totals
  const totals = texts.assembly.total({ n: questions, points })
  return (
    <div className="flex h-full flex-col">
      <div className="flex flex-none flex-col gap-2 border-hairline border-b px-3 py-2">
        <div className="flex flex-wrap items-center gap-2">
          <select
            aria-label={words.from}
            className={`${control} min-w-0 flex-1 ${full ? 'max-w-80' : ''}`}
            value={picking.from}
            onChange={(event) => picking.setFrom(event.target.value)}
          >
            <option value={picking.EVERY}>{words.everyBank}</option>
            {picking.banks.map((bank) => (
              <option key={bank.slug} value={bank.slug}>
                {bank.name} ({bank.question_count})
              </option>
            ))}
          </select>
          {full ? <div className="min-w-44 flex-1">{search}</div> : null}
          {full ? <p className="text-second">{totals}</p> : null}
          {narrow ? null : (
            <Button aria-keyshortcuts="w" onClick={() => setWide(!full)}>
              {full ? words.narrow : words.wide}
            </Button>
          )}
        </div>
        {full ? null : search}
        <div className="flex flex-wrap items-center gap-2">
          <select
            aria-label={texts.assembly.putInto}
            className={`${control} min-w-0 flex-1 ${full ? 'max-w-80' : ''}`}
            value={target}
            onChange={(event) => picking.setTarget(event.target.value)}
          >
            {picking.targets.map((one) => (
              <option key={one.id} value={one.id}>
                {one.title}
              </option>
            ))}
          </select>
          {waiting.length > 0 ? <Button onClick={() => put(waiting)}>{texts.assembly.addAll({ n: waiting.length })}</Button> : null}
          <Button onClick={() => setAsked('draw')}>{words.draw}</Button>
          <Menu.Root align="end" button={<Button aria-label={words.moreWays}>{texts.bank.more}</Button>}>
            {waiting.length > 0 ? <Menu.Item onSelect={() => setAsked('tray')}>{words.trayAsk}</Menu.Item> : null}
            <Menu.Item onSelect={() => setAsked('assessment')}>{words.another}</Menu.Item>
            <Menu.Item onSelect={() => setAsked('write')}>{words.write}</Menu.Item>
          </Menu.Root>
        </div>
      </div>
      <div className="min-h-0 flex-1">
        {full ? (
          <BrowsingPanes browsing={browsing} where={where} list={list} reading={reading} />
        ) : (
          <div className="flex h-full flex-col">
            <div className="min-h-0 flex-1">{list}</div>
            {active ? <div className="flex max-h-[55%] min-h-40 flex-none flex-col border-edge border-t">{reading(active)}</div> : null}
          </div>
        )}
      </div>
      <Dialog open={narrowing} onClose={() => setNarrowing(false)} title={texts.bank.narrow} closeName={texts.frame.close}>
        <div className="-mx-5 -my-4 min-h-80">{where}</div>
      </Dialog>
      {asked === 'draw' ? (
        <DrawFromList picking={picking} filter={filter} trees={trees.data} found={browsing.found} onClose={() => setAsked(null)} />
      ) : null}
      {asked === 'tray' ? <AddTray picking={picking} questions={waiting} onClose={() => setAsked(null)} /> : null}
      {asked === 'assessment' ? <FromAssessment picking={picking} onClose={() => setAsked(null)} /> : null}
      {asked === 'write' ? <WriteHere picking={picking} onClose={() => setAsked(null)} /> : null}
    </div>
  )
}
