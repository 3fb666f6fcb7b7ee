import { useInfiniteQuery, useQuery } from '@tanstack/react-query'
import { useMemo, useState } from 'react'
import { useNavigate, useParams } from 'react-router'
import { bankQuery, facetsQuery, questionsQuery, treesQuery } from '@/api/queries'
import type { QuestionRow } from '@/api/schema'
import { type BankDialog, BankDialogs } from '@/bank/BankDialogs'
import { ListPane } from '@/bank/ListPane'
import { Reading } from '@/bank/Reading'
import { useFilter } from '@/bank/useFilter'
import { Where } from '@/bank/Where'
import { Button } from '@/components/Button'
import { Dialog } from '@/components/Dialog'
import { Menu } from '@/components/Menu'
import { Nothing } from '@/components/Message'
import { Panes } from '@/components/Panes'
import { single, useCommands } from '@/frame/commands'
import { Shell } from '@/frame/Shell'
import { useWide } from '@/frame/useWide'
import { texts } from '@/texts'
import { useAtHand } from '@/tray/useAtHand'
import { useTraySelection } from '@/tray/useTraySelection'

/** A bank: where, list, reading. */
export function Bank() {
  const slug = useParams().slug ?? ''
  const navigate = useNavigate()
  const filter = useFilter()
  const bank = useQuery(bankQuery(slug))
  const trees = useQuery(treesQuery(slug))
  const pages = useInfiniteQuery(questionsQuery(slug, filter.query))
  const rows = useMemo(() => pages.data?.pages.flatMap((page) => page.data) ?? [], [pages.data])
  const meta = pages.data?.pages[0]?.meta
  const selection = useTraySelection(rows, filter.query)
  const { taken } = useAtHand()
  const [showKey, setShowKey] = useState(() => localStorage.getItem('key-shown') === 'yes')
  const [narrowing, setNarrowing] = useState(false)
  const [dialog, setDialog] = useState<BankDialog | null>(null)
  const wide = useWide(1024)
  const narrow = !useWide(768)
  const mayWrite = bank.data !== undefined && bank.data.my_role !== 'reader'
  const keeps = bank.data?.my_role === 'keeper'
  const empty = useQuery({ ...facetsQuery(slug, filter.query, []), enabled: meta?.found === 0 && filter.any })
  const toggleKey = () => {
    localStorage.setItem('key-shown', showKey ? 'no' : 'yes')
    setShowKey(!showKey)
  }
  const open = (row: QuestionRow) => (mayWrite ? navigate(`/questions/${row.id}`) : filter.setQuestion(row.id))
  // With room for it, the first question is read until another is picked.
  const active = filter.question ?? (narrow ? undefined : rows[0]?.id)
  const here = texts.frame.groups.here
  useCommands('bank', [
    ...(mayWrite
      ? [
          {
            id: 'write',
            group: here,
            title: texts.bank.write,
            keys: 'n',
            single: true,
            on: single('n'),
            run: () => navigate(`/banks/${slug}/write`),
          },
        ]
      : []),
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
    ...(mayWrite && filter.question
      ? [
          { id: 'open', group: here, title: texts.bank.open, keys: 'Enter', run: () => navigate(`/questions/${filter.question}`) },
          { id: 'like', group: here, title: texts.bank.duplicate, run: () => navigate(`/banks/${slug}/write?like=${filter.question}`) },
        ]
      : []),
    { id: 'stimuli', group: texts.frame.groups.go, title: texts.stimuli.title, run: () => navigate(`/banks/${slug}/stimuli`) },
    { id: 'specimens', group: here, title: texts.specimens.run.title, run: () => setDialog('specimens') },
    ...(keeps ? [{ id: 'share', group: here, title: texts.banks.share, run: () => setDialog('share') }] : []),
  ])
  const reading = active ? (
    <Reading key={active} id={active} slug={slug} showKey={showKey} onKey={toggleKey} onBack={() => filter.setQuestion(null)} />
  ) : (
    <Nothing title={texts.bank.pick} />
  )
  const where = <Where slug={slug} filter={filter} mayWrite={mayWrite} />
  const list = (
    <ListPane
      filter={filter}
      trees={trees.data}
      pages={pages}
      rows={rows}
      active={active}
      selection={selection}
      taken={taken}
      onOpen={open}
      {...(mayWrite ? { onWrite: () => navigate(`/banks/${slug}/write`) } : {})}
      {...(wide ? {} : { onNarrow: () => setNarrowing(true) })}
      without={empty.data?.without ?? {}}
      meant={empty.data?.meant ?? null}
    />
  )
  return (
    <Shell
      title={bank.data?.name ?? texts.banks.title}
      crumbs={[{ title: texts.banks.title, to: '/banks' }, { title: bank.data?.name ?? '…' }]}
      aside={bank.data ? `${texts.banks.sharedWith(bank.data.shared_with)}, ${texts.banks.role[bank.data.my_role]}` : null}
      search={{ label: texts.frame.search, value: filter.words, onChange: filter.setWords }}
      tray={{
        slug,
        mayWrite,
        found: meta?.found ?? 0,
        filter: filter.query,
        all: selection.all,
        onAll: selection.selectAll,
        onNotAll: selection.clear,
      }}
      actions={
        <>
          {keeps ? <Button onClick={() => setDialog('share')}>{texts.banks.share}</Button> : null}
          <Menu.Root align="end" button={<Button>{texts.banks.about}</Button>}>
            <Menu.Item onSelect={() => navigate(`/banks/${slug}/stimuli`)}>{texts.stimuli.title}</Menu.Item>
            <Menu.Item
              onSelect={() => navigate(`/dispatches/new?bank=${slug}${filter.any ? `&filter=${encodeURIComponent(filter.query)}` : ''}`)}
            >
              {filter.any ? texts.bank.sendFound : texts.bank.sendAll}
            </Menu.Item>
            <Menu.Item onSelect={() => setDialog('specimens')}>{texts.specimens.run.title}</Menu.Item>
            {keeps ? (
              <>
                <Menu.Item onSelect={() => setDialog('defaults')}>{texts.starts.defaults.title}</Menu.Item>
                <Menu.Item onSelect={() => setDialog('about')}>{texts.banks.settings}</Menu.Item>
                <Menu.Item onSelect={() => setDialog('archive')}>
                  {bank.data?.archived ? texts.banks.unarchive : texts.banks.archive}
                </Menu.Item>
              </>
            ) : null}
          </Menu.Root>
          {mayWrite ? <Button onClick={() => navigate(`/intakes/new?bank=${slug}`)}>{texts.bank.bring}</Button> : null}
          {mayWrite ? (
            <Button look="primary" onClick={() => navigate(`/banks/${slug}/write`)}>
              {texts.bank.write}
            </Button>
          ) : null}
        </>
      }
    >
      {bank.isError ? (
        <Nothing title={bank.error.message} />
      ) : (
        <div className="flex h-full flex-col">
          <div className="min-h-0 flex-1">
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
          </div>
        </div>
      )}
      <Dialog open={narrowing && !wide} onClose={() => setNarrowing(false)} title={texts.bank.narrow} closeName={texts.frame.close}>
        <div className="-mx-5 -my-4 min-h-80">{where}</div>
      </Dialog>
      {bank.data ? <BankDialogs bank={bank.data} shown={dialog} onClose={() => setDialog(null)} /> : null}
    </Shell>
  )
}
