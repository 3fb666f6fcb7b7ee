import { useRef, useState } from 'react'
import type { DrawnFigure } from '@/api/graphs'
import { texts } from '@/messages'
import { Button } from '@/ui/Button'
import { control } from '@/ui/Field'
import { Draw } from '@/ui/graph/Draw'
import { type Figure, isGround, onLine, onPlane, type ShownGraph, value } from '@/ui/graph/graph'
import { useDrawn } from '@/ui/graph/useDrawn'
import type { EditorProps } from '../definePart'
import { freshId } from '../fresh'
import { PartCard, SettingChoice, SettingNumber, useCardPlace } from '../PartCard'
import { SchemeSettings } from '../SchemeSettings'
import { usePart } from '../useRows'
import { withRules } from '../withRules'
import { Axis, type AxisJson, numOf, shownNum } from './Axes'
import { BackgroundSettings } from './BackgroundSettings'
import { FigureRow } from './FigureRow'
import { asRegion, type FigureRule, figuresOf, isInequality, withFigures } from './rules'

const words = texts.kind.graph
/** The colour the core draws in, and that of mistakes that are foreseen. */
const DRAWN = '#0e6a5b'
const FORESEEN = '#8d8980'
const SCHEMES = ['weights', 'each', 'all', 'person']

/** The grid, and the answer drawn on it with the tools that learners have. */
export function Editor({ part, onChange, problem, media }: EditorProps) {
  const edit = usePart(part, onChange)
  const place = useCardPlace()
  const list = useRef<HTMLUListElement>(null)
  // folded out for a new graph, and not folded up under somebody's hands
  const [begun] = useState((part.key?.rules ?? []).length === 0)
  const [mode, setMode] = useState<'key' | 'given'>('key')
  const settings = (part.settings ?? {}) as Record<string, unknown>
  const rules = (part.key?.rules ?? []) as FigureRule[]
  const given = (settings.given ?? []) as Figure[]
  const isLine = settings.surface === 'line'
  const tools = (settings.tools ?? []) as string[]
  const drawn = useDrawn({
    settings,
    figures: mode === 'given' ? given : rules.flatMap(figuresOf),
    wanted: rules.map((rule) => rule.on),
    variables: place?.values ?? null,
    language: 'en',
  })
  const shown = drawn?.shown as ShownGraph | undefined
  const set = (next: FigureRule[], what = '') => onChange(withRules(edit.current(), next), what)
  const now = () => (edit.current().key?.rules ?? []) as FigureRule[]
  const credit = () => (part.scoring?.scheme === 'weights' && rules.length > 0 ? '0' : '1')
  const names = texts.graph.names
  const tool = (name: string) => (
    <label key={name} className="flex items-center gap-1.5">
      <input
        type="checkbox"
        className="accent-accent"
        checked={tools.includes(name)}
        onChange={(event) => edit.put({ tools: event.target.checked ? [...tools, name] : tools.filter((one) => one !== name) })}
      />
      {names[name]}
    </label>
  )
  const surface = (next: string) =>
    edit.put({ surface: next, tools: next === 'line' ? ['interval'] : ['line'], given: [] }, { key: { ...edit.current().key, rules: [] } })
  const axis = (name: 'x' | 'y') => (
    <Axis
      axis={isLine ? 'line' : name}
      value={(settings[name] ?? {}) as AxisJson}
      onChange={(value, what) => edit.put({ [name]: value }, {}, what)}
    />
  )
  const wrong = problem('/settings') ?? problem('/settings/x') ?? problem('/settings/tools')
  return (
    <PartCard
      part={part}
      onChange={onChange}
      marking={{ problem, media, optional: true }}
      title={words.draws({ surface: isLine ? 'line' : 'plane' })}
      problem={problem('/key/rules') ?? problem('/settings/max')}
      settings={
        <>
          <SettingNumber
            label={words.max}
            value={(settings.max ?? null) as number | null}
            min={1}
            max={50}
            empty={words.any}
            onChange={(max) => edit.put({ max })}
          />
          <Tick label={words.dashes} value={settings.dashes === true} onChange={(dashes) => edit.put({ dashes })} />
          <Tick label={words.centimetre} value={settings.centimetre === true} onChange={(centimetre) => edit.put({ centimetre })} />
          <SchemeSettings part={part} onChange={onChange} usual="weights" only={SCHEMES} />
          <BackgroundSettings value={settings.background} media={media} onChange={(background) => edit.put({ background })} />
        </>
      }
    >
      <details open={begun} className="border-hairline border-b px-3 py-2">
        <summary className="cursor-pointer text-second">
          {words.gridAnd({ tools: tools.map((one) => names[one] ?? one).join(', ') })}
        </summary>
        <div className="mt-2 flex flex-col gap-2">
          <SettingChoice
            label={words.surface}
            value={isLine ? 'line' : 'plane'}
            options={Object.entries(words.surfaces)}
            onChange={surface}
          />
          {axis('x')}
          {isLine ? null : axis('y')}
          <div className="flex flex-wrap items-center gap-x-4 gap-y-1">
            <label className="flex items-center gap-2">
              {words.snap}
              <input
                className={`${control} w-20`}
                placeholder={words.free}
                value={shownNum(settings.snap as string | null)}
                onChange={(event) => edit.put({ snap: event.target.value.trim() ? numOf(event.target.value) : null }, {}, 'snap')}
              />
            </label>
          </div>
          <fieldset className="flex flex-wrap items-center gap-x-4 gap-y-1">
            <legend className="mb-1 text-caption text-second">{words.tools}</legend>
            {(isLine ? onLine : onPlane).map(tool)}
          </fieldset>
        </div>
      </details>
      {wrong ? <p className="px-3 pt-2 text-caption text-problem">{wrong}</p> : null}
      <div className="flex flex-col gap-2 px-3 py-2">
        <SettingChoice
          label={words.now}
          value={mode}
          options={[
            ['key', words.key],
            ['given', words.given],
          ]}
          onChange={(next) => setMode(next as 'key')}
        />
        {mode === 'key' && rules.length === 0 ? <p className="text-quiet">{words.drawHere}</p> : null}
        {shown && isGround(shown) ? (
          <Draw
            key={`${mode} ${tools.join(' ')} ${isLine}`}
            ground={{
              ...shown,
              max: null,
              tools,
              ...(mode === 'given' ? { tools: isLine ? onLine : onPlane, dashes: true, figures: '' } : {}),
            }}
            figures={mode === 'given' ? given : rules.flatMap(figuresOf)}
            drawn={toned(drawn?.figures ?? [], mode === 'given' ? [] : rules)}
            listed={mode === 'given'}
            label={mode === 'given' ? words.given : words.key}
            media={media}
            onFigures={(next) => (mode === 'given' ? edit.put({ given: next }) : set(withFigures(now(), next, credit())))}
          />
        ) : (
          <p className="text-problem">{shown?.problem}</p>
        )}
      </div>
      {rules.filter(isInequality).length > 1 || rules.some((rule) => rule.on.figures) ? (
        <div className="px-3 pb-2">
          <Tick label={words.region} value={rules.some((rule) => rule.on.figures)} onChange={(wished) => set(asRegion(now(), wished))} />
        </div>
      ) : null}
      <ul ref={list}>
        {rules.map((rule, i) => (
          <FigureRow
            key={rule.id}
            rule={rule}
            number={i + 1}
            surface={isLine ? 'line' : 'plane'}
            drawn={drawn?.wanted[i]}
            figures={mode === 'given' ? [] : (drawn?.figures.slice(...spanOf(rules, i)) ?? [])}
            wrong={problem(`/key/rules/${i}`)}
            onChange={(changed, what) =>
              set(
                now().map((one) => (one.id === rule.id ? { ...one, ...changed } : one)),
                `${rule.id} ${what}`,
              )
            }
            onRemove={() => set(now().filter((one) => one.id !== rule.id))}
          />
        ))}
      </ul>
      <footer className="px-1 py-1">
        <Button
          look="quiet"
          onClick={() =>
            set([
              ...now(),
              { id: freshId(now(), 'r'), on: { asks: [{ property: 'figure', is: tools[0] ?? 'line' }], tolerance: '0' }, credit: credit() },
            ])
          }
        >
          {words.asks}
        </Button>
      </footer>
    </PartCard>
  )
}

function Tick({ label, value, onChange }: { label: string; value: boolean; onChange: (value: boolean) => void }) {
  return (
    <label className="flex items-center gap-2">
      <input type="checkbox" className="accent-accent" checked={value} onChange={(event) => onChange(event.target.checked)} />
      {label}
    </label>
  )
}

/** Where the figures of a rule are among those of all. */
function spanOf(rules: FigureRule[], at: number): [number, number] {
  const before = rules.slice(0, at).flatMap(figuresOf).length
  return [before, before + figuresOf(rules[at] as FigureRule).length]
}

/** What is not the whole answer is drawn in grey. */
function toned(drawn: DrawnFigure[], rules: FigureRule[]): DrawnFigure[] {
  const best = Math.max(0, ...rules.map((rule) => value(rule.credit) ?? 0))
  const isRight = rules.flatMap((rule) => figuresOf(rule).map(() => (value(rule.credit) ?? 0) === best && best > 0))
  return drawn.map((one, i) => (isRight[i] === false ? { ...one, svg: one.svg.replaceAll(DRAWN, FORESEEN) } : one))
}
