import { useNavigate } from 'react-router'
import type { WholeEntry } from '@/api/assembly'
import { changesEverywhere } from '@/lib/phrases/assembly'
import { texts } from '@/messages'
import { Dialog } from '@/ui/Dialog'

type Props = { assessment: string; entry: string; question: string; whole: WholeEntry; here: string; onClose: () => void }

/** Once, before the desk opens: in the bank, or only here. */
export function AskWhere({ assessment, entry, question, whole, here, onClose }: Props) {
  const navigate = useNavigate()
  const choice = (title: string, about: string, go: string, disabled = false) => (
    <button
      type="button"
      disabled={disabled}
      onClick={() => navigate(go)}
      className="flex flex-col gap-1 rounded-ui border border-edge p-3 text-left hover:border-accent disabled:opacity-55"
    >
      <span className="font-semibold text-accent">{title}</span>
      <span className="text-second">{about}</span>
    </button>
  )
  return (
    <Dialog open onClose={onClose} title={texts.assembly.editTitle} closeName={texts.frame.close}>
      <div className="flex flex-col gap-3">
        {choice(
          texts.assembly.editBank,
          whole.may_write
            ? changesEverywhere(
                whole.uses.assessments.map((one) => one.title),
                whole.uses.others,
              )
            : texts.assembly.mayNot,
          `/questions/${question}`,
          !whole.may_write || whole.varied,
        )}
        {choice(`${texts.assembly.editHere}: ${here}`, texts.assembly.editHereAbout, `/assessments/${assessment}/entries/${entry}`)}
      </div>
    </Dialog>
  )
}
