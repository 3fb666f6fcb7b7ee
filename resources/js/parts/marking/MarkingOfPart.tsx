import { useState } from 'react'
import type { Part, Rubric } from '@/api/question'
import { texts } from '@/messages'
import { Button } from '@/ui/Button'
import { useCardPlace } from '../PartCard'
import { ChooseRubric, Followed, KeepRubric } from './KeptRubrics'
import { freshRubric } from './levels'
import { Models } from './Models'
import { RubricEditor } from './RubricEditor'

const words = texts.rubric

type Props = {
  part: Part
  onChange: (part: Part, place: string) => void
  problem: (path: string) => string | undefined
  media: (id: string) => string
}

/** What people mark a part by: its rubric and its example answers. */
export function MarkingOfPart({ part, onChange, problem, media }: Props) {
  const rubric = part.key?.rubric ?? null
  const models = part.key?.models ?? []
  const [choosing, setChoosing] = useState(false)
  const bank = useCardPlace()?.bank
  const [shown, setShown] = useState<'rubric' | 'models'>('rubric')
  const put = (changed: Partial<NonNullable<Part['key']>>, place: string) => onChange({ ...part, key: { ...part.key, ...changed } }, place)
  const begin = (scheme: NonNullable<Rubric['scheme']>) => put({ rubric: freshRubric(scheme) }, '')
  const lacking = problem('/key/models')
  return (
    <section aria-label={words.marking} className="border-hairline border-t">
      <div role="tablist" aria-label={words.marking} className="flex gap-1 bg-page px-2">
        {(['rubric', 'models'] as const).map((one) => (
          <button
            key={one}
            type="button"
            role="tab"
            id={`${one}-tab-${part.id}`}
            aria-selected={shown === one}
            aria-controls={`${one}-${part.id}`}
            tabIndex={shown === one ? 0 : -1}
            className={`-mb-px min-h-8 border-b-2 px-2 ${shown === one ? 'border-accent font-semibold text-ink' : 'border-transparent text-second hover:text-ink'}`}
            onClick={() => setShown(one)}
            onKeyDown={(event) => {
              if (event.key !== 'ArrowLeft' && event.key !== 'ArrowRight') return
              const next = one === 'rubric' ? 'models' : 'rubric'
              setShown(next)
              document.getElementById(`${next}-tab-${part.id}`)?.focus()
            }}
          >
            {one === 'rubric' ? words.name : words.models.tab({ n: models.length })}
          </button>
        ))}
      </div>
      <div role="tabpanel" id={`${shown}-${part.id}`} aria-labelledby={`${shown}-tab-${part.id}`} className="py-2">
        {shown === 'models' ? (
          <>
            {lacking && models.length === 0 ? <p className="px-3 pb-1 text-caption text-attention">{lacking}</p> : null}
            <Models
              models={models}
              rubric={rubric}
              media={media}
              problem={(path) => problem(`/key/models${path}`)}
              onChange={(next, place) => put({ models: next }, place)}
            />
          </>
        ) : rubric ? (
          <>
            {rubric.link ? (
              <div className="px-2 pb-2">
                <Followed rubric={rubric} onChange={(next) => put({ rubric: next }, '')} />
              </div>
            ) : null}
            <div inert={Boolean(rubric.link)}>
              <RubricEditor rubric={rubric} points={part.points} media={media} onChange={(next, place) => put({ rubric: next }, place)} />
            </div>
            <footer className="flex flex-wrap gap-2 px-2 pt-1">
              {bank && !rubric.link ? <KeepRubric rubric={rubric} bank={bank} onKept={(next) => put({ rubric: next }, '')} /> : null}
              <Button look="quiet" className="!px-1" onClick={() => put({ rubric: null }, '')}>
                {words.remove}
              </Button>
            </footer>
          </>
        ) : (
          <div className="flex flex-col gap-1 px-2">
            <p className="px-1 text-second">{words.begin}</p>
            <div className="flex flex-wrap gap-2">
              {(Object.entries(words.schemes) as [NonNullable<Rubric['scheme']>, string][]).map(([scheme, title]) => (
                <Button key={scheme} onClick={() => begin(scheme)}>
                  {title}
                </Button>
              ))}
              <Button look="quiet" onClick={() => setChoosing(true)}>
                {texts.rubrics.use}
              </Button>
            </div>
            {choosing ? <ChooseRubric onChoose={(next) => put({ rubric: next }, '')} onClose={() => setChoosing(false)} /> : null}
            {problem('/key/rubric') ? <p className="px-1 text-caption text-attention">{problem('/key/rubric')}</p> : null}
          </div>
        )}
      </div>
    </section>
  )
}
