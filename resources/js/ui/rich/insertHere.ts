import type { Content, Editor } from '@tiptap/core'
import { NodeSelection } from '@tiptap/pm/state'
import { STEP } from './step'

/**
 * Puts something in at the cursor, as a step of its own. An answer or picture that is selected stays, and it comes behind that. The focus
 * is there at once: Tiptap's own way waits for a frame, and a key pressed meanwhile would be lost.
 */
export function insertHere(editor: Editor, content: Content): number {
  const { selection } = editor.state
  const at = selection instanceof NodeSelection ? selection.to : selection.from
  editor.view.focus()
  editor
    .chain()
    .setMeta(STEP, true)
    .insertContentAt(selection instanceof NodeSelection ? at : { from: selection.from, to: selection.to }, content)
    .run()
  return at
}
