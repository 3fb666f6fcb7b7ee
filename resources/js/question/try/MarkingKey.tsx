import type { Part, Rubric } from '@/api/question'
import { list } from '@/lib/format'
import { texts } from '@/messages'
import { moreSaid } from '@/parts/marking/CriterionMore'
import { schemeOf, writePoints } from '@/parts/marking/levels'
import { markedOf } from '@/parts/marking/MarkChoices'
import { htmlTree } from '@/ui/htmlTree'
import { RichTree } from '@/ui/RichTree'
import { ModelShown } from './ModelShown'

const words = texts.rubric

/** What people mark a part by, to be read: the rubric and the example answers. */
export function MarkingKey({ part, media }: { part: Part; media: (id: string) => string }) {
  const rubric = part.key?.rubric ?? null
  const models = part.key?.models ?? []
  return (
    <div className="flex flex-col gap-4 border-hairline border-t pt-3">
      {rubric ? (
        <section aria-label={words.name}>
          <h3 className="font-semibold">{rubric.title || words.name}</h3>
          {rubric.html ? (
            <div className="feedback-text text-second">
              <RichTree nodes={htmlTree(rubric.html)} media={media} />
            </div>
          ) : null}
          <Criteria rubric={rubric} media={media} />
        </section>
      ) : null}
      {models.map((model, i) => (
        <section key={model.id} aria-label={model.title || words.models.number({ n: i + 1 })}>
          <h3 className="font-semibold">
            {words.models.title}: {model.title || i + 1}
          </h3>
          <ModelShown model={model} rubric={rubric} media={media} />
        </section>
      ))}
    </div>
  )
}

function Criteria({ rubric, media }: { rubric: Rubric; media: (id: string) => string }) {
  const isPoints = schemeOf(rubric) === 'checklist'
  return (
    <dl className="flex flex-col gap-2">
      {markedOf(rubric).map((one, i) => {
        const more = moreSaid(one, rubric)
        const group = rubric.groups?.find((it) => it.id === one.group)
        const of = group ? words.inGroupOf({ any: group.any ?? 0, what: group.title || group.id }) : ''
        return (
          <div key={one.id}>
            <dt className="flex items-baseline gap-2">
              <span className="flex-1">
                <strong className="font-semibold">{one.title || words.criterionNumber({ n: i + 1 })}</strong>
                {more || of ? <span className="text-caption text-second"> {[of, more].filter(Boolean).join('; ')}</span> : null}
              </span>
              {isPoints ? <span className="tabular-nums">{writePoints(one.levels[0]?.points ?? null)}</span> : null}
            </dt>
            {one.html ? (
              <dd className="feedback-text text-second">
                <RichTree nodes={htmlTree(one.html)} media={media} />
              </dd>
            ) : null}
            {isPoints
              ? (['accept', 'reject'] as const).map((which) =>
                  one[which]?.length ? (
                    <dd key={which} className="text-second">
                      {words[which]}: {list(one[which])}
                    </dd>
                  ) : null,
                )
              : one.levels.map((level) => (
                  <dd key={level.id} className="flex items-baseline gap-2 border-hairline border-b py-0.5">
                    <span className="min-w-0 flex-1">
                      {level.title ? <strong className="font-semibold">{level.title} </strong> : null}
                      <span className="inline-block text-second">
                        <RichTree nodes={htmlTree(level.html)} media={media} />
                      </span>
                    </span>
                    <span className="tabular-nums">{writePoints(level.points)}</span>
                  </dd>
                ))}
          </div>
        )
      })}
    </dl>
  )
}
