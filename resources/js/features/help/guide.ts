import { Lexer, parser, type Token } from 'marked'
import { slug } from '@/lib/helpPages'
import source from '../../../../docs/users/README.md?raw'

export type Section = { id: string; title: string; level: number; html: string; text: string }

/** The guide from docs/users, split into sections, without pictures. */
export function sections(markdown: string = source): Section[] {
  const found: Section[] = []
  let inside: Token[] = []
  const close = () => {
    const last = found.at(-1)
    if (!last) return
    last.html = parser(inside)
      .replace(/<img[^>]*>/g, '')
      .replace(/<p>\s*<\/p>/g, '')
    last.text = new DOMParser().parseFromString(last.html, 'text/html').body.textContent?.replace(/\s+/g, ' ').trim() ?? ''
    inside = []
  }
  for (const token of new Lexer().lex(markdown)) {
    if (token.type === 'heading') {
      close()
      const first = found.length === 0
      found.push({ id: first ? 'start' : slug(token.text), title: token.text, level: first ? 2 : token.depth, html: '', text: '' })
    } else inside.push(token)
  }
  close()
  return found
}

/** Sections that contain all the words, with an excerpt around the first. */
export function search(all: Section[], typed: string): { section: Section; around: string }[] {
  const words = typed.toLowerCase().split(/\s+/).filter(Boolean)
  return all.flatMap((section) => {
    const text = section.text.toLowerCase()
    const title = section.title.toLowerCase()
    if (!words.every((word) => text.includes(word) || title.includes(word))) return []
    const at = Math.max(0, ...words.slice(0, 1).map((word) => text.indexOf(word)))
    const from = Math.max(0, text.lastIndexOf(' ', Math.max(0, at - 60)))
    return [{ section, around: `${from > 0 ? '… ' : ''}${section.text.slice(from, from + 180).trim()} …` }]
  })
}
