import type { Part, QuestionJson } from '@/api/question'
import { texts } from '@/messages'
import { partView } from '@/parts'
import { RemoveButton } from '@/parts/RemoveButton'
import { Button } from '@/ui/Button'
import { Pick, Sentence } from '@/ui/Sentence'
import { PartPicks } from './PartPicks'
import { withShared } from './shared'

type Gate = { part: string; needs: string[] }
type Instead = { part: string; for: string }
type Props = {
  question: QuestionJson
  /** The parts in the order of the text, and what each is called. */
  parts: Part[]
  called: (id: string) => string
  change: (edit: (now: QuestionJson) => QuestionJson, place: string) => void
  problem: (path: string) => string | undefined
}

/** How the parts make up the score, as sentences: added up or all or nothing, answers shared, parts that wait for others. */
export function HowPartsCount({ question, parts, called, change, problem }: Props) {
  const scoring = (question.scoring ?? {}) as { combine?: string; once?: string[][]; gates?: Gate[]; instead?: Instead[] }
  const once = scoring.once ?? []
  const gates = scoring.gates ?? []
  const instead = scoring.instead ?? []
  const set = (changed: Record<string, unknown>, place = '') =>
    change((now) => ({ ...now, scoring: { ...now.scoring, ...changed } }), place)
  const share = (lists: string[][]) => change((now) => withShared(now, lists), '')
  const setOnce = (i: number, list: string[]) => share(once.map((one, at) => (at === i ? list : one)))
  const setGate = (i: number, changed: Partial<Gate>) => set({ gates: gates.map((one, at) => (at === i ? { ...one, ...changed } : one)) })
  /** A part that is asked instead of another one has no points of its own. */
  const setInstead = (next: Instead[]) =>
    change(
      (now) => ({
        ...now,
        parts: now.parts.map((part) => (next.some((one) => one.part === part.id) ? { ...part, points: 0 } : part)),
        scoring: { ...now.scoring, instead: next },
      }),
      '',
    )
  const typed = parts.filter((part) => partView(part.kind)?.canShareAnswers)
  const free = typed.filter((part) => !once.some((list) => list.includes(part.id)))
  const wrong = (path: string) => (problem(path) ? <p className="w-full text-caption text-problem">{problem(path)}</p> : null)
  return (
    <section aria-label={texts.desk.howPartsCount} className="flex flex-col gap-2">
      <h3 className="text-caption text-second">{texts.desk.howPartsCount}</h3>
      <Sentence>
        <span>{texts.desk.questionEarns}</span>
        <Pick
          aria-label={texts.desk.questionEarns}
          value={scoring.combine ?? 'sum'}
          options={Object.entries(texts.desk.combines)}
          onChange={(combine) => set({ combine })}
        />
      </Sentence>
      {once.map((list, i) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: a list is known by its place
        <div key={i} className="flex flex-wrap items-center gap-x-2 border-hairline border-t pt-1">
          <div className="flex flex-1 flex-wrap items-center gap-2">
            <PartPicks
              label={texts.desk.shareRules}
              parts={typed.filter((part) => list.includes(part.id) || free.includes(part))}
              called={called}
              value={list}
              onChange={(next) => setOnce(i, next)}
            />
            <span>{texts.desk.shareRules}</span>
          </div>
          <RemoveButton name={texts.desk.shareRulesOf({ n: i + 1 })} onClick={() => set({ once: once.filter((_, at) => at !== i) })} />
          {list[0] ? <p className="w-full text-caption text-quiet">{texts.desk.rulesOf({ part: called(list[0]) })}</p> : null}
          {wrong(`/scoring/once/${i}`)}
        </div>
      ))}
      {gates.map((gate, i) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: a gate is known by its place
        <div key={i} className="flex flex-wrap items-center gap-x-2 border-hairline border-t pt-1">
          <div className="flex flex-1 flex-wrap items-center gap-2">
            <Pick
              aria-label={texts.desk.gatePart({ n: i + 1 })}
              value={gate.part}
              options={parts.map((part) => [part.id, called(part.id)])}
              onChange={(part) => setGate(i, { part, needs: gate.needs.filter((id) => id !== part) })}
            />
            <span>{texts.desk.onlyWhen}</span>
            <PartPicks
              label={texts.desk.onlyWhen}
              parts={parts.filter((part) => part.id !== gate.part)}
              called={called}
              value={gate.needs}
              onChange={(needs) => setGate(i, { needs })}
            />
            <span>{gate.needs.length > 1 ? texts.desk.areRight : texts.desk.isRight}</span>
          </div>
          <RemoveButton name={texts.desk.gateOf({ n: i + 1 })} onClick={() => set({ gates: gates.filter((_, at) => at !== i) })} />
          {wrong(`/scoring/gates/${i}`)}
        </div>
      ))}
      {gates.length === 0 ? wrong('/scoring/gates') : null}
      {instead.map((one, i) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: a replacement is known by its place
        <div key={i} className="flex flex-wrap items-center gap-x-2 border-hairline border-t pt-1">
          <div className="flex flex-1 flex-wrap items-center gap-2">
            <Pick
              aria-label={texts.desk.insteadPart({ n: i + 1 })}
              value={one.part}
              options={parts.map((part) => [part.id, called(part.id)])}
              onChange={(part) => setInstead(instead.map((other, at) => (at === i ? { ...other, part } : other)))}
            />
            <span>{texts.desk.insteadFor}</span>
            <Pick
              aria-label={texts.desk.insteadForPart({ n: i + 1 })}
              value={one.for}
              options={parts.map((part) => [part.id, called(part.id)])}
              onChange={(to) => setInstead(instead.map((other, at) => (at === i ? { ...other, for: to } : other)))}
            />
          </div>
          <RemoveButton name={texts.desk.insteadOf({ n: i + 1 })} onClick={() => set({ instead: instead.filter((_, at) => at !== i) })} />
          {wrong(`/scoring/instead/${i}`)}
        </div>
      ))}
      <div className="flex flex-wrap gap-3">
        {free.length > 1 ? (
          <Button look="quiet" className="!px-0" onClick={() => share([...once, free.slice(0, 2).map((part) => part.id)])}>
            {texts.desk.addShare}
          </Button>
        ) : null}
        {parts.length > 1 ? (
          <Button
            look="quiet"
            className="!px-0"
            onClick={() => set({ gates: [...gates, { part: parts[1]?.id ?? '', needs: [parts[0]?.id ?? ''] }] })}
          >
            {texts.desk.addGate}
          </Button>
        ) : null}
        {parts.length > 1 ? (
          <Button
            look="quiet"
            className="!px-0"
            onClick={() => setInstead([...instead, { part: parts[1]?.id ?? '', for: parts[0]?.id ?? '' }])}
          >
            {texts.desk.addInstead}
          </Button>
        ) : null}
      </div>
    </section>
  )
}
