import { Trash2 } from 'lucide-react'
import { useState } from 'react'
import type { Finding, QuestionJson, Specimen } from '@/api/question'
import { texts } from '@/messages'
import { LineField } from '@/question/record/Fields'
import { Button } from '@/ui/Button'
import { useToast } from '@/ui/Toasts'
import { Agreement } from './Agreement'
import { FromTable } from './FromTable'
import { MarkToo } from './MarkToo'
import { circumstances, freeId, saidResponse } from './said'

type Props = { question: QuestionJson; specimens: Specimen[]; findings: Finding[]; onChange: (specimens: Specimen[]) => void }

/** Test responses with the points they must get and those they get now. */
export function SpecimenTable({ question, specimens, findings, onChange }: Props) {
  const [adding, setAdding] = useState(false)
  const [marking, setMarking] = useState<string | null>(null)
  const toMark = specimens.find((one) => one.id === marking)
  const tell = useToast()
  const failed = (id: string) => findings.find((finding) => finding.code === 'specimen.failed' && finding.details.specimen === id)
  const set = (id: string, change: Partial<Specimen>) => onChange(specimens.map((one) => (one.id === id ? { ...one, ...change } : one)))
  return (
    <section aria-label={texts.specimens.title} className="mt-6 border-hairline border-t pt-3">
      <div className="flex items-center gap-3">
        <h3 className="flex-1 font-semibold">{texts.specimens.title}</h3>
        <Button look="quiet" className="!px-1" onClick={() => setAdding(true)}>
          {texts.specimens.fromTable}
        </Button>
      </div>
      <p className="text-caption text-quiet">{specimens.length === 0 ? texts.specimens.none : texts.specimens.about}</p>
      {specimens.length > 0 ? (
        <table className="mt-2 w-full">
          <thead>
            <tr className="border-hairline border-b text-left text-caption text-second">
              <th scope="col" className="font-normal">
                {texts.specimens.response}
              </th>
              <th scope="col" className="w-16 font-normal">
                {texts.specimens.must}
              </th>
              <th scope="col" className="w-24 pl-2 font-normal">
                {texts.specimens.now}
              </th>
              <th scope="col" className="w-8">
                <span className="sr-only">{texts.specimens.remove({ what: '' })}</span>
              </th>
            </tr>
          </thead>
          <tbody>
            {specimens.map((specimen) => {
              const problem = failed(specimen.id)
              const scored = problem?.details.scored as number | undefined
              const what = saidResponse(specimen.response, question)
              const more = circumstances(specimen)
              return (
                <tr key={specimen.id} className="border-hairline border-b align-top">
                  <td className="max-w-0 py-1">
                    <span className="block truncate font-serif" title={what}>
                      {what}
                    </span>
                    {more ? <span className="block text-caption text-quiet">{more}</span> : null}
                    {specimen.marks && Object.keys(specimen.marks).length > 0 ? (
                      <Button
                        look="quiet"
                        className="!min-h-6 !px-1.5 text-caption"
                        aria-label={texts.marking.markTooOf({ what })}
                        onClick={() => setMarking(specimen.id)}
                      >
                        {texts.marking.markToo}
                      </Button>
                    ) : null}
                    <LineField label={texts.specimens.note} value={specimen.note ?? ''} onChange={(note) => set(specimen.id, { note })} />
                  </td>
                  <td className="py-1">
                    <LineField
                      label={texts.specimens.mustOf({ what })}
                      value={specimen.score}
                      onChange={(score) => set(specimen.id, { score: score.trim().replace(',', '.') || '0' })}
                    />
                  </td>
                  <td className={`py-2 pl-2 text-caption ${problem ? 'text-problem' : 'text-accent'}`}>
                    {problem ? <strong>{scored ?? texts.specimens.otherwise}</strong> : texts.specimens.asStated}
                    {problem && scored !== undefined ? (
                      <Button
                        look="quiet"
                        className="!px-0 !min-h-6 !flex text-caption"
                        aria-label={texts.specimens.takeOf({ what, scored })}
                        onClick={() => set(specimen.id, { score: String(scored) })}
                      >
                        {texts.specimens.take({ scored })}
                      </Button>
                    ) : null}
                    {problem && scored === undefined ? <span className="block">{problem.message}</span> : null}
                  </td>
                  <td className="py-1">
                    <Button
                      look="quiet"
                      className="!px-1"
                      aria-label={texts.specimens.remove({ what })}
                      title={texts.specimens.remove({ what })}
                      onClick={() => {
                        onChange(specimens.filter((one) => one.id !== specimen.id))
                        tell({ text: texts.specimens.removed, undo: () => onChange(specimens) })
                      }}
                    >
                      <Trash2 size={14} aria-hidden="true" />
                    </Button>
                  </td>
                </tr>
              )
            })}
          </tbody>
        </table>
      ) : null}
      <Agreement question={question} specimens={specimens} />
      {toMark ? (
        <MarkToo
          question={question}
          specimen={toMark}
          onClose={() => setMarking(null)}
          onKeep={(by, marks) => set(toMark.id, { markings: [...(toMark.markings ?? []).filter((one) => one.by !== by), { by, marks }] })}
        />
      ) : null}
      {adding ? (
        <FromTable
          question={question}
          specimens={specimens}
          onClose={() => setAdding(false)}
          onKeep={(kept) => {
            const next = [...specimens]
            for (const one of kept) next.push({ id: freeId(next), ...one })
            onChange(next)
            setAdding(false)
            tell({ text: texts.specimens.table.added({ n: kept.length }), undo: () => onChange(specimens) })
          }}
        />
      ) : null}
    </section>
  )
}
