import { useQuery } from '@tanstack/react-query'
import { useNavigate } from 'react-router'
import { facetsQuery } from '@/api/queries'
import type { QuestionRow } from '@/api/schema'
import { BrowsingPanes } from '@/browse/BrowsingPanes'
import { type Range, ranges } from '@/browse/filterQuery'
import { ListPane } from '@/browse/ListPane'
import { MoreFilters, useOpenSections } from '@/browse/MoreFilters'
import { useBrowsing } from '@/browse/useBrowsing'
import { useFilter } from '@/browse/useFilter'
import { lazily } from '@/lib/lazily'
import { useWide } from '@/lib/useWide'
import { texts } from '@/messages'
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
  useCommands('catalogue', browsing.commands)
  const narrow = !useWide(768)
  const sections = useOpenSections(filter, true)
  const asked = sections.open.filter((name) => !ranges.includes(name as Range))
  const counts = useQuery({ ...facetsQuery('', filter.query, asked), enabled: asked.length > 0 })
  const { rows, active } = browsing
  const row = rows.find((one) => one.id === active)
  const open = (one: QuestionRow) => navigate(`/banks/${one.bank}?question=${one.id}`)
  const where = (
    <div className="h-full overflow-y-auto bg-well">
      <MoreFilters
        filter={filter}
        facets={counts.data?.facets ?? {}}
        trees={undefined}
        open={sections.open}
        onToggle={sections.toggle}
        all
      />
    </div>
  )
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
      <BrowsingPanes browsing={browsing} where={where} list={list} reading={reading} />
    </Shell>
  )
}
