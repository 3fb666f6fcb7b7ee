import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { addMedium, makeCaptions, mediaAddress, mediumQuery } from '@/api/media'
import { texts } from '@/messages'
import { Button } from '@/ui/Button'
import { Field } from '@/ui/Field'
import { FormDialog } from '@/ui/FormDialog'
import { Message } from '@/ui/Message'
import type { Recorded } from '@/ui/media'
import { Recording } from '@/ui/Recording'
import { FileButton } from './FileButton'

const words = texts.rich.recording
const MOST_PLAYS = 20
type Props = {
  bank: string
  recording: Recorded
  isNew: boolean
  onDone: (said: Recorded | 'gone' | null) => void
  onReplace: (said: Recorded) => void
}

/** What a recording is called, what is said in it, and how often it may be played. */
export function DescribeRecording({ bank, recording, isNew, onDone, onReplace }: Props) {
  const [title, setTitle] = useState(recording.title ?? '')
  const [transcript, setTranscript] = useState(recording.transcript ?? '')
  const [captions, setCaptions] = useState(recording.captions)
  const [plays, setPlays] = useState(recording.plays === null ? '' : String(recording.plays))
  const [problem, setProblem] = useState<string | null>(null)
  const named = useQuery({ ...mediumQuery(bank, captions ?? ''), enabled: captions !== null }).data
  const times = Math.round(Number(plays))
  const said: Recorded = {
    kind: recording.kind,
    id: recording.id,
    title: title.trim() || null,
    captions,
    transcript: transcript.trim() || null,
    plays: times > 0 ? Math.min(MOST_PLAYS, times) : null,
  }
  const make = async (from: () => Promise<{ medium: { id: string; type: string } }>) => {
    setProblem(null)
    try {
      const { medium } = await from()
      if (medium.type === 'text/vtt') setCaptions(medium.id)
      else setProblem(words.notCaptions)
    } catch (refused) {
      setProblem(refused instanceof Error ? refused.message : '')
    }
  }
  return (
    <FormDialog
      title={words.about[recording.kind]}
      go={isNew ? words.insert[recording.kind] : words.save}
      onClose={() => onDone(null)}
      onSubmit={() => onDone(said)}
    >
      <Recording
        key={captions}
        kind={recording.kind}
        source={mediaAddress(bank, recording.id)}
        {...(captions ? { captions: mediaAddress(bank, captions) } : {})}
      />
      <div className="flex flex-wrap gap-2">
        <Button onClick={() => onReplace(said)}>{words.another}</Button>
        {isNew ? null : (
          <span className="ml-auto">
            <Button onClick={() => onDone('gone')}>{texts.rich.picture.remove}</Button>
          </span>
        )}
      </div>
      <Field.Root>
        <Field.Label>{words.title}</Field.Label>
        <Field.Text value={title} maxLength={300} onChange={(event) => setTitle(event.target.value)} />
        <p className="text-caption text-quiet">{words.titleAbout}</p>
      </Field.Root>
      <Field.Root problem={problem}>
        <Field.Label>{words.transcript}</Field.Label>
        <Field.Area rows={6} maxLength={20_000} value={transcript} onChange={(event) => setTranscript(event.target.value)} />
        <p className="text-caption text-quiet">{words.transcriptAbout}</p>
      </Field.Root>
      <div className="flex flex-wrap items-center gap-2">
        <span className="text-second">
          {words.captions}: {captions === null ? words.noCaptions : (named?.name ?? '…')}
        </span>
        <Button
          aria-disabled={transcript.trim() === ''}
          onClick={() => transcript.trim() === '' || make(() => makeCaptions(bank, recording.id, transcript))}
        >
          {words.make}
        </Button>
        <FileButton label={words.upload} accept=".vtt,text/vtt" onFiles={([file]) => file && make(() => addMedium(bank, file))} />
        {captions === null ? null : <Button onClick={() => setCaptions(null)}>{words.none}</Button>}
      </div>
      <Field.Root>
        <Field.Label>{words.playsLabel}</Field.Label>
        <Field.Text
          type="number"
          min={1}
          max={MOST_PLAYS}
          step={1}
          className="w-28"
          placeholder={words.unlimited}
          value={plays}
          onChange={(event) => setPlays(event.target.value)}
        />
      </Field.Root>
      {captions === null && said.transcript === null ? <Message look="attention">{words.unheardAbout}</Message> : null}
    </FormDialog>
  )
}
