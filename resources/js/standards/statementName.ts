/** What a statement is called in one line: its code and a few words. */
export const statementName = (one: { code: string; title: string; text?: string }) =>
  `${one.code} ${one.title === '' ? (one.text ?? '') : one.title}`.trim()

export const frameworkName = (one: { title: string; version: string }) => `${one.title} ${one.version}`.trim()

/** What all codes of a framework begin with up to a mark, as "FEF." does: said once by the framework's name. */
export function sharedPrefix(codes: string[]): string {
  const [first = '', ...others] = codes.filter((code) => code !== '')
  let length = first.length
  for (const code of others) while (length > 0 && code.slice(0, length) !== first.slice(0, length)) length--
  return others.length === 0 ? '' : first.slice(0, length).replace(/[^.:/\- ]*$/, '')
}
