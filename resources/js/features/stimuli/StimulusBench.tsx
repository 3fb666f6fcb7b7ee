import { useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { useNavigate } from 'react-router'
import {
  createStimulus,
  fetchStimulus,
  type StimulusJson,
  saveStimulus,
  stimulusQuery,
  stimulusRevisionQuery,
  stimulusRevisionsQuery,
  type WholeStimulus,
} from '@/api/stimuli'
import { DeskFooter } from '@/editor/DeskFooter'
import { MediaDeskProvider } from '@/editor/media/MediaDeskProvider'
import { Revisions } from '@/editor/Revisions'
import { useSaving } from '@/lib/saving/useSaving'
import { useHistory } from '@/lib/useHistory'
import { texts } from '@/messages'
import { Shell } from '@/shell/Shell'
import { withAlignment, withoutAlignment } from '@/standards/alignmentTo'
import { StandardsField } from '@/standards/StandardsField'
import { Button } from '@/ui/Button'
import { ctrl, useCommands } from '@/ui/commands'
import type { Crumb } from '@/ui/Frame'
import { Message } from '@/ui/Message'
import { useMedia } from '@/ui/media'
import { PageAndSide } from '@/ui/PageAndSide'
import { keysOfWriting } from '@/ui/rich/keys'
import { SafeEditor } from '@/ui/SafeEditor'
import { Tabs } from '@/ui/Tabs'
import { useToast } from '@/ui/Toasts'
import { StimulusConflict } from './StimulusConflict'
import { Uses } from './Uses'

type Props = {
  bank: { slug: string; name: string }
  /** What unsaved typing is kept under. */
  subject: string
  crumbs: Crumb[]
  revision: number
  start: StimulusJson
  dirty: boolean
  /** As it is stored, where it is. */
  whole?: WholeStimulus
  note?: { text: string; action: string; act: () => void }
  /** The question one came from. */
  back?: string
}

/** A stimulus on the left as one page; on the right what a change of it reaches, and its history. */
export function StimulusBench({ bank, subject, crumbs, revision, start, dirty, whole, note, back }: Props) {
  const history = useHistory(start)
  const stimulus = history.value
  const client = useQueryClient()
  const navigate = useNavigate()
  const tell = useToast()
  const [said, setSaid] = useState('')
  const [tab, setTab] = useState('uses')
  const [comparing, setComparing] = useState(false)
  const media = useMedia(bank.slug)
  const saving = useSaving<StimulusJson>(
    stimulus,
    {
      subject,
      subjectOf: (id) => `stimulus:${id}`,
      save: async (sent, base, _client, about) => {
        const now = base === 0 ? await createStimulus(bank.slug, sent, [], about) : await saveStimulus(sent, base, about)
        client.setQueryData(stimulusQuery(now.id).queryKey, now)
        client.invalidateQueries({ queryKey: stimulusRevisionsQuery(now.id).queryKey })
        client.invalidateQueries({ queryKey: ['stimuli'] })
        client.invalidateQueries({ queryKey: ['present'] }) // questions are drawn with it
        return now
      },
    },
    revision,
    dirty,
  )
  const { refused } = saving
  /** @param chosen after a conflict: what to save instead of the page, and the revision it follows */
  const save = (chosen?: { content: StimulusJson; base: number }) => {
    if (saving.saving) return
    saving.save({ note: said.trim(), ...chosen }).then(
      (saved) => {
        setSaid('')
        tell({ text: texts.stimuli.saved({ n: saved.revision }) })
        if (back) navigate(back, { state: saving.isNew ? { stimulus: saved.id } : null })
        else if (saving.isNew) navigate(`/stimuli/${saved.id}`, { replace: true, flushSync: true })
      },
      () => undefined, // said on the page
    )
  }
  const here = texts.frame.groups.here
  useCommands('writing', keysOfWriting())
  useCommands('stimulus', [
    { id: 'save', group: here, title: texts.desk.saveKey, keys: 'Ctrl S', on: ctrl('s'), run: () => save() },
    { id: 'undo', group: here, title: texts.desk.undo, keys: 'Ctrl Z', on: ctrl('z'), run: () => history.undo() },
  ])
  const title = stimulus.title || whole?.name || texts.stimuli.fresh
  const uses = whole?.uses
  const changed = stimulus !== start || dirty
  const reach =
    uses && changed
      ? texts.stimuli.changes({ n: uses.questions, inAssessments: uses.assessments.length + uses.others, approved: uses.approved })
      : ''
  const aside = [
    saving.revision > 0 ? texts.bank.revision({ n: saving.revision }) : '',
    saving.saving ? texts.desk.saving : (texts.desk.keeping[saving.keeping] ?? ''),
  ].filter((one) => one)
  const page = (
    <div className="flex h-full min-h-0 flex-col">
      <div className="flex min-h-0 flex-1 flex-col gap-3 overflow-y-auto bg-well p-4">
        {note ? (
          <Message look="attention" actions={<Button onClick={note.act}>{note.action}</Button>}>
            {note.text}
          </Message>
        ) : null}
        {back ? <Message look="done">{texts.stimuli.forQuestion}</Message> : null}
        {whole?.binned_at ? <Message look="attention">{texts.stimuli.isBinned}</Message> : null}
        {saving.conflict !== null ? (
          <Message look="attention" actions={<Button onClick={() => setComparing(true)}>{texts.desk.compare}</Button>}>
            {texts.stimuli.conflict({ n: saving.conflict })}
          </Message>
        ) : null}
        {refused ? <Message look="problem">{refused.message}</Message> : null}
        <div className="flex flex-col gap-4 rounded-ui border border-hairline bg-paper p-6 max-md:p-3">
          <div className="flex flex-wrap items-end gap-4">
            <input
              // biome-ignore lint/a11y/noAutofocus: a new one begins here
              autoFocus={!whole}
              aria-label={texts.stimuli.titleField}
              placeholder={texts.stimuli.titleHint}
              maxLength={500}
              dir="auto"
              className="min-w-60 flex-1 border-transparent border-b bg-transparent py-1 text-title font-semibold placeholder:font-normal placeholder:text-quiet hover:border-hairline focus:border-accent"
              value={stimulus.title}
              onChange={(event) => history.change((now) => ({ ...now, title: event.target.value }), 'title')}
            />
            <input
              aria-label={texts.stimuli.language}
              title={texts.stimuli.language}
              maxLength={35}
              className="w-20 rounded-ui border border-transparent bg-transparent px-1 text-caption text-second hover:border-edge"
              value={stimulus.language}
              onChange={(event) => history.change((now) => ({ ...now, language: event.target.value }), 'language')}
            />
          </div>
          <MediaDeskProvider bank={bank.slug}>
            <SafeEditor
              keptNote={texts.desk.keptText}
              value={stimulus.body}
              label={texts.stimuli.text}
              words={{ part: (id) => id }}
              view={{ media, table: texts.desk.table }}
              placeholder={texts.stimuli.textHint}
              bar="full"
              onChange={(body, isStep) => history.change((now) => ({ ...now, body }), isStep ? '' : 'body')}
              className="min-h-60"
            />
          </MediaDeskProvider>
          <div className="flex items-baseline gap-3 border-hairline border-t pt-3">
            <span className="text-caption text-quiet">{texts.record.standards}</span>
            <StandardsField
              label={texts.record.standards}
              standards={stimulus.standards ?? []}
              onAdd={(one) => history.change((now) => ({ ...now, standards: withAlignment(now.standards, one) }))}
              onRemove={(one) => history.change((now) => ({ ...now, standards: withoutAlignment(now.standards, one) }))}
            />
          </div>
          {(whole?.findings ?? []).map((finding) => (
            <p key={finding.code} className="text-attention text-caption">
              {finding.message}
            </p>
          ))}
        </div>
      </div>
      {reach ? (
        <p role="status" className="flex-none border-hairline border-t bg-attention-tint px-4 py-1.5 font-semibold text-attention">
          {reach}
        </p>
      ) : null}
      <DeskFooter
        place={texts.desk.inBank({ bank: bank.name })}
        folders={whole?.folders ?? []}
        saveName={back ? texts.stimuli.saveBack : texts.stimuli.save({ n: saving.revision + 1 })}
        busy={saving.saving}
        history={history}
        onSave={() => save()}
        note={said}
        onNote={setSaid}
      />
    </div>
  )
  const beside = (
    <div className="h-full bg-paper">
      <Tabs
        label={texts.desk.beside}
        value={tab}
        onChange={setTab}
        tabs={[
          {
            id: 'uses',
            title: texts.stimuli.tabs.uses ?? '',
            body: (
              <div className="p-5">
                {uses ? <Uses id={stimulus.id} bank={bank.slug} uses={uses} /> : <p className="text-quiet">{texts.stimuli.noUses}</p>}
              </div>
            ),
          },
          ...(whole
            ? [
                {
                  id: 'history',
                  title: texts.stimuli.tabs.history ?? '',
                  body: (
                    <div className="p-5">
                      <h2 className="sr-only">{texts.stimuli.tabs.history}</h2>
                      <Revisions<StimulusJson>
                        list={stimulusRevisionsQuery(stimulus.id)}
                        one={(number, since) => stimulusRevisionQuery(stimulus.id, number, since)}
                        newest={saving.revision}
                        onRestore={(content, number) => {
                          history.change(() => content)
                          setSaid(texts.desk.restoredFrom({ n: number }))
                          tell({ text: texts.stimuli.restoredHere({ n: number }) })
                        }}
                      />
                    </div>
                  ),
                },
              ]
            : []),
        ]}
      />
    </div>
  )
  return (
    <Shell title={title} crumbs={[...crumbs, { title }]} aside={<span role="status">{aside.join(', ')}</span>}>
      <PageAndSide name="stimulus" label={texts.stimuli.one} page={page} side={beside} />
      {comparing && saving.conflict !== null ? (
        <StimulusConflict
          mine={stimulus}
          revision={saving.conflict}
          load={() => fetchStimulus(stimulus.id)}
          onClose={() => setComparing(false)}
          onTake={(theirs) => {
            history.change(() => theirs)
            setComparing(false)
            save({ content: theirs, base: saving.conflict ?? 0 })
          }}
        />
      ) : null}
    </Shell>
  )
}
