/** HTML from elsewhere with the pictures in it. */
export type PastedPictures = {
  body: HTMLElement
  /** Those that came along, as data: addresses. */
  embedded: HTMLImageElement[]
  /** How many are on other servers or in files of another program, and are left out. */
  dropped: number
}

/** The pictures of what is pasted; null when it has none. Those of our own texts name their medium and need nothing. */
export function pastedPictures(html: string): PastedPictures | null {
  if (!/<img\b/i.test(html)) return null
  // Parsed without being part of a page: nothing in it runs or loads.
  const { body } = new DOMParser().parseFromString(html, 'text/html')
  const pictures = [...body.querySelectorAll<HTMLImageElement>('img:not([data-media])')]
  const embedded = pictures.filter((one) => /^data:image\//i.test(one.getAttribute('src') ?? ''))
  for (const one of pictures) if (!embedded.includes(one)) one.remove()
  return pictures.length === 0 ? null : { body, embedded, dropped: pictures.length - embedded.length }
}

/** The file in a data: address (RFC 2397); null when it is none. */
export function fileOf(picture: HTMLImageElement, at: number): File | null {
  const [, type = '', base64, data = ''] = /^data:(image\/[\w.+-]+)[^,]*?(;base64)?,(.*)$/is.exec(picture.getAttribute('src') ?? '') ?? []
  if (type === '') return null
  try {
    const bytes = base64
      ? Uint8Array.from(atob(data.replace(/\s/g, '')), (sign) => sign.charCodeAt(0))
      : new TextEncoder().encode(decodeURIComponent(data))
    const ending = type.slice(6).replace('jpeg', 'jpg').replace('svg+xml', 'svg')
    return new File([bytes], `${picture.getAttribute('alt')?.trim().slice(0, 60) || at + 1}.${ending}`, { type })
  } catch {
    return null
  }
}
