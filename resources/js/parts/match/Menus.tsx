import { texts } from '@/messages'
import { judged, type LearnerProps } from '../definePart'
import { Flat } from '../Flat'
import { treeWords } from '../treeWords'
import type { Pair, SideShown } from './pairs'

const words = texts.kind.match

/** A drop-down of all partners beside each on the left; one more where it may be joined more often. */
export function Menus({ part, response, onChange, disabled, result, media }: LearnerProps) {
  const left = part.settings.left as SideShown[]
  const right = part.settings.right as SideShown[]
  const pairs = (response?.pairs as Pair[] | undefined) ?? []
  const marks = judged(result)
  const put = (item: string, at: number, partner: string) => {
    const own = pairs.filter((pair) => pair[0] === item).map((pair) => pair[1])
    if (partner === '') own.splice(at, 1)
    else own[at] = partner
    onChange({ pairs: [...pairs.filter((pair) => pair[0] !== item), ...[...new Set(own)].map((id): Pair => [item, id])] })
  }
  return (
    <ul className="plain my-3 border-hairline border-t" aria-label={part.label || words.joins}>
      {left.map((item) => {
        const own = pairs.filter((pair) => pair[0] === item.id).map((pair) => pair[1])
        const places = Math.min(item.uses ?? right.length, own.length + 1)
        return (
          <li key={item.id} className="grid grid-cols-[1fr_1fr] items-baseline gap-4 border-hairline border-b px-2 py-2 max-sm:grid-cols-1">
            <span>
              <Flat nodes={item.body} media={media} />
            </span>
            <span className="flex flex-col gap-1">
              {Array.from({ length: places }, (_, at) => {
                const is = (list: Pair[] | undefined) => list?.some((pair) => pair[0] === item.id && pair[1] === own[at]) ?? false
                const tone = is(marks?.right) ? 'border-accent' : is(marks?.wrong) ? 'border-problem' : 'border-edge'
                return (
                  <select
                    // biome-ignore lint/suspicious/noArrayIndexKey: the places are alike
                    key={at}
                    aria-label={treeWords(item.body)}
                    disabled={disabled}
                    className={`max-w-full cursor-pointer rounded-t-ui border-0 border-b-2 bg-well px-1.5 py-1 font-serif text-question ${tone}`}
                    value={own[at] ?? ''}
                    onChange={(event) => put(item.id, at, event.target.value)}
                  >
                    <option value="">{words.choose}</option>
                    {right.map((partner) => {
                      const taken = pairs.filter((pair) => pair[1] === partner.id && pair[0] !== item.id).length
                      return (
                        <option
                          key={partner.id}
                          value={partner.id}
                          disabled={partner.uses !== null && taken >= partner.uses && own[at] !== partner.id}
                        >
                          {treeWords(partner.body)}
                        </option>
                      )
                    })}
                  </select>
                )
              })}
            </span>
          </li>
        )
      })}
    </ul>
  )
}
