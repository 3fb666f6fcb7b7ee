import { useQuery, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { useNavigate, useParams } from 'react-router'
import { reread } from '@/api/intakes'
import { bankQuery, treesQuery } from '@/api/queries'
import type { QuestionRow } from '@/api/schema'
import { BrowsingPanes } from '@/browse/BrowsingPanes'
import { FilterPanel } from '@/browse/FilterPanel'
import { ListPane } from '@/browse/ListPane'
import { useBrowsing } from '@/browse/useBrowsing'
import { type Filter, useFilter } from '@/browse/useFilter'
import { lazily } from '@/lib/lazily'
import { sharedWith } from '@/lib/phrases/banks'
import { texts } from '@/messages'
import { useDetailKeys } from '@/question/details/useDetails'
import { Shell } from '@/shell/Shell'
import { Button } from '@/ui/Button'
import { single, useCommands } from '@/ui/commands'
import { Menu } from '@/ui/Menu'
import { Nothing, Waiting } from '@/ui/Message'
import { useToast } from '@/ui/Toasts'
import { type BankDialog, BankDialogs } from './BankDialogs'
import { RegroupDialog } from './RegroupDialog'

const Reading = lazily(() => import('./Reading'), 'Reading', <Waiting text={texts.loading} />)

/** A bank: where, list, reading. */
export function Bank() {
  const slug = useParams().slug ?? ''
  const navigate = useNavigate()
  const filter = useFilter()
  const client = useQueryClient()
  const bank = useQuery(bankQuery(slug))
  const trees = useQuery(treesQuery(slug))
  const browsing = useBrowsing(slug, filter)
  const { found, selection } = browsing
  const [dialog, setDialog] = useState<BankDialog | 'regroup' | null>(null)
  const mayWrite = bank.data?.may_write === true
  const keeps = bank.data?.may_manage
  const open = async (row: QuestionRow) => {
    // the list can load before the bank and one's role in it
    const { may_write } = await client.ensureQueryData(bankQuery(slug))
    if (!may_write) filter.setQuestion(row.id)
    else navigate(`/questions/${row.id}`)
  }
  const tell = useToast()
  useDetailKeys()
  const carry = () => navigate(`/banks/${slug}/carry${filter.any ? `?filter=${encodeURIComponent(filter.query)}` : ''}`)
  const readAgain = () =>
    reread(slug).then(
      (intake) => navigate(`/intakes/${intake.id}`),
      (refused: Error) => tell({ text: refused.message }),
    )
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
            run: () => navigate(writeHere(slug, filter)),
          },
        ]
      : []),
    ...browsing.commands,
    ...(mayWrite && filter.question
      ? [
          { id: 'open', group: here, title: texts.bank.open, keys: 'Enter', run: () => navigate(`/questions/${filter.question}`) },
          { id: 'like', group: here, title: texts.bank.duplicate, run: () => navigate(`/banks/${slug}/write?like=${filter.question}`) },
        ]
      : []),
    ...(mayWrite
      ? [
          { id: 'order', group: texts.frame.groups.go, title: texts.bank.order, run: () => navigate(`/banks/${slug}/order`) },
          {
            id: 'compare',
            group: texts.frame.groups.go,
            title: texts.bank.compare,
            run: () => navigate(`/banks/${slug}/compare`),
          },
          { id: 'regroup', group: here, title: texts.bank.regroup, run: () => setDialog('regroup') },
          { id: 'acts', group: texts.frame.groups.go, title: texts.acts.title, run: () => navigate(`/banks/${slug}/acts`) },
          { id: 'bin', group: texts.frame.groups.go, title: texts.acts.bin.open, run: () => navigate(`/banks/${slug}?is=binned`) },
          { id: 'reread', group: here, title: texts.bank.reread, run: readAgain },
        ]
      : []),
    { id: 'carry', group: texts.frame.groups.go, title: texts.bank.carry, run: carry },
    { id: 'rubrics', group: texts.frame.groups.go, title: texts.bank.rubrics, run: () => navigate(`/banks/${slug}/rubrics`) },
    { id: 'stimuli', group: texts.frame.groups.go, title: texts.bank.stimuli, run: () => navigate(`/banks/${slug}/stimuli`) },
    { id: 'media', group: texts.frame.groups.go, title: texts.bank.media, run: () => navigate(`/banks/${slug}/media`) },
    { id: 'specimens', group: here, title: texts.bank.runSpecimens, run: () => setDialog('specimens') },
    ...(keeps ? [{ id: 'share', group: here, title: texts.banks.share, run: () => setDialog('share') }] : []),
  ])
  const where = <FilterPanel slug={slug} filter={filter} mayWrite={mayWrite} />
  const list = (
    <ListPane
      {...browsing.list}
      slug={slug}
      trees={trees.data}
      mayWrite={mayWrite}
      onOpen={open}
      {...(mayWrite ? { onWrite: () => navigate(writeHere(slug, filter)) } : {})}
    />
  )
  const reading = (id: string) => <Reading key={id} id={id} slug={slug} {...browsing.reading} />
  return (
    <Shell
      title={bank.data?.name ?? texts.banks.title}
      crumbs={[{ title: texts.banks.title, to: '/banks' }, { title: bank.data?.name ?? '…' }]}
      aside={bank.data ? `${texts.banks.role[bank.data.my_role]}, ${sharedWith(bank.data.shared_with)}` : null}
      search={{ label: texts.frame.search, value: filter.words, onChange: filter.setWords }}
      tray={{
        slug,
        mayWrite,
        found: found ?? 0,
        filter: filter.query,
        all: selection.all,
        onAll: selection.selectAll,
        onNotAll: selection.clear,
      }}
      actions={
        <>
          {keeps ? <Button onClick={() => setDialog('share')}>{texts.banks.share}</Button> : null}
          <Menu.Root align="end" button={<Button>{texts.banks.about}</Button>}>
            <Menu.Item onSelect={() => navigate(`/banks/${slug}/rubrics`)}>{texts.bank.rubrics}</Menu.Item>
            <Menu.Item onSelect={() => navigate(`/banks/${slug}/stimuli`)}>{texts.bank.stimuli}</Menu.Item>
            <Menu.Item onSelect={() => navigate(`/banks/${slug}/media`)}>{texts.bank.media}</Menu.Item>
            <Menu.Item
              onSelect={() => navigate(`/dispatches/new?bank=${slug}${filter.any ? `&filter=${encodeURIComponent(filter.query)}` : ''}`)}
            >
              {filter.any ? texts.bank.sendFound : texts.bank.sendAll}
            </Menu.Item>
            <Menu.Item onSelect={() => setDialog('specimens')}>{texts.bank.runSpecimens}</Menu.Item>
            {mayWrite ? (
              <>
                <Menu.Line />
                <Menu.Item onSelect={() => navigate(`/banks/${slug}/order`)}>{texts.bank.order}</Menu.Item>
                <Menu.Item onSelect={() => setDialog('regroup')}>{texts.bank.regroup}</Menu.Item>
                <Menu.Item onSelect={() => navigate(`/banks/${slug}/compare`)}>{texts.bank.compare}</Menu.Item>
                <Menu.Item onSelect={() => navigate(`/banks/${slug}/acts`)}>{texts.acts.title}</Menu.Item>
                <Menu.Item onSelect={() => navigate(`/banks/${slug}?is=binned`)}>{texts.acts.bin.open}</Menu.Item>
                <Menu.Item onSelect={readAgain}>{texts.bank.reread}</Menu.Item>
              </>
            ) : null}
            <Menu.Item onSelect={() => setDialog('copy')}>{texts.banks.copy}</Menu.Item>
            <Menu.Item onSelect={carry}>{texts.bank.carry}</Menu.Item>
            {keeps ? <Menu.Line /> : null}
            {keeps ? (
              <>
                <Menu.Item onSelect={() => setDialog('defaults')}>{texts.bank.defaults}</Menu.Item>
                <Menu.Item onSelect={() => setDialog('about')}>{texts.banks.settings}</Menu.Item>
                <Menu.Item onSelect={() => setDialog('archive')}>
                  {bank.data?.archived ? texts.banks.unarchive : texts.banks.archive}
                </Menu.Item>
              </>
            ) : null}
          </Menu.Root>
          {mayWrite ? <Button onClick={() => navigate(`/intakes/new?bank=${slug}`)}>{texts.bank.bring}</Button> : null}
          {mayWrite ? (
            <Button look="primary" onClick={() => navigate(writeHere(slug, filter))}>
              {texts.bank.write}
            </Button>
          ) : null}
        </>
      }
    >
      {bank.isError ? (
        <Nothing title={bank.error.message} />
      ) : (
        <BrowsingPanes browsing={browsing} where={where} list={list} reading={reading} />
      )}
      {dialog === 'regroup' ? (
        <RegroupDialog slug={slug} filter={filter.query} onClose={() => setDialog(null)} />
      ) : bank.data ? (
        <BankDialogs bank={bank.data} shown={dialog} onClose={() => setDialog(null)} />
      ) : null}
    </Shell>
  )
}

/** Writing begins in the folders that are open. */
function writeHere(slug: string, filter: Filter): string {
  const open = [...new Set([...filter.values('folder'), ...new URLSearchParams(filter.query).getAll('place')])].slice(0, 5)
  return `/banks/${slug}/write${open.length > 0 ? `?${open.map((id) => `folder=${id}`).join('&')}` : ''}`
}
