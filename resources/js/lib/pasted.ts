/** Characters of a paste that is read with its looks. */
export const MOST_PASTED = 5_000_000

/** Whether a paste has looks, lists, tables or pictures, which plain text would lose. */
export function isFormatted(html: string): boolean {
  return /<(?:b|strong|i|em|u|s|del|mark|font|ol|ul|table|img|math|sup|sub|h[1-6])\b|(?:background|color|font-weight|text-decoration)[^;"']*:/i.test(
    html,
  )
}

/** How many typed questions a paste holds: numbers that run on, and options or answers below them. */
export function typedQuestions(text: string): number {
  const lines = text.split(/\r?\n/)
  const numbers = lines.flatMap((line) => /^\s*(?:question\s*)?\(?(\d{1,3})[.):]\s+\S/i.exec(line)?.[1] ?? []).map(Number)
  const runsOn = numbers.filter((number, at) => at === 0 || number === (numbers[at - 1] ?? 0) + 1).length
  const answers = lines.filter((line) => /^\s*(?:\(?[a-h][.)]\s|[☐☑□○]|answers?\s*:|ans\b)/i.test(line)).length
  return answers > 0 && runsOn > 1 ? runsOn : 0
}
