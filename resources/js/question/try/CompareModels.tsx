import { useState } from 'react'
import type { ModelAnswer, Part, Rubric } from '@/api/question'
import { texts } from '@/messages'
import { levelName } from '@/parts/marking/levels'
import { markedOf } from '@/parts/marking/MarkChoices'
import { Dialog } from '@/ui/Dialog'
import { htmlTree } from '@/ui/htmlTree'
import { RichTree } from '@/ui/RichTree'
import { withRemarkNumbers } from '@/ui/rich/remarks'
import { Pick } from '@/ui/Sentence'

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
          {model ? <Shown model={model} rubric={part.key?.rubric ?? null} media={media} /> : null}
        </section>
      </div>
    </Dialog>
  )
}

function Shown({ model, rubric, media }: { model: ModelAnswer; rubric: Rubric | null; media: (id: string) => string }) {
  const marks = rubric
    ? markedOf(rubric).flatMap((one) => {
        const mark = model.criteria?.[one.id]
        const level = one.levels.find((it) => it.id === mark?.level)
        const said = [level ? levelName(level) : '', mark?.points ?? ''].filter(Boolean).join(': ')
        return said ? [`${one.title || one.id}: ${said}`] : []
      })
    : []
  return (
    <div className="flex flex-col gap-2">
      <div className="question-text">
        <RichTree nodes={htmlTree(withRemarkNumbers(model.html))} media={media} />
      </div>
      {model.passages?.length ? (
        <ol className="list-decimal pl-5">
          {model.passages.map((one) => (
            <li key={one.id}>
              <RichTree nodes={htmlTree(one.html)} media={media} />
            </li>
          ))}
        </ol>
      ) : null}
      {marks.length > 0 ? (
        <ul className="text-second">
          {marks.map((said) => (
            <li key={said}>{said}</li>
          ))}
        </ul>
      ) : null}
      {(['remarks', 'missing', 'alternatives'] as const).map((which) =>
        model[which] ? (
          <div key={which}>
            <p className="text-caption text-second">
              {which === 'remarks'
                ? texts.rubric.models.overall
                : which === 'missing'
                  ? texts.rubric.models.missing
                  : texts.rubric.models.alternatives}
            </p>
            <RichTree nodes={htmlTree(model[which])} media={media} />
          </div>
        ) : null,
      )}
    </div>
  )
}
