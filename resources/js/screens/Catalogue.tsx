import { useInfiniteQuery, useQuery } from '@tanstack/react-query'
import { useMemo, useState } from 'react'
import { useNavigate } from 'react-router'
import { facetsQuery, questionsQuery } from '@/api/queries'
import type { QuestionRow } from '@/api/schema'
import { ListPane } from '@/bank/ListPane'
import { More, useOpenSections } from '@/bank/More'
import { Reading } from '@/bank/Reading'
import { type Range, ranges, useFilter } from '@/bank/useFilter'
import { Button } from '@/components/Button'
import { Dialog } from '@/components/Dialog'
import { Nothing } from '@/components/Message'
import { Panes } from '@/components/Panes'
import { single, useCommands } from '@/frame/commands'
import { Shell } from '@/frame/Shell'
import { useWide } from '@/frame/useWide'
import { texts } from '@/texts'
import { useAtHand } from '@/tray/useAtHand'
import { useTraySelection } from '@/tray/useTraySelection'

/** Questions of every bank one may read: what to look for, list, reading. */
export function Catalogue() {
  const navigate = useNavigate()
  const filter = useFilter()
  const pages = useInfiniteQuery(questionsQuery('', filter.query))
  const rows = useMemo(() => pages.data?.pages.flatMap((page) => page.data) ?? [], [pages.data])
  const meta = pages.data?.pages[0]?.meta
  const selection = useTraySelection(rows, filter.query)
  const { taken } = useAtHand()
  const sections = useOpenSections(filter, true)
  const asked = sections.open.filter((name) => !ranges.includes(name as Range))
  const counts = useQuery({ ...facetsQuery('', filter.query, asked), enabled: asked.length > 0 })
  const empty = useQuery({ ...facetsQuery('', filter.query, []), enabled: meta?.found === 0 && filter.any })
  const [showKey, setShowKey] = useState(() => localStorage.getItem('key-shown') === 'yes')
  const [narrowing, setNarrowing] = useState(false)
  const wide = useWide(1024)
  const narrow = !useWide(768)
  const active = filter.question ?? (narrow ? undefined : rows[0]?.id)
  const row = rows.find((one) => one.id === active)
  const toggleKey = () => {
    localStorage.setItem('key-shown', showKey ? 'no' : 'yes')
    setShowKey(!showKey)
  }
  const open = (one: QuestionRow) => navigate(`/banks/${one.bank}?question=${one.id}`)
  const here = texts.frame.groups.here
  useCommands('catalogue', [
    {
      id: 'key',
      group: texts.frame.groups.view,
      title: `${texts.bank.keyShown} / ${texts.bank.keyHidden}`,
      keys: 'k',
      single: true,
      on: single('k'),
      run: toggleKey,
    },
    ...(filter.any ? [{ id: 'clear', group: here, title: texts.bank.clearAll, run: filter.clear }] : []),
    ...(active
      ? [
          {
            id: 'tray',
            group: here,
            title: selection.ids.includes(active) ? texts.tray.out : texts.tray.put,
            keys: 't',
            single: true,
            on: single('t'),
            run: () => selection.toggle(active),
          },
        ]
      : []),
  ])
  const reading = active ? (
    <Reading key={active} id={active} slug={row?.bank ?? ''} showKey={showKey} onKey={toggleKey} onBack={() => filter.setQuestion(null)} />
  ) : (
    <Nothing title={texts.bank.pick} />
  )
  const where = (
    <div className="h-full overflow-y-auto bg-well">
      <More filter={filter} facets={counts.data?.facets ?? {}} trees={undefined} open={sections.open} onToggle={sections.toggle} all />
    </div>
  )
  const list = (
    <ListPane
      filter={filter}
      trees={undefined}
      pages={pages}
      rows={rows}
      active={active}
      selection={selection}
      taken={taken}
      onOpen={open}
      {...(wide ? {} : { onNarrow: () => setNarrowing(true) })}
      without={empty.data?.without ?? {}}
      meant={empty.data?.meant ?? null}
      withBank
    />
  )
  return (
    <Shell
      title={texts.bank.catalogue}
      crumbs={[{ title: texts.banks.title, to: '/banks' }, { title: texts.bank.catalogue }]}
      aside={texts.bank.catalogueAbout}
      search={{ label: texts.frame.search, value: filter.words, onChange: filter.setWords }}
      actions={row ? <Button onClick={() => open(row)}>{texts.bank.toBank(row.bank_name)}</Button> : null}
    >
      {narrow ? (
        filter.question ? (
          <div className="h-full overflow-y-auto bg-paper">{reading}</div>
        ) : (
          list
        )
      ) : (
        <Panes
          name="bank"
          borderName={texts.frame.border}
          panes={[
            ...(wide ? [{ id: 'where', label: texts.bank.where, body: where, size: 236, min: 180, max: 420 }] : []),
            { id: 'list', label: texts.bank.list, body: list, size: wide ? 440 : 360, min: 300, max: 720 },
          ]}
          last={
            <section aria-label={texts.bank.reading} className="h-full overflow-y-auto bg-paper">
              {reading}
            </section>
          }
        />
      )}
      <Dialog open={narrowing && !wide} onClose={() => setNarrowing(false)} title={texts.bank.narrow} closeName={texts.frame.close}>
        <div className="-mx-5 -my-4 min-h-80">{where}</div>
      </Dialog>
    </Shell>
  )
}
