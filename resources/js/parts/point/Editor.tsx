import { useRef, useState } from 'react'
import { isPositive } from '@/lib/credit'
import { texts } from '@/messages'
import { Button } from '@/ui/Button'
import { fresh, shapes, written } from '@/ui/picture/area'
import type { PartPicture } from '@/ui/picture/picture'
import { remarks } from '@/ui/picture/remarks'
import { type Form, formShifted, isArea } from '@/ui/picture/things'
import { AreaRow } from '../AreaRow'
import { afterRemoving } from '../afterRemoving'
import type { EditorProps } from '../definePart'
import { freshId } from '../fresh'
import { moved } from '../moved'
import { PartCard, SettingNumber } from '../PartCard'
import { PictureOfPart } from '../PictureOfPart'
import { SchemeSettings } from '../SchemeSettings'
import { usePart } from '../useRows'
import { withRules } from '../withRules'
import { type AreaRule, creditOf, innerFirst, thingsOf, withForms } from './areas'

const words = texts.kind.point
const SCHEMES = ['weights', 'each', 'all', 'person']

/** The picture with the areas of the key, and the list of them: what a point in each earns and says. */
export function Editor({ part, onChange, problem, media }: EditorProps) {
  const picture = (part.settings?.picture ?? null) as PartPicture | null
  const rules = (part.key?.rules ?? []) as AreaRule[]
  const max = part.settings?.max === undefined ? 1 : (part.settings.max as number | null)
  const scheme = String(part.scoring?.scheme ?? 'weights')
  const edit = usePart(part, onChange)
  const list = useRef<HTMLUListElement>(null)
  const [selected, select] = useState<string[]>([])
  const size = picture ?? { width: 800, height: 600 }
  const said = remarks(rules.map((rule) => rule.on))
  const now = () => (edit.current().key?.rules ?? []) as AreaRule[]
  const set = (next: AreaRule[], place = '') => onChange(withRules(edit.current(), next), place)
  const put = (id: string, changed: Partial<AreaRule>, place: string) => {
    const next = now().map((one) => (one.id === id ? { ...one, ...changed } : one))
    set(changed.on ? innerFirst(next) : next, `${id} ${place}`)
  }
  const nameOf = (rule: AreaRule, i: number) => rule.note || words.area({ n: i + 1 })
  const add = (form: Form, byKey: boolean) => {
    if (!isArea(form)) return ''
    const made: AreaRule = { id: freshId(now(), 'r'), on: { shape: form.shape, at: written(form.n) }, credit: creditOf(form, now()) }
    const next = innerFirst([...now(), made])
    set(next)
    select([made.id])
    if (byKey)
      requestAnimationFrame(() =>
        list.current?.querySelectorAll<HTMLElement>('[data-area]')[next.indexOf(made)]?.querySelector<HTMLElement>('input')?.focus(),
      )
    return made.id
  }
  const remove = (ids: string[]) => {
    set(now().filter((one) => !ids.includes(one.id)))
    select([])
  }
  const duplicate = (ids: string[]) => {
    const next = [...now()]
    const made: string[] = []
    for (const thing of thingsOf(now()).filter((one) => ids.includes(one.id))) {
      const form = formShifted(thing.form, Math.round(size.width / 40), Math.round(size.height / 40))
      if (!isArea(form)) continue
      const id = freshId(next, 'r')
      next.push({ id, on: { shape: form.shape, at: written(form.n) }, credit: next.find((one) => one.id === thing.id)?.credit ?? '1' })
      made.push(id)
    }
    set(innerFirst(next))
    select(made)
  }
  return (
    <PartCard
      part={part}
      onChange={onChange}
      marking={{ problem, media }}
      title={words.places}
      problem={problem('/key/rules') ?? problem('/settings/max')}
      settings={
        <>
          <SettingNumber
            label={words.max}
            value={max}
            min={1}
            max={500}
            empty={texts.parts.all}
            onChange={(most) => edit.put({ max: most })}
          />
          <SchemeSettings part={part} onChange={onChange} usual="weights" only={SCHEMES} />
        </>
      }
    >
      <PictureOfPart
        picture={picture}
        media={media}
        problem={problem('/settings/picture')}
        onPicture={(next, forms, place) =>
          edit.put({ picture: next }, { key: { ...edit.current().key, rules: withForms(now(), forms) } }, place)
        }
        label={words.desk}
        things={thingsOf(rules)}
        tools={[...shapes]}
        selected={selected}
        onSelect={select}
        onForms={(forms, place) => set(innerFirst(withForms(now(), forms)), place)}
        onAdd={add}
        onRemove={remove}
        onDuplicate={duplicate}
        naming={{
          label: words.nameHere,
          of: (id) => rules.find((one) => one.id === id)?.note ?? '',
          onName: (id, note) => put(id, { note }, 'note'),
        }}
      />
      {picture && rules.length === 0 ? <p className="px-3 py-2 text-quiet">{words.none}</p> : null}
      {rules.length > 1 ? <p className="border-hairline border-b px-3 py-1 text-caption text-quiet">{words.order}</p> : null}
      <ul ref={list}>
        {rules.map((rule, i) => (
          <AreaRow
            key={rule.id}
            number={i + 1}
            name={rule.note ?? ''}
            hint={words.areaHint}
            label={nameOf(rule, i)}
            selected={selected.includes(rule.id)}
            right={isPositive(rule.credit)}
            {...(scheme === 'weights' ? {} : { onRight: () => put(rule.id, { credit: isPositive(rule.credit) ? '0' : '1' }, '') })}
            credit={scheme === 'weights' ? rule.credit : null}
            feedback={rule.feedback}
            area={rule.on}
            size={size}
            remark={said[i] ?? ''}
            wrong={problem(`/key/rules/${i}`)}
            onSelect={() => (selected.includes(rule.id) ? undefined : select([rule.id]))}
            onName={(note) => put(rule.id, { note }, 'note')}
            onCredit={(credit) => put(rule.id, { credit }, 'credit')}
            onFeedback={(feedback) => put(rule.id, { feedback }, 'feedback')}
            onArea={(on) => put(rule.id, { on }, 'at')}
            onUp={i === 0 ? undefined : () => set(innerFirst(moved(now(), i, i - 1)))}
            onDown={i === rules.length - 1 ? undefined : () => set(innerFirst(moved(now(), i, i + 1)))}
            onRemove={() => {
              remove([rule.id])
              afterRemoving(list.current, 'li', i)
            }}
          />
        ))}
      </ul>
      {picture ? (
        <footer className="px-1 py-1">
          <Button look="quiet" onClick={() => add({ shape: 'circle', n: fresh('circle', size, rules.length) }, true)}>
            {words.add}
          </Button>
        </footer>
      ) : null}
    </PartCard>
  )
}
