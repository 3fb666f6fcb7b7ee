import type { Rubric } from '@/api/question'
import { texts } from '@/messages'
import { Button } from '@/ui/Button'
import { Gap, Sentence } from '@/ui/Sentence'
import { freshId } from '../fresh'
import { RemoveButton } from '../RemoveButton'

const words = texts.rubric
type Group = NonNullable<Rubric['groups']>[number]

/** Criteria of which only some count: "any 3 of the 5 in Causes". */
export function Groups({ rubric, onChange }: { rubric: Rubric; onChange: (changed: Partial<Rubric>, place: string) => void }) {
  const groups = rubric.groups ?? []
  const set = (id: string, changed: Partial<Group>, place: string) =>
    onChange({ groups: groups.map((one) => (one.id === id ? { ...one, ...changed } : one)) }, place === '' ? '' : `${id} ${place}`)
  const whole = (typed: string) => (/^\d{1,2}$/.test(typed) && Number(typed) > 0 ? Math.min(50, Number(typed)) : null)
  return (
    <div className="flex flex-col gap-1 px-2">
      {groups.map((group, i) => {
        const named = group.title || words.groupNumber({ n: i + 1 })
        const of = rubric.criteria.filter((one) => one.group === group.id).length
        return (
          <div key={group.id} className="flex items-baseline gap-1">
            <Sentence>
              {words.group}
              <Gap
                aria-label={words.groupNumber({ n: i + 1 })}
                placeholder={words.groupHint}
                value={group.title ?? ''}
                onChange={(event) => set(group.id, { title: event.target.value }, 'title')}
              />
              {words.any}
              <Gap
                aria-label={`${words.any}: ${named}`}
                inputMode="numeric"
                placeholder={words.allOf}
                value={group.any === null || group.any === undefined ? '' : String(group.any)}
                onChange={(event) => set(group.id, { any: whole(event.target.value) }, 'any')}
              />
              {words.ofThese({ n: of })}
            </Sentence>
            <RemoveButton
              name={named}
              onClick={() =>
                onChange(
                  {
                    groups: groups.filter((one) => one.id !== group.id),
                    criteria: rubric.criteria.map((one) => (one.group === group.id ? { ...one, group: null } : one)),
                  },
                  '',
                )
              }
            />
          </div>
        )
      })}
      <Button
        look="quiet"
        className="self-start !px-1"
        onClick={() => onChange({ groups: [...groups, { id: freshId(groups, 'g'), title: '', any: null }] }, '')}
      >
        {words.addGroup}
      </Button>
    </div>
  )
}
