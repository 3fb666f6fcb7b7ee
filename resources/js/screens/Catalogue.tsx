import { useQuery } from '@tanstack/react-query'
import { useNavigate } from 'react-router'
import { facetsQuery } from '@/api/queries'
import type { QuestionRow } from '@/api/schema'
import { ListPane } from '@/bank/ListPane'
import { More, useOpenSections } from '@/bank/More'
import { Reading } from '@/bank/Reading'
import { useBrowsing } from '@/bank/useBrowsing'
import { type Range, ranges, useFilter } from '@/bank/useFilter'
import { Button } from '@/components/Button'
import { Dialog } from '@/components/Dialog'
import { ListAndReading } from '@/components/ListAndReading'
import { Nothing } from '@/components/Message'
import { Shell } from '@/frame/Shell'
import { texts } from '@/texts'

/** Questions of every bank one may read: what to look for, list, reading. */
export function Catalogue() {
  const navigate = useNavigate()
  const filter = useFilter()
  const browsing = useBrowsing('', filter)
  const sections = useOpenSections(filter, true)
  const asked = sections.open.filter((name) => !ranges.includes(name as Range))
  const counts = useQuery({ ...facetsQuery('', filter.query, asked), enabled: asked.length > 0 })
  const { rows, active, wide } = browsing
  const row = rows.find((one) => one.id === active)
  const open = (one: QuestionRow) => navigate(`/banks/${one.bank}?question=${one.id}`)
  const reading = active ? (
    <Reading key={active} id={active} slug={row?.bank ?? ''} {...browsing.reading} />
  ) : (
    <Nothing title={texts.bank.pick} />
  )
  const where = (
    <div className="h-full overflow-y-auto bg-well">
      <More filter={filter} facets={counts.data?.facets ?? {}} trees={undefined} open={sections.open} onToggle={sections.toggle} all />
    </div>
  )
  const list = <ListPane {...browsing.list} trees={undefined} onOpen={open} withBank />
  return (
    <Shell
      title={texts.bank.catalogue}
      crumbs={[{ title: texts.banks.title, to: '/banks' }, { title: texts.bank.catalogue }]}
      aside={texts.bank.catalogueAbout}
      search={{ label: texts.frame.search, value: filter.words, onChange: filter.setWords }}
      actions={row ? <Button onClick={() => open(row)}>{texts.bank.toBank(row.bank_name)}</Button> : null}
    >
      <ListAndReading
        name="bank"
        before={wide ? [{ id: 'where', label: texts.bank.where, body: where, size: 236, min: 180, max: 420 }] : []}
        list={{ id: 'list', label: texts.bank.list, body: list, size: wide ? 440 : 360, min: 300, max: 720 }}
        reading={{ label: texts.bank.reading, body: reading }}
        picked={Boolean(filter.question)}
      />
      <Dialog
        open={browsing.narrowing && !wide}
        onClose={() => browsing.setNarrowing(false)}
        title={texts.bank.narrow}
        closeName={texts.frame.close}
      >
        <div className="-mx-5 -my-4 min-h-80">{where}</div>
      </Dialog>
    </Shell>
  )
}
