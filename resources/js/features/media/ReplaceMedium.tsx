import { useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { changeMany } from '@/api/acts'
import { addMedium, changeMedium, type Medium, mediaAddress, replaceInStimuli } from '@/api/media'
import { MaybeFollow } from '@/bulk/MaybeFollow'
import { PreviewPane, usePreview } from '@/bulk/PreviewPane'
import { useMany } from '@/bulk/useMany'
import { FileButton } from '@/editor/media/FileButton'
import { texts } from '@/messages'
import { FormDialog } from '@/ui/FormDialog'
import { Message } from '@/ui/Message'
import { useToast } from '@/ui/Toasts'

const words = texts.media
type Props = { bank: string; medium: Medium; questions: number; stimuli: number; onClose: () => void }

/** A new file in the place of one, in every question that shows it: looked at first, done as one act that can be undone. */
export function ReplaceMedium({ bank, medium, questions, stimuli, onClose }: Props) {
  const client = useQueryClient()
  const tell = useToast()
  const [by, setBy] = useState<Medium | null>(null)
  const [problem, setProblem] = useState<string | null>(null)
  const target = { filter: `medium=${encodeURIComponent(medium.id)}` }
  const change = by ? { content: { media: { from: medium.id, to: by.id } } } : null
  const preview = usePreview(bank, target, change)
  const begin = async () => {
    if (!by) throw new Error(words.replaceBy)
    const act = await changeMany(bank, target, change ?? {})
    // the new file goes by what the old one was called and said, unless it says something itself
    await changeMedium(bank, by.id, { name: medium.name, ...(by.alt === null ? { alt: medium.alt } : {}) })
    if (stimuli > 0) {
      const changed = await replaceInStimuli(bank, medium.id, by.id)
      const undo = () =>
        replaceInStimuli(bank, by.id, medium.id, changed).then(() => client.invalidateQueries({ queryKey: ['bank', bank] }))
      tell({ text: words.replacedStimuli({ n: changed.length }), undo })
    }
    await changeMedium(bank, medium.id, { binned: true })
    client.invalidateQueries({ queryKey: ['bank', bank] })
    return act
  }
  const many = useMany(begin, onClose)
  const take = async (file: File) => {
    setProblem(null)
    try {
      const { medium: added } = await addMedium(bank, file)
      if (added.id === medium.id) setProblem(words.replaceSame)
      else if (added.type.split('/')[0] !== medium.type.split('/')[0]) setProblem(words.replaceKind)
      else setBy(added)
    } catch (refused) {
      setProblem(words.refused({ name: file.name, why: refused instanceof Error ? refused.message : '' }))
    }
  }
  return (
    <MaybeFollow act={many.act} title={words.replaceTitle({ name: medium.name })} onClose={onClose}>
      <FormDialog
        wide
        onClose={onClose}
        title={words.replaceTitle({ name: medium.name })}
        about={words.replaceAbout}
        go={words.replaceGo({ n: questions })}
        disabled={by === null || many.pending}
        onSubmit={many.begin}
        className="grid grid-cols-2 gap-6 max-md:grid-cols-1"
      >
        <div className="flex flex-col gap-3">
          <p>
            <FileButton label={words.replaceBy} onFiles={([file]) => file && take(file)} />
          </p>
          {problem ? <Message look="problem">{problem}</Message> : null}
          {by?.type.startsWith('image/') ? (
            <img src={`${mediaAddress(bank, by.id)}?width=480`} alt={by.name} className="max-h-56 max-w-full self-start object-contain" />
          ) : by ? (
            <p>{by.name}</p>
          ) : null}
          {stimuli > 0 ? <p className="text-second">{words.replaceStimuli({ n: stimuli })}</p> : null}
        </div>
        <div className="flex flex-col gap-3">
          {many.problem ? <Message look="problem">{many.problem}</Message> : null}
          <PreviewPane preview={preview} />
        </div>
      </FormDialog>
    </MaybeFollow>
  )
}
