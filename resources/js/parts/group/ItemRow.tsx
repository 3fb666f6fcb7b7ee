import { texts } from '@/messages'
import { Credit } from '../Credit'
import { toWords } from '../html'
import { isRight, type PairRule, type Row, withPair, withPairRule } from '../pairKey'
import { RemoveButton } from '../RemoveButton'
import { RowText } from '../RowText'

const words = texts.kind.group

type Props = {
  item: Row
  n: number
  home: string | null
  groups: Row[]
  rules: PairRule[]
  weighed: boolean
  autoFocus: boolean
  wrong: string | undefined
  media: (id: string) => string
  onText: (html: string) => void
  onHome: (group: string | null) => void
  onRules: (rules: PairRule[], place: string) => void
  onNext: () => void
  onMove: (by: -1 | 1) => void
  onPasteLines: (text: string) => boolean
  onRemove: () => void
}

/** An item, where it belongs, and in which other groups it is right as well. */
export function ItemRow({ item, n, home, groups, rules, weighed, autoFocus, wrong, media, ...on }: Props) {
  const name = words.item({ n })
  const named = (id: string) =>
    toWords(groups.find((group) => group.id === id)?.html ?? '') || words.group({ n: groups.findIndex((group) => group.id === id) + 1 })
  const own = rules.filter((rule) => rule.on[0] === item.id && isRight(rule))
  const also = own.filter((rule) => rule.on[1] !== home)
  const look =
    'min-h-7 max-w-40 rounded-ui border border-transparent bg-transparent text-caption text-second [field-sizing:content] hover:border-edge'
  return (
    <li data-item="" className="flex items-start gap-2 px-2 py-1">
      <span aria-hidden="true" className="mt-3 size-1.5 flex-none bg-edge" />
      <RowText
        value={item.html}
        label={name}
        media={media}
        autoFocus={autoFocus}
        wrong={wrong}
        onChange={on.onText}
        onNext={on.onNext}
        onMove={on.onMove}
        onPasteLines={on.onPasteLines}
      />
      {also.map((rule) => (
        <button
          key={rule.id}
          type="button"
          className="min-h-7 rounded-ui bg-accent-tint px-1.5 text-accent text-caption"
          onClick={() => on.onRules(withPair(rules, item.id, rule.on[1], false), '')}
        >
          {words.also({ groups: named(rule.on[1]) })} ×
        </button>
      ))}
      {weighed
        ? own.map((rule) => (
            <Credit
              key={rule.id}
              value={rule.credit}
              label={`${name}, ${named(rule.on[1])}`}
              onChange={(credit) => on.onRules(withPairRule(rules, ...rule.on, { credit }), `${rule.id} credit`)}
            />
          ))
        : null}
      <select
        aria-label={words.belongs({ item: name })}
        title={words.belongs({ item: name })}
        className={look}
        value={home ?? ''}
        onChange={(event) => {
          const to = event.target.value
          if (to.startsWith('+')) on.onRules(withPair(rules, item.id, to.slice(1), true), '')
          else on.onHome(to === '' ? null : to)
        }}
      >
        {groups.map((group) => (
          <option key={group.id} value={group.id}>
            {named(group.id)}
          </option>
        ))}
        <option value="">{words.nowhere}</option>
        {home === null
          ? null
          : groups
              .filter((group) => !own.some((rule) => rule.on[1] === group.id))
              .map((group) => (
                <option key={`+${group.id}`} value={`+${group.id}`}>
                  {words.also({ groups: named(group.id) })}
                </option>
              ))}
      </select>
      <RemoveButton name={name} onClick={on.onRemove} />
    </li>
  )
}
