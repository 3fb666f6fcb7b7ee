import type { ReactNode } from 'react'
import { texts } from '@/messages'
import { Dialog } from '@/ui/Dialog'
import { ListAndReading } from '@/ui/ListAndReading'
import { Nothing, Waiting } from '@/ui/Message'
import type { useBrowsing } from './useBrowsing'

/** Where to look, the list and what is read of it; where there is no room, where to look is a dialog. */
export function BrowsingPanes({
  browsing,
  where,
  list,
  reading,
}: {
  browsing: ReturnType<typeof useBrowsing>
  where: ReactNode
  list: ReactNode
  /** What is read of a question. */
  reading: (id: string) => ReactNode
}) {
  const { active, read, wide } = browsing
  return (
    <>
      <ListAndReading
        name="bank"
        before={wide ? [{ id: 'where', label: texts.bank.where, body: where, size: 284, min: 180, max: 420 }] : []}
        list={{ id: 'list', label: texts.bank.list, body: list, size: wide ? 420 : 360, min: 300, max: 720 }}
        reading={{
          label: texts.bank.reading,
          body: read ? reading(read) : active ? <Waiting text={texts.loading} /> : <Nothing title={texts.bank.pick} />,
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
