import type { Part } from '@/api/question'
import { isPositive } from '@/lib/credit'
import { texts } from '@/messages'
import { Credit } from './Credit'
import { SettingChoice } from './PartCard'

type Props = { part: Part; onChange: (part: Part, place: string) => void; usual?: string; only?: string[] }

/** How several right things become one credit, with its formula; the cost of what is given too much. */
export function SchemeSettings({ part, onChange, usual = 'each', only }: Props) {
  const scheme = String(part.scoring?.scheme ?? usual)
  const set = (changed: Record<string, unknown>) => onChange({ ...part, scoring: { ...part.scoring, ...changed } }, '')
  return (
    <>
      <SettingChoice
        label={texts.parts.schemeOfPairs}
        value={scheme}
        options={Object.entries(texts.parts.schemes).filter(([name]) => !only || only.includes(name))}
        onChange={(value) => onChange(withShares({ ...part, scoring: { ...part.scoring, scheme: value } }), '')}
      />
      {scheme === 'each' ? (
        <span className="flex items-baseline gap-1.5">
          {texts.parts.costOfExtra}
          <Credit value={String(part.scoring?.cost ?? '1')} label={texts.parts.costOfExtra} onChange={(cost) => set({ cost })} />
        </span>
      ) : null}
      <p className="w-full text-caption text-quiet">{texts.parts.pairFormulas[scheme]}</p>
    </>
  )
}

/** Under added credits, right things that were worth all become equal shares of it; under the others, shares become whole again. */
export function withShares(part: Part): Part {
  const rules = part.key?.rules ?? []
  const right = rules.filter((rule) => isPositive(rule.credit))
  const weighed = part.scoring?.scheme === 'weights'
  if (right.length < 2 || right.some((rule) => (weighed ? rule.credit !== '1' : rule.credit !== `1/${right.length}`))) return part
  const credit = weighed ? `1/${right.length}` : '1'
  return { ...part, key: { ...part.key, rules: rules.map((rule) => (right.includes(rule) ? { ...rule, credit } : rule)) } }
}
