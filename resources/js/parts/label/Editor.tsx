import { useRef, useState } from 'react'
import type { Rule } from '@/api/question'
import { isPositive } from '@/lib/credit'
import { texts } from '@/messages'
import { Button } from '@/ui/Button'
import type { PartPicture } from '@/ui/picture/picture'
import { type Form, formFresh, formShifted, isArea } from '@/ui/picture/things'
import { afterRemoving } from '../afterRemoving'
import type { EditorProps } from '../definePart'
import { freshId } from '../fresh'
import { toHtml, toWords } from '../html'
import { moved } from '../moved'
import { NormaliseSettings } from '../NormaliseSettings'
import { PairFeedback } from '../PairFeedback'
import { PartCard, SettingChoice } from '../PartCard'
import { PictureOfPart } from '../PictureOfPart'
import { PlacedRow } from '../PlacedRow'
import { without } from '../pairKey'
import { SchemeSettings } from '../SchemeSettings'
import { ShuffleSetting } from '../ShuffleSetting'
import { usePart } from '../useRows'
import { withRows } from '../withRows'
import { withRules } from '../withRules'
import { TargetRow } from './TargetRow'
import { TypedRules } from './TypedRules'
import { type Label, pairsOf, placesOf, type Target, thingsOf, typedOf, withForms } from './targets'

const words = texts.kind.label

/** The picture with its targets; the targets and the labels as lists: what is right where, what it earns and says. */
export function Editor({ part, onChange, problem, media }: EditorProps) {
  const picture = (part.settings?.picture ?? null) as PartPicture | null
  const targets = (part.settings?.targets ?? []) as Target[]
  const labels = (part.settings?.labels ?? []) as Label[]
  const rules = (part.key?.rules ?? []) as Rule[]
  const pairs = pairsOf(rules)
  const typed = typedOf(rules)
  const by = String(part.settings?.by ?? 'placing')
  const shuffle = part.settings?.shuffle !== false
  const edit = usePart(part, onChange)
  const targetList = useRef<HTMLUListElement>(null)
  const list = useRef<HTMLUListElement>(null)
  const [selected, select] = useState<string[]>([])
  const size = picture ?? { width: 800, height: 600 }
  const now = () => (edit.current().settings?.targets ?? []) as Target[]
  const nowRules = () => (edit.current().key?.rules ?? []) as Rule[]
  const set = (next: Rule[], place = '') => onChange(withRules(edit.current(), next), place)
  const label = (rows: Label[]): Label => ({ id: freshId(rows, 'x'), html: '', uses: 1 })
  const put = (id: string, changed: Partial<Target>, place: string) =>
    edit.put({ targets: now().map((one) => (one.id === id ? { ...one, ...changed } : one)) }, {}, place === '' ? '' : `${id} ${place}`)
  const setLabel = (id: string, changed: Partial<Label>, place = '') =>
    edit.put({ labels: labels.map((one) => (one.id === id ? { ...one, ...changed } : one)) }, {}, place)

  /** A target comes with a label that is right there, to be typed at once. */
  const add = (form: Form, byKey: boolean) => {
    if (isArea(form)) return ''
    const target: Target = { id: freshId(now(), 't'), ...placesOf(form), label: '' }
    const made = label(labels)
    edit.put(
      { targets: [...now(), target], labels: [...labels, made] },
      { key: { ...edit.current().key, rules: [...nowRules(), { id: freshId(nowRules(), 'k'), on: [target.id, made.id], credit: '1' }] } },
    )
    select([target.id])
    if (byKey) edit.focus(made.id)
    return target.id
  }
  /** The label that is right at a target, as it is typed on the picture. */
  const labelAt = (id: string) => {
    const ids = pairs.filter((rule) => rule.on[0] === id && isPositive(rule.credit)).map((rule) => rule.on[1])
    return labels.find((one) => ids.includes(one.id))
  }
  const remove = (ids: string[]) => {
    const kept = nowRules().filter(
      (rule) => !ids.includes(Array.isArray(rule.on) ? rule.on[0] : ((rule.on as { piece?: string }).piece ?? '')),
    )
    edit.put({ targets: now().filter((one) => !ids.includes(one.id)) }, { key: { ...edit.current().key, rules: kept } })
    select([])
  }
  const duplicate = (ids: string[]) => {
    const next = [...now()]
    const made: string[] = []
    for (const thing of thingsOf(now(), rules).filter((one) => ids.includes(one.id))) {
      const id = freshId(next, 't')
      next.push({ id, ...placesOf(formShifted(thing.form, Math.round(size.width / 40), Math.round(size.height / 40))), label: '' })
      made.push(id)
    }
    edit.put({ targets: next })
    select(made)
  }
  const addLabel = () => {
    const made = label(labels)
    edit.focus(made.id)
    edit.put({ labels: [...labels, made] })
  }
  const rightAt = (id: string) =>
    [
      ...pairs
        .filter((rule) => rule.on[0] === id && isPositive(rule.credit))
        .map((rule) => toWords(labels.find((one) => one.id === rule.on[1])?.html ?? '')),
      ...(by === 'typing'
        ? typed
            .filter((rule) => rule.on.piece === id && isPositive(rule.credit))
            .flatMap((rule) => (rule.on.text ?? []).filter((one) => typeof one === 'string'))
        : []),
    ]
      .filter((one) => one !== '')
      .join(' / ')
  const ids = targets.map((target) => target.id)
  return (
    <PartCard
      part={part}
      onChange={onChange}
      marking={{ problem, media }}
      title={words.puts}
      summary={[words.ways[by], ...(shuffle && by !== 'typing' ? [texts.parts.shuffled] : [])].join(', ')}
      problem={
        problem('/key/rules') ??
        (targets.length === 0 ? problem('/settings/targets') : undefined) ??
        (labels.length === 0 ? problem('/settings/labels') : undefined)
      }
      settings={
        <>
          <SettingChoice label={words.by} value={by} options={Object.entries(words.ways)} onChange={(way) => edit.put({ by: way })} />
          <SchemeSettings part={part} onChange={onChange} />
          {by === 'typing' ? (
            <NormaliseSettings
              value={(part.settings?.normalise ?? {}) as Record<string, string>}
              onChange={(normalise) => edit.put({ normalise })}
            />
          ) : (
            <ShuffleSetting on={shuffle} onChange={(on) => edit.put({ shuffle: on })} />
          )}
        </>
      }
    >
      <PictureOfPart
        picture={picture}
        media={media}
        problem={problem('/settings/picture')}
        onPicture={(next, forms, place) => edit.put({ picture: next, targets: withForms(now(), forms) }, {}, place)}
        label={words.desk}
        things={thingsOf(targets, rules)}
        tools={['target']}
        selected={selected}
        onSelect={select}
        onForms={(forms, place) => edit.put({ targets: withForms(now(), forms) }, {}, place)}
        onAdd={add}
        onRemove={remove}
        onDuplicate={duplicate}
        naming={{
          label: words.labelHere,
          of: (id) => toWords(labelAt(id)?.html ?? ''),
          onName: (id, typed) => {
            const found = labelAt(id)
            if (found) setLabel(found.id, { html: toHtml(typed) }, found.id)
          },
        }}
      />
      {picture && targets.length === 0 ? <p className="px-3 py-2 text-quiet">{words.noTargets}</p> : null}
      <ul ref={targetList} aria-label={words.targets}>
        {targets.map((target, i) => (
          <TargetRow
            key={target.id}
            number={i + 1}
            target={target}
            right={rightAt(target.id)}
            selected={selected.includes(target.id)}
            wrong={problem(`/settings/targets/${i}`)}
            onSelect={() => (selected.includes(target.id) ? undefined : select([target.id]))}
            onTarget={(changed, place) => put(target.id, changed, place)}
            onUp={i === 0 ? undefined : () => edit.put({ targets: moved(now(), i, i - 1) })}
            onDown={i === targets.length - 1 ? undefined : () => edit.put({ targets: moved(now(), i, i + 1) })}
            onRemove={() => {
              remove([target.id])
              afterRemoving(targetList.current, 'li', i)
            }}
          >
            {by === 'typing' ? (
              <TypedRules
                target={target.id}
                number={i + 1}
                all={rules}
                rules={typed.filter((rule) => rule.on.piece === target.id)}
                wrong={(id) => problem(`/key/rules/${rules.findIndex((rule) => rule.id === id)}`)}
                onRules={(changed, place) => set(changed(nowRules()) as Rule[], place)}
              />
            ) : null}
          </TargetRow>
        ))}
      </ul>
      {picture ? (
        <footer className="border-hairline border-b px-1 py-1">
          <Button look="quiet" onClick={() => add(formFresh('target', size, targets.length), true)}>
            {words.addTarget}
          </Button>
        </footer>
      ) : null}
      {by === 'typing' && labels.length > 0 ? <p className="px-3 py-1 text-caption text-quiet">{words.typedHint}</p> : null}
      <ul ref={list} aria-label={words.labels}>
        {labels.map((one, i) => (
          <PlacedRow
            key={one.id}
            words={words}
            name={words.label({ n: i + 1 })}
            tile={one}
            gaps={ids}
            rules={pairs}
            weighed={part.scoring?.scheme === 'weights'}
            autoFocus={edit.focused === one.id}
            wrong={problem(`/settings/labels/${i}`)}
            media={media}
            onText={(html) => setLabel(one.id, { html }, one.id)}
            onUses={(uses) => setLabel(one.id, { uses })}
            onRules={(next, place) => set([...next, ...typedOf(nowRules())], place)}
            onNext={() => {
              const after = list.current?.querySelectorAll<HTMLElement>('[data-row] [role=textbox]')[i + 1]
              if (after) after.focus()
              else addLabel()
            }}
            onMove={(to) => edit.put({ labels: moved(labels, i, i + to) })}
            onPasteLines={(text) =>
              edit.lines(text, (lines) =>
                edit.put({ labels: withRows((edit.current().settings?.labels ?? []) as Label[], i, lines, toHtml, label) }),
              )
            }
            onRemove={() => {
              edit.put(
                { labels: labels.filter((other) => other.id !== one.id) },
                { key: { ...part.key, rules: [...without(pairs, one.id), ...typed] } },
              )
              afterRemoving(list.current, 'li', i)
            }}
          />
        ))}
      </ul>
      <footer className="px-1 py-1">
        <Button look="quiet" onClick={addLabel}>
          {words.add}
        </Button>
      </footer>
      {by === 'typing' ? null : (
        <PairFeedback
          part={{ ...part, key: { ...part.key, rules: pairs } }}
          onChange={(next, place) => set([...((next.key?.rules ?? []) as Rule[]), ...typedOf(nowRules())], place)}
          firsts={targets.map((target, i) => ({ id: target.id, html: target.label || words.target({ n: i + 1 }) }))}
          seconds={labels}
        />
      )}
    </PartCard>
  )
}
