/** The name of a place on a picture, written in its row. */
export const nameLook =
  'min-h-7 rounded-t-ui border-transparent border-b-2 bg-transparent px-1 placeholder:text-quiet ' +
  'hover:border-edge focus:border-accent focus:bg-paper'

/** The number of a place, filled where it is right. */
export const numberLook = (right: boolean) =>
  `min-h-7 min-w-7 rounded-full border text-caption ${right ? 'border-accent bg-accent text-on-accent' : 'border-edge text-second'}`
