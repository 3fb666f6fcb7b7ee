import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useNavigate } from 'react-router'
import { treesQuery } from '@/api/queries'
import { placeStimulus, stimulusQuery } from '@/api/stimuli'
import { texts } from '@/messages'
import { PathsField } from '@/question/record/Fields'
import { pathsOf } from '@/question/record/paths'
import { StimulusText } from '@/question/StimulusText'
import { Button } from '@/ui/Button'
import { Menu } from '@/ui/Menu'
import { Message, Nothing, Waiting } from '@/ui/Message'
import { useToast } from '@/ui/Toasts'
import { Uses } from './Uses'

/** A stimulus whole: as learners see it, where it lies, which questions show it. */
export function StimulusReading({ id, onBack }: { id: string; onBack: () => void }) {
  const navigate = useNavigate()
  const client = useQueryClient()
  const tell = useToast()
  const whole = useQuery(stimulusQuery(id))
  const trees = useQuery({ ...treesQuery(whole.data?.bank.slug ?? ''), enabled: whole.data !== undefined })
  const place = useMutation({
    mutationFn: (change: { folders?: string[][]; binned?: boolean }) => placeStimulus(id, change),
    onSuccess: (now, change) => {
      client.setQueryData(stimulusQuery(id).queryKey, now)
      client.invalidateQueries({ queryKey: ['stimuli'] })
      client.invalidateQueries({ queryKey: ['bank', now.bank.slug, 'trees'] })
      if (change.binned !== undefined)
        tell({
          text: change.binned ? texts.stimuli.binned({ title: now.name }) : texts.stimuli.restored({ title: now.name }),
          undo: () => place.mutate({ binned: !change.binned }),
        })
    },
    onError: (problem) => tell({ text: problem.message, look: 'problem' }),
  })
  if (whole.isPending) return <Waiting text={texts.loading} />
  if (whole.isError) return <Nothing title={whole.error.message} />
  const { name, shown, stimulus, bank, folders, uses, may_write, binned_at, revision } = whole.data
  return (
    <article className="flex min-h-full flex-col">
      <header className="flex flex-wrap items-center gap-2 border-hairline border-b px-6 py-2.5 max-md:px-4">
        <Button className="md:hidden" onClick={onBack}>
          {texts.stimuli.back}
        </Button>
        <h2 className="min-w-40 flex-1 text-head font-semibold">{name}</h2>
        {may_write ? (
          <>
            {binned_at ? null : (
              <Button onClick={() => navigate(`/banks/${bank.slug}/write?stimulus=${id}`)}>{texts.stimuli.writeWith}</Button>
            )}
            <Button onClick={() => navigate(`/stimuli/${id}`)}>{texts.stimuli.open}</Button>
            <Menu.Root align="end" button={<Button>{texts.stimuli.more}</Button>}>
              <Menu.Item onSelect={() => place.mutate({ binned: !binned_at })}>
                {binned_at ? texts.stimuli.restore : texts.stimuli.bin}
              </Menu.Item>
            </Menu.Root>
          </>
        ) : null}
      </header>
      <div className="flex flex-1 flex-col gap-4 px-10 py-6 max-lg:px-6 max-md:px-4">
        {binned_at ? <Message look="attention">{texts.stimuli.isBinned}</Message> : null}
        <StimulusText nodes={shown} title={stimulus.title} language={stimulus.language} media={`/api/v1/stimuli/${id}/media`} />
        <Uses id={id} bank={bank.slug} uses={uses} />
      </div>
      <section aria-label={texts.stimuli.places} className="border-hairline border-t bg-page px-10 py-4 max-lg:px-6 max-md:px-4">
        <div className="flex flex-wrap items-center gap-3">
          <span className="text-caption text-second">{texts.stimuli.places}</span>
          <PathsField
            label={texts.stimuli.folder}
            pick={texts.record.add({ what: texts.stimuli.folder })}
            paths={folders}
            all={pathsOf(trees.data?.folders ?? []).map(([, path]) => path)}
            disabled={!may_write}
            onAdd={(path) => place.mutate({ folders: [...folders, path] })}
            onRemove={(path) => place.mutate({ folders: folders.filter((one) => one.join('\t') !== path.join('\t')) })}
          />
        </div>
        <p className="mt-2 text-caption text-quiet">{texts.bank.revision({ n: revision })}</p>
      </section>
    </article>
  )
}
