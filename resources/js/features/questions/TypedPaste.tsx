import type { ClipboardEvent, ReactNode } from 'react'
import { useNavigate } from 'react-router'
import { give } from '@/api/intakes'
import { isFormatted, MOST_PASTED, typedQuestions } from '@/lib/pasted'
import { texts } from '@/messages'
import { useToast } from '@/ui/Toasts'

/** Offers to make several questions of a paste that holds several; it is pasted here all the same. */
export function TypedPaste({ bank, children }: { bank: string; children: ReactNode }) {
  const tell = useToast()
  const navigate = useNavigate()
  const offer = (event: ClipboardEvent) => {
    const text = event.clipboardData.getData('text/plain')
    const html = event.clipboardData.getData('text/html')
    const count = text.length > MOST_PASTED ? 0 : typedQuestions(text)
    if (count === 0) return
    const rich = isFormatted(html) && html.length <= MOST_PASTED
    const read = () =>
      give(rich ? [new File([html], texts.intake.pastedName, { type: 'text/html' })] : [], rich ? '' : text, bank)
        .then((made) => navigate(`/intakes/${made.id}`))
        .catch((problem: Error) => tell({ text: problem.message, look: 'problem' }))
    tell({ text: texts.desk.typedPaste({ n: count }), link: { title: texts.desk.typedRead({ n: count }), go: read } })
  }
  return (
    <div className="contents" onPasteCapture={offer}>
      {children}
    </div>
  )
}
