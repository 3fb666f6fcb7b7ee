import type { Size } from './area'

/** The picture of a part (core/schema/common.json, picture): places on it are in its width and height, at whatever size it is shown. */
export type PartPicture = { media: string; alt: string; width: number; height: number }

const USUAL: Size = { width: 800, height: 600 }

/** How large a picture is by itself; drawings without a size of their own get a usual one. */
export function measure(address: string): Promise<Size> {
  return new Promise((resolve) => {
    const image = new Image()
    image.onload = () =>
      resolve(image.naturalWidth > 0 && image.naturalHeight > 0 ? { width: image.naturalWidth, height: image.naturalHeight } : USUAL)
    image.onerror = () => resolve(USUAL)
    image.src = address
  })
}

/** A place of the pointer in units of the picture, within it. */
export function placeOf(element: Element | null, size: Size, event: { clientX: number; clientY: number }) {
  const box = element?.getBoundingClientRect()
  if (!box || box.width === 0 || box.height === 0) return { x: 0, y: 0 }
  const within = (value: number, most: number) => Math.round(Math.min(Math.max(value, 0), most))
  return {
    x: within(((event.clientX - box.left) / box.width) * size.width, size.width),
    y: within(((event.clientY - box.top) / box.height) * size.height, size.height),
  }
}
