import { texts } from '@/messages'
import { Button } from '@/ui/Button'
import { Gap, Pick, Sentence } from '@/ui/Sentence'
import type { EditorProps } from '../definePart'
import { PartCard, SettingNumber } from '../PartCard'
import { RemoveButton } from '../RemoveButton'
import { RowText } from '../RowText'

const words = texts.kind.essay
const MOST_PROMPTS = 20
const MOST_WORDS = 100_000

type Settings = {
  lines?: number
  format?: 'plain' | 'rich'
  words?: { min?: number | null; max?: number | null }
  prompts?: string[]
  start?: string
  spelling?: boolean
}

/** How long the answer may be, what helps to write it, and what it is marked by. */
export function Editor({ part, onChange, problem, media }: EditorProps) {
  const settings = (part.settings ?? {}) as Settings
  const prompts = settings.prompts ?? []
  const limits = settings.words ?? {}
  const set = (changed: Partial<Settings>, place = '') => onChange({ ...part, settings: { ...settings, ...changed } }, place)
  const whole = (typed: string) => (/^\d{1,6}$/.test(typed) ? Math.min(MOST_WORDS, Number(typed)) : null)
  return (
    <PartCard
      part={part}
      onChange={onChange}
      title={words.writes}
      summary={[words.formats[settings.format ?? 'plain'], words.lines({ n: settings.lines ?? 12 })].join(', ')}
      marking={{ problem, media }}
      settings={
        <>
          <SettingNumber
            label={words.linesOnPaper}
            value={settings.lines ?? 12}
            min={1}
            max={400}
            onChange={(lines) => set({ lines: lines ?? 12 })}
          />
          <label className="flex items-center gap-2">
            <input type="checkbox" checked={settings.spelling !== false} onChange={(event) => set({ spelling: event.target.checked })} />
            {words.spelling}
          </label>
          <div className="flex w-full flex-col gap-1">
            <span className="text-caption text-second">{words.beginsWith}</span>
            <RowText
              value={settings.start ?? ''}
              label={words.beginsWith}
              placeholder={words.startHint}
              media={media}
              onChange={(html) => set({ start: html }, 'start')}
            />
          </div>
        </>
      }
    >
      <div className="flex flex-col gap-2 px-3 py-2">
        <Sentence>
          {words.answerIs}
          <Pick
            aria-label={words.format}
            value={settings.format ?? 'plain'}
            options={Object.entries(words.formats)}
            onChange={(format) => set({ format: format as 'plain' | 'rich' })}
          />
          {words.from}
          <Gap
            aria-label={words.fewest}
            inputMode="numeric"
            placeholder={words.any}
            value={limits.min ?? ''}
            onChange={(event) => set({ words: { ...limits, min: whole(event.target.value) } }, 'fewest')}
          />
          {words.to}
          <Gap
            aria-label={words.most}
            inputMode="numeric"
            placeholder={words.any}
            value={limits.max ?? ''}
            onChange={(event) => set({ words: { ...limits, max: whole(event.target.value) || null } }, 'most')}
          />
          {words.words}
        </Sentence>
        {problem('/settings/words') ? <p className="text-caption text-problem">{problem('/settings/words')}</p> : null}
        {prompts.length > 0 ? (
          <ul aria-label={words.prompts}>
            {prompts.map((html, i) => (
              // biome-ignore lint/suspicious/noArrayIndexKey: prompts have no identity but their order
              <li key={i} className="flex items-start gap-2 border-hairline border-b py-1">
                <RowText
                  value={html}
                  label={words.prompt({ n: i + 1 })}
                  placeholder={words.promptHint}
                  media={media}
                  onChange={(next) => set({ prompts: prompts.map((one, at) => (at === i ? next : one)) }, `prompt ${i}`)}
                />
                <RemoveButton name={words.prompt({ n: i + 1 })} onClick={() => set({ prompts: prompts.filter((_, at) => at !== i) })} />
              </li>
            ))}
          </ul>
        ) : null}
        {prompts.length < MOST_PROMPTS ? (
          <Button look="quiet" className="self-start !px-1" onClick={() => set({ prompts: [...prompts, ''] })}>
            {words.addPrompt}
          </Button>
        ) : null}
      </div>
    </PartCard>
  )
}
