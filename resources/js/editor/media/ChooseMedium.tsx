import { useInfiniteQuery, useQueryClient } from '@tanstack/react-query'
import { AudioLines } from 'lucide-react'
import { useState } from 'react'
import { addMedium, type Medium, mediaAddress, mediaQuery } from '@/api/media'
import { useDebouncedValue } from '@/lib/useDebouncedValue'
import { texts } from '@/messages'
import { mediaLimits } from '@/settings'
import { Asked } from '@/ui/Asked'
import { Button } from '@/ui/Button'
import { Dialog } from '@/ui/Dialog'
import { control } from '@/ui/Field'
import { Message } from '@/ui/Message'
import { FileButton } from './FileButton'

const words = texts.rich.picture
const kinds = { picture: ['image'], recording: ['audio', 'video'] }
type Props = { bank: string; kind: 'picture' | 'recording'; onPick: (picked: Medium | null) => void }

/** A picture or recording of the library, or one that is uploaded here. */
export function ChooseMedium({ bank, kind, onPick }: Props) {
  const isFit = (medium: Medium) => kinds[kind].some((one) => medium.type.startsWith(`${one}/`))
  const said = texts.rich[kind].choose
  const client = useQueryClient()
  const [typed, setTyped] = useState('')
  const [busy, setBusy] = useState(false)
  const [problem, setProblem] = useState<string | null>(null)
  const sought = useDebouncedValue(typed, 150)
  const found = useInfiniteQuery(mediaQuery(bank, `kind=${kinds[kind].join(',')}&words=${encodeURIComponent(sought)}`))
  const rows = found.data?.pages.flatMap((page) => page.data) ?? []
  const send = async (file: File) => {
    setBusy(true)
    setProblem(null)
    try {
      const { medium } = await addMedium(bank, file)
      client.invalidateQueries({ queryKey: ['bank', bank, 'media'] })
      if (isFit(medium)) return onPick(medium)
      setProblem(said.wrong)
    } catch (refused) {
      setProblem(words.refused({ name: file.name, why: refused instanceof Error ? refused.message : '' }))
    }
    setBusy(false)
  }
  return (
    <Dialog open wide onClose={() => onPick(null)} title={said.title} closeName={texts.frame.close}>
      <form className="mb-3 flex flex-wrap items-center gap-3" onSubmit={(event) => event.preventDefault()}>
        <input
          type="search"
          aria-label={words.search}
          placeholder={words.search}
          className={`${control} min-w-60 flex-1`}
          value={typed}
          onChange={(event) => setTyped(event.target.value)}
        />
        <FileButton
          label={busy ? words.uploading({ n: 1 }) : words.upload}
          accept={kinds[kind].map((one) => `${one}/*`).join(',')}
          disabled={busy}
          onFiles={([file]) => file && send(file)}
        />
      </form>
      <p className="mb-3 text-caption text-quiet">
        {kind === 'picture'
          ? words.limits({ mb: mediaLimits.image, pixels: mediaLimits.pixels })
          : texts.rich.recording.choose.limits({ audio: mediaLimits.audio, video: mediaLimits.video, minutes: mediaLimits.minutes })}
      </p>
      {problem ? <Message look="problem">{problem}</Message> : null}
      <Asked query={found} />
      {found.data && rows.length === 0 ? <p className="py-6 text-center text-quiet">{sought === '' ? said.none : said.nothing}</p> : null}
      <ul className="grid grid-cols-[repeat(auto-fill,minmax(148px,1fr))] gap-3">
        {rows.map((medium) => (
          <li key={medium.id}>
            <button
              type="button"
              className="flex h-full w-full flex-col overflow-hidden rounded-ui border border-hairline text-left hover:border-accent focus-visible:border-accent"
              onClick={() => onPick(medium)}
            >
              <span className="flex h-28 w-full items-center justify-center bg-well p-1">
                {kind === 'picture' ? (
                  <img
                    src={`${mediaAddress(bank, medium.id)}?width=480`}
                    alt=""
                    loading="lazy"
                    className="max-h-full max-w-full object-contain"
                  />
                ) : (
                  <AudioLines size={32} className="text-quiet" aria-hidden="true" />
                )}
              </span>
              <span className="block w-full truncate px-2 pt-1 font-semibold">{medium.name}</span>
              <span className="line-clamp-2 px-2 pb-1.5 text-caption text-second">
                {kind === 'recording'
                  ? medium.type
                  : medium.alt === null
                    ? words.undescribed
                    : medium.alt === ''
                      ? words.noted
                      : medium.alt}
              </span>
            </button>
          </li>
        ))}
      </ul>
      {found.hasNextPage ? (
        <Button look="quiet" onClick={() => found.fetchNextPage()}>
          {words.more}
        </Button>
      ) : null}
    </Dialog>
  )
}
