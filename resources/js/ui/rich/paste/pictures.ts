/** The pictures of what is pasted: those that came along, as data: addresses. Those of our own texts name their medium and need nothing. */
export function embeddedPictures(body: HTMLElement): { embedded: HTMLImageElement[]; elsewhere: HTMLImageElement[] } {
  const pictures = [...body.querySelectorAll<HTMLImageElement>('img:not([data-media])')]
  const isEmbedded = (one: HTMLImageElement) => /^data:image\//i.test(one.getAttribute('src') ?? '')
  return { embedded: pictures.filter(isEmbedded), elsewhere: pictures.filter((one) => !isEmbedded(one)) }
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
