import type { ModelAnswer, Rubric } from '@/api/question'
import { texts } from '@/messages'
import { levelName } from '@/parts/marking/levels'
import { markedOf } from '@/parts/marking/MarkChoices'
import { htmlTree } from '@/ui/htmlTree'
import { RichTree } from '@/ui/RichTree'
import { withRemarkNumbers } from '@/ui/rich/remarks'

/** An example answer to be read, with its remarks and what it earns. */
export function ModelShown({ model, rubric, media }: { model: ModelAnswer; rubric: Rubric | null; media: (id: string) => string }) {
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
