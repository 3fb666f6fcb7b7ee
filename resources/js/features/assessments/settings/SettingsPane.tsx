import type { Content, RunSettings } from '@/api/assembly'
import { texts } from '@/messages'
import { Instructions } from '../Instructions'
import type { Document } from '../useDocument'
import { AttemptsChoice, Choice, TickField, TimeField } from './Choice'

const words = texts.assembly.settings

/** How learners go through the whole: what it is for, how often they try, what they are told and when, in which order, for how long. */
export function SettingsPane({ document, mayWrite }: { document: Document; mayWrite: boolean }) {
  const { content, change } = document
  const run = content.run ?? {}
  const set = (next: RunSettings) => change((now) => ({ ...now, run: { ...now.run, ...next } }) as Content, 'run')
  const choice = (name: 'purpose' | 'feedback' | 'pages', label: string, options: Record<string, string>, value: string) => (
    <Choice
      label={label}
      value={value}
      options={Object.entries(options)}
      disabled={!mayWrite}
      onChange={(next) => set({ [name]: next } as RunSettings)}
    />
  )
  const purpose = run.purpose ?? 'marked'
  return (
    <div className="flex flex-col gap-4 p-5">
      <h2 className="text-head font-semibold">{words.title}</h2>
      <div className="grid grid-cols-[repeat(auto-fill,minmax(150px,1fr))] gap-3">
        {choice('purpose', words.purpose, words.purposes, purpose)}
        {choice('feedback', words.feedback, words.timings, run.feedback ?? (purpose === 'practice' ? 'each_try' : 'at_end'))}
        <AttemptsChoice value={run.attempts} disabled={!mayWrite} onChange={(next) => set({ attempts: next ?? null })} />
        <TimeField
          label={words.time}
          seconds={content.time_limit}
          disabled={!mayWrite}
          onChange={(time_limit) => change((now) => ({ ...now, time_limit }), 'time')}
        />
        {choice('pages', words.pages, words.pagesOf, run.pages ?? 'one')}
      </div>
      <TickField label={words.shuffleAll} checked={run.shuffle ?? false} disabled={!mayWrite} onChange={(shuffle) => set({ shuffle })} />
      <TickField label={words.goBack} checked={run.go_back ?? true} disabled={!mayWrite} onChange={(go_back) => set({ go_back })} />
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
