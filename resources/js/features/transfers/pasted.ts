/** Characters of a paste that is read with its looks. */
export const MOST_PASTED = 5_000_000

/** Whether a paste has looks, lists, tables or pictures, which plain text would lose. */
export function isFormatted(html: string): boolean {
  return /<(?:b|strong|i|em|u|s|del|mark|font|ol|ul|table|img|math|sup|sub|h[1-6])\b|(?:background|color|font-weight|text-decoration)[^;"']*:/i.test(
    html,
  )
}
