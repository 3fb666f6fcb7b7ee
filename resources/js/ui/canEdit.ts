import { generateHTML, generateJSON } from '@tiptap/core'
import { extensions } from './editorExtensions'

const known = extensions({ part: (id) => id })

/** Whether the editor gives a text back as it got it. Anything else it would lose, so such a text is shown and left alone. */
export function canEdit(html: string): boolean {
  try {
    return plain(generateHTML(generateJSON(html, known), known)) === plain(html)
  } catch {
    return false
  }
}

/** The same text in one form, whatever is told by outer tags alone. */
function plain(html: string): string {
  const body = new DOMParser().parseFromString(html, 'text/html').body
  for (const item of body.querySelectorAll('li > p:only-child')) item.replaceWith(...item.childNodes)
  const blocks = body.querySelectorAll('p:empty')
  for (const block of blocks) block.remove()
  const text = body.innerHTML
    .replace(/\s+/g, ' ')
    .replace(/ ?(<\/?(?:p|li|ul|ol|div|h[3-5]|blockquote)\b[^>]*>) ?/g, '$1')
    .trim()
  return text.startsWith('<') && /^<(p|div|h\d|ul|ol|pre|blockquote|table)/.test(text) ? text : `<p>${text}</p>`
}
