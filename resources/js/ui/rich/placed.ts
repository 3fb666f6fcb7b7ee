import type { Content, Editor } from '@tiptap/core'
import type { Node as PmNode } from '@tiptap/pm/model'
import { TextSelection } from '@tiptap/pm/state'
import type { Picture, Placed } from '../media'
import { insertHere } from './insertHere'
import { STEP } from './step'

/** What stands in a text of the library, as the desk knows it; null for anything else. */
export function placedOf({ type, attrs }: PmNode): Placed | null {
  if (type.name === 'recording') {
    const { kind, id, title, captions, transcript, plays } = attrs
    return { kind, id, title, captions, transcript, plays: plays === null ? null : Number(plays) }
  }
  if (type.name !== 'picture' && type.name !== 'figure') return null
  const { id, alt, width, view, align } = attrs
  return { kind: 'picture', id, alt, width, view, figure: type.name === 'figure' ? (align ?? 'left') : null }
}

function attrsOf(placed: Placed) {
  if (placed.kind !== 'picture') return placed
  const { id, alt, width, view, figure } = placed
  return { id, alt, width, view, align: figure === 'left' ? null : figure }
}

const typeOf = (placed: Placed) => (placed.kind !== 'picture' ? 'recording' : placed.figure ? 'figure' : 'picture')

export const contentOf = (placed: Placed[]): Content => placed.map((one) => ({ type: typeOf(one), attrs: attrsOf(one) }))

/** Puts them in where the cursor is; of a figure the caption is written next. */
export function insertPlaced(editor: Editor, placed: Placed[]) {
  const from = insertHere(editor, contentOf(placed))
  const { doc, tr } = editor.state
  let caption: number | null = null
  doc.nodesBetween(Math.max(0, from - 1), Math.min(doc.content.size, from + 3), (node, at) => {
    if (node.type.name === 'figure' && at >= from - 1) caption ??= at + 1
    return caption === null
  })
  if (caption !== null) editor.view.dispatch(tr.setSelection(TextSelection.create(doc, caption)))
}

/** Another picture or other words in the place of one, as a step of its own. What a figure says in its caption is never lost. */
export function changePlaced(editor: Editor, at: number, node: PmNode, said: Placed | 'gone') {
  const { schema, tr } = editor.state
  tr.setMeta(STEP, true)
  const caption = node.type.name === 'figure' ? node.content : null
  const line = (picture?: PmNode) => {
    const words = caption && caption.size > 0 ? [...(picture ? [picture, schema.text(' ')] : []), ...caption.content] : picture
    return schema.nodes.paragraph?.create(null, words) ?? []
  }
  const type = said === 'gone' ? undefined : schema.nodes[typeOf(said)]
  if (said === 'gone' || !type) {
    editor.view.dispatch(caption && caption.size > 0 ? tr.replaceWith(at, at + node.nodeSize, line()) : tr.delete(at, at + node.nodeSize))
    return
  }
  const height = sameSize(placedOf(node), said) ? node.attrs.height : null
  if (type === node.type) {
    editor.view.dispatch(tr.setNodeMarkup(at, undefined, { ...node.attrs, ...attrsOf(said), height }))
    return
  }
  const made = type.create({ ...attrsOf(said), height }, type.name === 'figure' ? (caption ?? undefined) : undefined)
  editor.view.dispatch(tr.replaceWith(at, at + node.nodeSize, node.type.name === 'figure' ? line(made) : made))
}

const sameSize = (before: Placed | null, now: Placed) =>
  before?.kind === 'picture' && now.kind === 'picture'
    ? before.width === now.width && before.view === now.view && before.id === now.id
    : before?.id === now.id

/** A picture that is put in as it comes. */
export const asPicture = (id: string, alt: string | null, width: number | null): Picture => ({
  kind: 'picture',
  id,
  alt,
  width,
  view: null,
  figure: null,
})
