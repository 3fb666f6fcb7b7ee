const meta = document.querySelector<HTMLMetaElement>('meta[name=quarry-settings]')

type Settings = {
  demo?: boolean
  gallery?: boolean
  /** How large a medium may be, and above what size it is sent in pieces (core/src/Media/MediaLimits.php). */
  media?: { bytes: { image: number; audio: number; video: number }; pixels: number; seconds: number; atOnce: number }
}

/** What the server says about this installation. */
export const settings: Settings = meta ? JSON.parse(meta.content) : {}

const MILLION = 1_000_000
/** The limits of media for people: MB, and millions of pixels. */
export const mediaLimits = {
  image: (settings.media?.bytes.image ?? 0) / MILLION,
  audio: (settings.media?.bytes.audio ?? 0) / MILLION,
  video: (settings.media?.bytes.video ?? 0) / MILLION,
  pixels: (settings.media?.pixels ?? 0) / MILLION,
  minutes: (settings.media?.seconds ?? 0) / 60,
}
