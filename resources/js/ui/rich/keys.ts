import { texts } from '@/messages'

/** Keys of what is done while writing; the bar shows them with its buttons, and the list of keys all of them. */
export const formatKeys = {
  bold: 'Ctrl B',
  italic: 'Ctrl I',
  underline: 'Ctrl U',
  strike: 'Ctrl Shift S',
  sub: 'Ctrl ,',
  sup: 'Ctrl .',
  code: 'Ctrl E',
  list: 'Ctrl Shift 8',
  numbers: 'Ctrl Shift 7',
  link: 'Alt Shift L',
  picture: 'Alt Shift P',
  recording: 'Alt Shift R',
  equation: 'Alt Shift E',
  symbols: 'Alt Shift S',
  rule: 'Ctrl Shift −',
} as const

const styles = {
  text: 'Ctrl Alt 0',
  h3: 'Ctrl Alt 3',
  h4: 'Ctrl Alt 4',
  h5: 'Ctrl Alt 5',
  quote: 'Ctrl Shift B',
  pre: 'Ctrl Alt C',
} as const

/** For the list of keys: an editor does them, wherever the cursor is in one. */
export function keysOfWriting() {
  const group = texts.frame.groups.writing
  const entry = (title: string, keys: string) => ({ id: `writing-${keys}`, group, title, keys, isKeyOnly: true, run: () => undefined })
  const bar = Object.entries(formatKeys) as [keyof typeof formatKeys, string][]
  const kinds = Object.entries(styles) as [keyof typeof styles, string][]
  return [
    ...bar.map(([name, keys]) => entry(texts.rich.bar[name], keys)),
    ...kinds.map(([name, keys]) => entry(texts.rich.style[name], keys)),
    entry(texts.rich.clear, 'Ctrl \\'),
  ]
}
