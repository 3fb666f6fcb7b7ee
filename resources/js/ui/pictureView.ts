/** The part of a picture that is shown, in its own pixels, and the size of the whole (core: Content\PictureView). */
export type View = { left: number; top: number; width: number; height: number; ofWidth: number; ofHeight: number }

/** null for the whole picture, and for anything that is no part of one. */
export function readView(written: string | null | undefined): View | null {
  if (!written || !/^\d{1,6}( \d{1,6}){5}$/.test(written)) return null
  const [left = 0, top = 0, width = 0, height = 0, ofWidth = 0, ofHeight = 0] = written.split(' ').map(Number)
  const fits = width >= 1 && height >= 1 && left + width <= ofWidth && top + height <= ofHeight
  return fits && (width < ofWidth || height < ofHeight) ? { left, top, width, height, ofWidth, ofHeight } : null
}

export const writeView = (view: View): string => [view.left, view.top, view.width, view.height, view.ofWidth, view.ofHeight].join(' ')

/** A box that shows no more, and the picture in it: percentages of the width of the box, so it is right at every size. */
export function viewStyles(view: View, width: number | null) {
  const percent = (part: number) => `${(part / view.width) * 100}%`
  return {
    box: { width: `${width ?? view.width}px`, aspectRatio: `${view.width}/${view.height}` },
    picture: { width: percent(view.ofWidth), marginLeft: `-${percent(view.left)}`, marginTop: `-${percent(view.top)}` },
  }
}
