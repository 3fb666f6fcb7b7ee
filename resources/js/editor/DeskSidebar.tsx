import { memo, useState } from 'react'
import { revisionQuery, revisionsQuery } from '@/api/queries'
import type { Finding, ModelAnswer, QuestionJson, Specimen } from '@/api/question'
import { lazily } from '@/lib/lazily'
import { useSteady } from '@/lib/useSteady'
import { texts } from '@/messages'
import { Checks } from '@/question/Checks'
import { RecordForm } from '@/question/record/RecordForm'
import { RecordChanges } from '@/question/record/RecordLog'
import { TryPane } from '@/question/try/TryPane'
import { Tabs } from '@/ui/Tabs'
import { useToast } from '@/ui/Toasts'
import { Revisions } from './Revisions'
import { SpecimenTable } from './specimens/SpecimenTable'
import { freeId } from './specimens/said'
import type { DeskRecord } from './useRecord'

const ValuesPane = lazily(() => import('./values/ValuesPane'), 'ValuesPane')

const none: Specimen[] = []

type Props = {
  /** As it was a moment ago, where nothing of the text is changed there. */
  question: QuestionJson
  /** The question as it was a moment ago, and how to ask for it as it is now. */
  tried: QuestionJson
  now: () => QuestionJson
  bank: string
  stored: boolean
  /** Whether it can be put into folders. */
  folders: boolean
  record: DeskRecord
  findings: Finding[]
  /** How many findings are shown so far. */
  shown: number
  tab: string
  onTab: (tab: string) => void
  /** The newest revision that is stored. */
  revision: number
  onRestore: (content: QuestionJson, number: number) => void
  onModel: (part: string, model: Omit<ModelAnswer, 'id'>) => void
  change: (edit: (now: QuestionJson) => QuestionJson, place?: string) => void
}

/** Beside the page: try it, what is found in it, classify it, what was changed. */
export const DeskSidebar = memo(function DeskSidebar({
  question,
  tried,
  now,
  bank,
  stored,
  folders,
  record,
  findings,
  shown,
  tab,
  onTab,
  revision,
  onRestore,
  onModel,
  change,
}: Props) {
  const tell = useToast()
  const [roll, setRoll] = useState<number | undefined>()
  const specimens = record.record.specimens ?? none
  const setSpecimens = (next: Specimen[]) => record.change({ record: { specimens: { set: next } } }, true)
  const { keep } = useSteady({
    keep: (specimen: Omit<Specimen, 'id'>) => {
      setSpecimens([...specimens, { id: freeId(specimens), ...specimen }])
      tell({ text: texts.specimens.kept })
    },
  })
  const tabs = [
    {
      id: 'try',
      body: (
        <section aria-label={texts.try.title} className="p-5">
          <TryPane question={tried} now={now} bank={bank} bench roll={roll} onSpecimen={keep} onModel={onModel} />
          <SpecimenTable question={question} specimens={specimens} findings={findings} onChange={setSpecimens} />
        </section>
      ),
    },
    {
      id: 'values',
      body: (
        <ValuesPane
          question={question}
          tried={tried}
          change={change}
          onTry={(seed) => {
            setRoll(seed)
            onTab('try')
          }}
        />
      ),
    },
    {
      id: 'checks',
      count: shown,
      tone: 'attention' as const,
      body: <Checks findings={findings} onFinish={() => record.change({ record: { processing: { set: null } } })} />,
    },
    {
      id: 'classify',
      body: (
        <div className="p-5">
          <RecordForm
            slug={bank}
            record={record.record}
            {...(folders ? { folders: record.folders } : {})}
            disabled={false}
            onChange={record.change}
          />
        </div>
      ),
    },
    ...(stored
      ? [
          {
            id: 'history',
            body: (
              <div className="p-5">
                <Revisions<QuestionJson>
                  list={revisionsQuery(question.id)}
                  one={(number, since) => revisionQuery(question.id, number, since)}
                  newest={revision}
                  onRestore={onRestore}
                />
                <h3 className="mt-6 font-semibold">{texts.record.history}</h3>
                <RecordChanges id={question.id} />
              </div>
            ),
          },
        ]
      : []),
  ]
  return (
    <div className="h-full bg-paper">
      <Tabs
        label={texts.desk.beside}
        value={tab}
        onChange={onTab}
        tabs={tabs.map((one) => ({ ...one, title: texts.desk.tabs[one.id] ?? '' }))}
      />
    </div>
  )
})
