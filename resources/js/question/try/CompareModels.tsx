import { useState } from 'react'
import type { Part } from '@/api/question'
import { texts } from '@/messages'
import { Dialog } from '@/ui/Dialog'
import { htmlTree } from '@/ui/htmlTree'
import { RichTree } from '@/ui/RichTree'
import { Pick } from '@/ui/Sentence'
import { ModelShown } from './ModelShown'

const words = texts.marking

type Props = { part: Part; response: Record<string, unknown> | undefined; media: (id: string) => string; onClose: () => void }

/** The answer and an example answer side by side, with the examiner's remarks and what it earns. */
export function CompareModels({ part, response, media, onClose }: Props) {
  const models = part.key?.models ?? []
  const [shown, setShown] = useState(models[0]?.id ?? '')
  const model = models.find((one) => one.id === shown)
  const text = String(response?.text ?? '')
  return (
    <Dialog open wide onClose={onClose} title={words.compare} closeName={texts.frame.close}>
      <div className="grid gap-6 md:grid-cols-2">
        <section aria-label={words.answer}>
          <h3 className="mb-1 font-semibold">{words.answer}</h3>
          {part.settings?.format === 'rich' ? (
            <div className="question-text">
              <RichTree nodes={htmlTree(text)} media={media} />
            </div>
          ) : (
            <p className="whitespace-pre-wrap font-serif text-question">{text || texts.specimens.nothing}</p>
          )}
        </section>
        <section aria-label={texts.rubric.models.title}>
          <Pick
            aria-label={words.which}
            value={shown}
            options={models.map((one, i): [string, string] => [one.id, one.title || texts.rubric.models.number({ n: i + 1 })])}
            onChange={setShown}
          />
          {model ? <ModelShown model={model} rubric={part.key?.rubric ?? null} media={media} /> : null}
        </section>
      </div>
    </Dialog>
  )
}
