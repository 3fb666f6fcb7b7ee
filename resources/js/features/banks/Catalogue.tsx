import { useNavigate } from 'react-router'
import type { QuestionRow } from '@/api/schema'
import { BrowsingPanes } from '@/browse/BrowsingPanes'
import { EverywherePanel } from '@/browse/EverywherePanel'
import { ListPane } from '@/browse/ListPane'
import { useBrowsing } from '@/browse/useBrowsing'
import { useFilter } from '@/browse/useFilter'
import { lazily } from '@/lib/lazily'
import { useWide } from '@/lib/useWide'
import { texts } from '@/messages'
import { useDetailKeys } from '@/question/details/useDetails'
import { Shell } from '@/shell/Shell'
import { Button } from '@/ui/Button'
import { useCommands } from '@/ui/commands'
import { Waiting } from '@/ui/Message'

const Reading = lazily(() => import('./Reading'), 'Reading', <Waiting text={texts.loading} />)

/** Questions of every bank one may read: what to look for, list, reading. */
export function Catalogue() {
  const navigate = useNavigate()
  const filter = useFilter()
  const browsing = useBrowsing('', filter)
  useDetailKeys()
  useCommands('catalogue', browsing.commands)
  const narrow = !useWide(768)
  const { rows, active } = browsing
  const row = rows.find((one) => one.id === active)
  const open = (one: QuestionRow) => navigate(`/banks/${one.bank}?question=${one.id}`)
  const list = <ListPane {...browsing.list} slug="" trees={undefined} onOpen={open} withBank />
  const reading = (id: string) => <Reading key={id} id={id} slug={row?.bank ?? ''} {...browsing.reading} />
  return (
    <Shell
      title={texts.bank.catalogue}
      crumbs={[{ title: texts.banks.title, to: '/banks' }, { title: texts.bank.catalogue }]}
      aside={texts.bank.catalogueAbout}
      search={{ label: texts.frame.search, value: filter.words, onChange: filter.setWords }}
      actions={
        row ? <Button onClick={() => open(row)}>{narrow ? texts.bank.toItsBank : texts.bank.toBank({ name: row.bank_name })}</Button> : null
      }
    >
      <BrowsingPanes browsing={browsing} where={<EverywherePanel filter={filter} />} list={list} reading={reading} />
    </Shell>
  )
}
