import { useContext, useState } from 'react'
import { texts } from '@/messages'
import { PlaysLimited } from './media'

const words = texts.rich.recording
type Props = {
  kind: 'audio' | 'video'
  source: string
  captions?: string | undefined
  title?: string | undefined
  transcript?: string | undefined
  plays?: number | undefined
  width?: string | undefined
  height?: string | undefined
}

/** Sound or film with what is said in it. It begins when somebody wants it to, and as often as the question allows. */
export function Recording({ kind: Player, source, captions, title, transcript, plays, width, height }: Props) {
  const limited = useContext(PlaysLimited)
  const [begun, setBegun] = useState(0)
  const [open, setOpen] = useState(false)
  const over = limited && plays !== undefined && begun >= plays
  return (
    <span className="recording">
      {title ? <span className="recording-title">{title}</span> : null}
      <Player
        src={source}
        controls={!over}
        preload="metadata"
        aria-label={title ?? words[Player]}
        {...(width ? { width } : {})}
        {...(height ? { height } : {})}
        onPlay={(event) => {
          // going on after a pause is the same hearing
          if (event.currentTarget.currentTime < 0.5) setBegun(begun + 1)
        }}
        onEnded={(event) => {
          event.currentTarget.currentTime = 0
        }}
      >
        {captions ? <track kind="captions" src={captions} label={words.captions} default /> : null}
      </Player>
      {plays !== undefined ? (
        <span className="recording-note">
          {limited ? words.left({ n: Math.max(0, plays - begun), of: plays }) : words.plays({ n: plays })}
        </span>
      ) : null}
      {transcript ? (
        <>
          <button type="button" className="recording-more" aria-expanded={open} onClick={() => setOpen(!open)}>
            {words.transcript}
          </button>
          {open ? <span className="recording-transcript">{transcript}</span> : null}
        </>
      ) : null}
    </span>
  )
}
