import { generateHTML, generateJSON } from '@tiptap/core'
import { extensions } from './editorExtensions'
import { wrapSource } from './rich/keptSource'
import { runsOf } from './rich/runsOf'

const known = extensions({ part: (id) => id })

/** Whether the editor gives a text back as it got it: the same blocks, and in them the same words with the same marks. */
export function canEdit(html: string): boolean {
  try {
    return runsOf(generateHTML(generateJSON(html, known), known)) === runsOf(html)
  } catch {
    return false
  }
}

/**
 * A text for the editor, in which every block that it would not give back stands as one piece, unchanged; null where even that would
 * lose something.
 */
export function editable(html: string): string | null {
  if (canEdit(html)) return html
  const { body } = new DOMParser().parseFromString(html, 'text/html')
  for (const block of [...body.children]) if (!canEdit(block.outerHTML)) block.replaceWith(wrapSource(block))
  const wrapped = body.innerHTML
  return runsOf(generateHTML(generateJSON(wrapped, known), known)) === runsOf(html) ? wrapped : null
}
