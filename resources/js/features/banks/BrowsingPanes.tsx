import type { ReactNode } from 'react'
import { lazily } from '@/lib/lazily'
import { texts } from '@/messages'
import { Dialog } from '@/ui/Dialog'
import { ListAndReading } from '@/ui/ListAndReading'
import { Nothing, Waiting } from '@/ui/Message'
import type { useBrowsing } from './useBrowsing'

const Reading = lazily(() => import('./Reading'), 'Reading', <Waiting text={texts.loading} />)

/** Where to look, the list and what is read of it; where there is no room, where to look is a dialog. */
export function BrowsingPanes({
  browsing,
  slug,
  where,
  list,
}: {
  browsing: ReturnType<typeof useBrowsing>
  /** The bank of what is read. */
  slug: string
  where: ReactNode
  list: ReactNode
}) {
  const { active, wide } = browsing
  return (
    <>
      <ListAndReading
        name="bank"
        before={wide ? [{ id: 'where', label: texts.bank.where, body: where, size: 284, min: 180, max: 420 }] : []}
        list={{ id: 'list', label: texts.bank.list, body: list, size: wide ? 420 : 360, min: 300, max: 720 }}
        reading={{
          label: texts.bank.reading,
          body: active ? <Reading key={active} id={active} slug={slug} {...browsing.reading} /> : <Nothing title={texts.bank.pick} />,
        }}
        picked={browsing.picked}
      />
      <Dialog
        open={browsing.narrowing && !wide}
        onClose={() => browsing.setNarrowing(false)}
        title={texts.bank.narrow}
        closeName={texts.frame.close}
      >
        <div className="-mx-5 -my-4 min-h-80">{where}</div>
      </Dialog>
    </>
  )
}
