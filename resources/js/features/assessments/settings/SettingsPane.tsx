import type { Content, RunSettings } from '@/api/assembly'
import { texts } from '@/messages'
import { control } from '@/ui/Field'
import { Instructions } from '../Instructions'
import type { Document } from '../useDocument'
import { Labelled } from './OverrideFields'
import { seconds } from './SectionSettings'

const words = texts.assembly.settings

/** How learners go through the whole: what it is for, how often they may try, what they are told and when, in which order, and for how long. */
export function SettingsPane({ document, mayWrite }: { document: Document; mayWrite: boolean }) {
  const { content, change } = document
  const run = content.run ?? {}
  const set = (next: RunSettings) => change((now) => ({ ...now, run: { ...now.run, ...next } }) as Content, 'run')
  const choice = <K extends keyof RunSettings>(name: K, label: string, options: Record<string, string>, value: string) => (
    <Labelled label={label}>
      {(id) => (
        <select
          id={id}
          className={control}
          disabled={!mayWrite}
          value={value}
          onChange={({ target }) => set({ [name]: target.value } as RunSettings)}
        >
          {Object.entries(options).map(([key, title]) => (
            <option key={key} value={key}>
              {title}
            </option>
          ))}
        </select>
      )}
    </Labelled>
  )
  const tick = (name: 'shuffle' | 'go_back', label: string, usual: boolean) => (
    <label className="flex items-center gap-2">
      <input
        type="checkbox"
        className="accent-accent"
        disabled={!mayWrite}
        checked={run[name] ?? usual}
        onChange={({ target }) => set({ [name]: target.checked })}
      />
      {label}
    </label>
  )
  const purpose = run.purpose ?? 'marked'
  const allowed = run.attempts ? (run.attempts.allowed === null ? 'any' : String(run.attempts.allowed ?? 1)) : ''
  return (
    <div className="flex flex-col gap-4 p-5">
      <h2 className="text-head font-semibold">{words.title}</h2>
      <div className="grid grid-cols-[repeat(auto-fill,minmax(150px,1fr))] gap-3">
        {choice('purpose', words.purpose, words.purposes, purpose)}
        {choice('feedback', words.feedback, words.timings, run.feedback ?? (purpose === 'practice' ? 'each_try' : 'at_end'))}
        <Labelled label={words.attempts}>
          {(id) => (
            <select
              id={id}
              className={control}
              disabled={!mayWrite}
              value={allowed}
              onChange={({ target }) =>
                set({
                  attempts: target.value === '' ? null : { ...run.attempts, allowed: target.value === 'any' ? null : Number(target.value) },
                })
              }
            >
              <option value="">{words.asQuestion}</option>
              {[1, 2, 3, 4, 5].map((n) => (
                <option key={n} value={n}>
                  {words.times({ n })}
                </option>
              ))}
              <option value="any">{words.anyTimes}</option>
            </select>
          )}
        </Labelled>
        <Labelled label={words.time}>
          {(id) => (
            <input
              id={id}
              type="number"
              min={0.5}
              max={1440}
              step={0.5}
              className={control}
              disabled={!mayWrite}
              placeholder={words.noLimit}
              value={content.time_limit ? content.time_limit / 60 : ''}
              onChange={({ target }) => change((now) => ({ ...now, time_limit: seconds(target.value) }), 'time')}
            />
          )}
        </Labelled>
        {choice('pages', words.pages, words.pagesOf, run.pages ?? 'one')}
      </div>
      {tick('shuffle', words.shuffleAll, false)}
      {tick('go_back', words.goBack, true)}
      <section aria-label={words.cover} className="flex flex-col gap-1">
        <h3 className="font-semibold">{words.cover}</h3>
        <p className="text-caption text-quiet">{words.coverAbout}</p>
        <Instructions
          value={run.cover ?? ''}
          mayWrite={mayWrite}
          onChange={(cover) => set({ cover })}
          label={words.cover}
          placeholder={words.coverHint}
        />
      </section>
    </div>
  )
}
