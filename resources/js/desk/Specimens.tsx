import { Trash2 } from 'lucide-react'
import type { Finding, QuestionJson, Specimen } from '@/api/question'
import { Button } from '@/components/Button'
import { partView } from '@/parts'
import { LineField } from '@/record/Fields'
import { texts } from '@/texts'

type Props = { question: QuestionJson; specimens: Specimen[]; findings: Finding[]; onChange: (specimens: Specimen[]) => void }

/** Test responses with the score they must get, and whether they do. */
export function Specimens({ question, specimens, findings, onChange }: Props) {
  const failed = (id: string) => findings.find((finding) => finding.code === 'specimen.failed' && finding.details.specimen === id)
  return (
    <section aria-label={texts.try.specimens} className="mt-6 border-hairline border-t pt-3">
      <h3 className="font-semibold">{texts.try.specimens}</h3>
      <p className="text-caption text-quiet">{specimens.length === 0 ? texts.try.noSpecimens : texts.try.specimensAbout}</p>
      <ul>
        {specimens.map((specimen) => {
          const problem = failed(specimen.id)
          return (
            <li key={specimen.id} className="flex items-start gap-2 border-hairline border-b py-1.5">
              <div className="min-w-0 flex-1">
                <p className="truncate font-serif">{said(specimen, question)}</p>
                <LineField
                  label={texts.try.specimenNote}
                  value={specimen.note ?? ''}
                  onChange={(note) => onChange(specimens.map((one) => (one.id === specimen.id ? { ...one, note } : one)))}
                />
                {problem ? <p className="text-caption text-problem">{problem.message}</p> : null}
              </div>
              <span className={`flex-none text-caption ${problem ? 'text-problem' : 'text-accent'}`}>
                {specimen.score} · {problem ? texts.try.specimenFails : texts.try.specimenHolds}
              </span>
              <Button
                look="quiet"
                className="!px-1"
                aria-label={texts.parts.remove(said(specimen, question))}
                title={texts.parts.remove(said(specimen, question))}
                onClick={() => onChange(specimens.filter((one) => one.id !== specimen.id))}
              >
                <Trash2 size={14} aria-hidden="true" />
              </Button>
            </li>
          )
        })}
      </ul>
    </section>
  )
}

function said(specimen: Specimen, question: QuestionJson): string {
  const words = question.parts.flatMap((part) => {
    const response = specimen.response[part.id]
    return response ? [partView(part.kind)?.said(response, part) ?? ''] : []
  })
  return words.join(' · ') || '–'
}
