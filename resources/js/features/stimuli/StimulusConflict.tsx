import { useQuery } from '@tanstack/react-query'
import type { StimulusJson, WholeStimulus } from '@/api/stimuli'
import { texts } from '@/messages'
import { StimulusText } from '@/question/StimulusText'
import { Button } from '@/ui/Button'
import { Dialog } from '@/ui/Dialog'
import { htmlTree } from '@/ui/htmlTree'
import { Waiting } from '@/ui/Message'

type Props = {
  mine: StimulusJson
  revision: number
  load: () => Promise<WholeStimulus>
  onClose: () => void
  /** What the next revision is to be: mine, or theirs again. */
  onTake: (stimulus: StimulusJson) => void
}

/** Two people saved: both texts beside each other, and which to go on with. */
export function StimulusConflict({ mine, revision, load, onClose, onTake }: Props) {
  const theirs = useQuery({ queryKey: ['stimulus', mine.id, 'theirs', revision], queryFn: load, staleTime: 0 })
  const media = `/api/v1/stimuli/${mine.id}/media`
  return (
    <Dialog
      open
      wide
      onClose={onClose}
      title={texts.desk.conflictTitle}
      about={texts.stimuli.conflictAbout}
      closeName={texts.frame.close}
      actions={
        <>
          <Button onClick={onClose}>{texts.frame.cancel}</Button>
          <Button onClick={() => (theirs.data ? onTake(theirs.data.stimulus) : undefined)}>{texts.stimuli.takeTheirs}</Button>
          <Button look="primary" aria-disabled={!theirs.data} onClick={() => (theirs.data ? onTake(mine) : undefined)}>
            {texts.stimuli.keepMine({ n: revision + 1 })}
          </Button>
        </>
      }
    >
      {theirs.data ? (
        <div className="grid grid-cols-2 gap-4 max-md:grid-cols-1">
          {[[texts.stimuli.mine, mine] as const, [texts.stimuli.theirs, theirs.data.stimulus] as const].map(([whose, one]) => (
            <section key={whose} aria-label={whose}>
              <h3 className="mb-2 font-semibold">{whose}</h3>
              <StimulusText nodes={htmlTree(one.body)} title={one.title} language={one.language} media={media} />
            </section>
          ))}
        </div>
      ) : (
        <Waiting text={texts.loading} />
      )}
    </Dialog>
  )
}
