import { useRef, useState } from 'react'
import type { Rule } from '@/api/question'
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
import { PartCard, SettingChoice, SettingNumber } from '../PartCard'
import { PictureOfPart } from '../PictureOfPart'
import { withRule } from '../ruleOn'
import { SchemeSettings } from '../SchemeSettings'
import { usePart } from '../useRows'
import { withRules } from '../withRules'
import { type Region, thingsOf, withForms } from './regions'

const words = texts.kind.spot

/** The picture with its regions, and the list of them: which are right, what each earns and says. */
export function Editor({ part, onChange, problem, media }: EditorProps) {
  const picture = (part.settings?.picture ?? null) as PartPicture | null
  const regions = (part.settings?.regions ?? []) as Region[]
  const rules = (part.key?.rules ?? []) as Rule<string>[]
  const max = (part.settings?.max as number | null | undefined) ?? null
  const hidden = part.settings?.show === 'hidden'
  const weighed = (part.scoring?.scheme ?? 'weights') === 'weights'
  const edit = usePart(part, onChange)
  const list = useRef<HTMLUListElement>(null)
  const [selected, select] = useState<string[]>([])
  const size = picture ?? { width: 800, height: 600 }
  const said = remarks(regions)
  const rule = (id: string) => rules.find((one) => one.on === id)
  const nameOf = (region: Region, i: number) => region.label || words.region({ n: i + 1 })
  const now = () => (edit.current().settings?.regions ?? []) as Region[]
  const set = (next: Rule<string>[], place = '') => onChange(withRules(edit.current(), next), place)
  const put = (id: string, changed: Partial<Region>, place: string) =>
    edit.put({ regions: now().map((one) => (one.id === id ? { ...one, ...changed } : one)) }, {}, `${id} ${place}`)
  const add = (form: Form, byKey: boolean) => {
    if (!isArea(form)) return ''
    const made: Region = { id: freshId(now(), 's'), shape: form.shape, at: written(form.n), label: '' }
    edit.put({ regions: [...now(), made] })
    select([made.id])
    if (byKey) focusName(now().length)
    return made.id
  }
  const focusName = (i: number) =>
    requestAnimationFrame(() => list.current?.querySelectorAll<HTMLElement>('[data-area]')[i]?.querySelector<HTMLElement>('input')?.focus())
  const remove = (ids: string[]) => {
    const kept = rules.filter((one) => !ids.includes(one.on))
    edit.put({ regions: now().filter((one) => !ids.includes(one.id)) }, { key: { ...edit.current().key, rules: kept } })
    select([])
  }
  const duplicate = (ids: string[]) => {
    const next = [...now()]
    const made: string[] = []
    for (const thing of thingsOf(now(), rules).filter((one) => ids.includes(one.id))) {
      const form = formShifted(thing.form, Math.round(size.width / 40), Math.round(size.height / 40))
      if (!isArea(form)) continue
      const id = freshId(next, 's')
      next.push({ id, shape: form.shape, at: written(form.n), label: '' })
      made.push(id)
    }
    edit.put({ regions: next })
    select(made)
  }
  /** Several may be right even where only one may be picked: then any of them will do. */
  const key = (id: string) => set(withRule(rules, id, { credit: isPositive(rule(id)?.credit ?? '0') ? '0' : '1' }))
  return (
    <PartCard
      part={part}
      onChange={onChange}
      marking={{ problem, media }}
      title={words.picks}
      summary={words.shows[hidden ? 'hidden' : 'outlined']}
      problem={
        problem('/key/rules') ??
        (regions.length === 0 ? problem('/settings/regions') : undefined) ??
        problem('/settings/max') ??
        problem('/settings/min')
      }
      settings={
        <>
          <SettingChoice
            label={words.show}
            value={hidden ? 'hidden' : 'outlined'}
            options={Object.entries(words.shows)}
            onChange={(show) => edit.put({ show })}
          />
          {hidden ? <p className="w-full text-caption text-quiet">{words.hiddenHint}</p> : null}
          <SettingNumber
            label={texts.parts.atLeast}
            value={Number(part.settings?.min ?? 0)}
            min={0}
            max={500}
            onChange={(min) => edit.put({ min: min ?? 0 })}
          />
          <SettingNumber
            label={texts.parts.atMost}
            value={max}
            min={1}
            max={500}
            empty={texts.parts.all}
            onChange={(most) => edit.put({ max: most })}
          />
          <SchemeSettings part={part} onChange={onChange} usual={max === 1 ? 'weights' : 'each'} />
        </>
      }
    >
      <PictureOfPart
        picture={picture}
        media={media}
        problem={problem('/settings/picture')}
        onPicture={(next, forms, place) => edit.put({ picture: next, regions: withForms(now(), forms) }, {}, place)}
        label={words.desk}
        things={thingsOf(regions, rules)}
        tools={[...shapes]}
        selected={selected}
        onSelect={select}
        onForms={(forms, place) => edit.put({ regions: withForms(now(), forms) }, {}, place)}
        onAdd={add}
        onRemove={remove}
        onDuplicate={duplicate}
        naming={{
          label: words.nameHere,
          of: (id) => regions.find((one) => one.id === id)?.label ?? '',
          onName: (id, label) => put(id, { label }, 'label'),
        }}
      />
      {picture && regions.length === 0 ? <p className="px-3 py-2 text-quiet">{words.none}</p> : null}
      <ul ref={list}>
        {regions.map((region, i) => (
          <AreaRow
            key={region.id}
            number={i + 1}
            name={region.label ?? ''}
            hint={words.regionHint}
            label={nameOf(region, i)}
            selected={selected.includes(region.id)}
            right={isPositive(rule(region.id)?.credit ?? '0')}
            onRight={() => key(region.id)}
            credit={weighed ? (rule(region.id)?.credit ?? '0') : null}
            feedback={rule(region.id)?.feedback}
            area={region}
            size={size}
            remark={said[i] ?? ''}
            wrong={problem(`/settings/regions/${i}`)}
            onSelect={() => (selected.includes(region.id) ? undefined : select([region.id]))}
            onName={(label) => put(region.id, { label }, 'label')}
            onCredit={(credit) => set(withRule(rules, region.id, { credit }), `${region.id} credit`)}
            onFeedback={(feedback) => set(withRule(rules, region.id, { feedback }), `${region.id} feedback`)}
            onArea={(area) => put(region.id, area, 'at')}
            onUp={i === 0 ? undefined : () => edit.put({ regions: moved(now(), i, i - 1) })}
            onDown={i === regions.length - 1 ? undefined : () => edit.put({ regions: moved(now(), i, i + 1) })}
            onRemove={() => {
              remove([region.id])
              afterRemoving(list.current, 'li', i)
            }}
          />
        ))}
      </ul>
      {picture ? (
        <footer className="px-1 py-1">
          <Button look="quiet" onClick={() => add({ shape: 'rectangle', n: fresh('rectangle', size, regions.length) }, true)}>
            {words.add}
          </Button>
        </footer>
      ) : null}
    </PartCard>
  )
}
