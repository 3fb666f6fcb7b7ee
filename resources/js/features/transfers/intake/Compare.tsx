import type { Duplicate, Staged } from '@/api/intakes'
import { texts } from '@/messages'
import { TryPane } from '@/question/try/TryPane'
import { Dialog } from '@/ui/Dialog'
import { MediaFrom } from '@/ui/media'

/** The two side by side, each with its key. */
export function Compare({ staged, twin, slug, onClose }: { staged: Staged; twin: Duplicate; slug: string; onClose: () => void }) {
  const there = twin.number === null ? texts.intake.asThere : texts.intake.twin({ n: twin.number })
  return (
    <Dialog
      open
      wide
      onClose={onClose}
      title={texts.intake.compare}
      about={twin.differs ? texts.intake.differs : texts.intake.alike}
      closeName={texts.frame.close}
    >
      <div className="grid gap-6 md:grid-cols-2">
        <section aria-label={texts.intake.asCome}>
          <h3 className="mb-2 font-semibold">{texts.intake.asCome}</h3>
          <TryPane question={staged.question} bank={slug} showKey />
        </section>
        <section aria-label={there}>
          <h3 className="mb-2 font-semibold">{there}</h3>
          {twin.bank ? (
            <MediaFrom value={(id) => `/api/v1/banks/${twin.bank}/media/${id}`}>
              <TryPane question={twin.question} bank={twin.bank} showKey />
            </MediaFrom>
          ) : (
            <TryPane question={twin.question} bank={slug} showKey />
          )}
        </section>
      </div>
    </Dialog>
  )
}
