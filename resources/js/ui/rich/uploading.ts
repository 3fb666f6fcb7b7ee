import type { Editor } from '@tiptap/core'
import { Extension } from '@tiptap/core'
import { Plugin, PluginKey } from '@tiptap/pm/state'
import { Decoration, DecorationSet } from '@tiptap/pm/view'
import type { MediaDesk } from '../media'
import type { Pasted } from './paste/pasted'
import { fileOf } from './paste/pictures'
import { contentOf } from './placed'
import { STEP } from './step'

/** Where pictures will stand that are on their way: marks that move with the text and are no part of it. */
const key = new PluginKey<DecorationSet>('uploading')
type Act = { add: object; at: number; words: string } | { remove: object }

export const uploading = Extension.create({
  name: 'uploading',
  addProseMirrorPlugins: () => [
    new Plugin<DecorationSet>({
      key,
      state: {
        init: () => DecorationSet.empty,
        apply: (tr, set) => {
          const moved = set.map(tr.mapping, tr.doc)
          const act: Act | undefined = tr.getMeta(key)
          if (!act) return moved
          if ('remove' in act) return moved.remove(moved.find(undefined, undefined, (spec) => spec.id === act.remove))
          const mark = document.createElement('span')
          mark.className = 'picture-coming'
          mark.textContent = act.words
          return moved.add(tr.doc, [Decoration.widget(act.at, mark, { id: act.add })])
        },
      },
      props: { decorations: (state) => key.getState(state) },
    }),
  ],
})

/** Marks a place; gives back where it has moved to, and takes the mark away. */
function mark(editor: Editor, at: number, words: string): () => number | null {
  const id = {}
  editor.view.dispatch(editor.state.tr.setMeta(key, { add: id, at, words }))
  return () => {
    if (editor.isDestroyed) return null
    const [found] = key.getState(editor.state)?.find(undefined, undefined, (spec) => spec.id === id) ?? []
    editor.view.dispatch(editor.state.tr.setMeta(key, { remove: id }))
    return found?.from ?? null
  }
}

/** Uploads files; the pictures stand where they were put, whatever is typed meanwhile. */
export async function uploadHere(editor: Editor, desk: MediaDesk, files: File[], at: number, words: string) {
  const moved = mark(editor, at, words)
  const pictures = (await desk.upload(files)).filter((one) => one !== null)
  const place = moved()
  if (place !== null && pictures.length > 0) editor.chain().setMeta(STEP, true).insertContentAt(place, contentOf(pictures)).run()
}

/** Puts HTML in whose pictures came along, each uploaded first and standing where it stood. */
export async function pasteWithPictures(editor: Editor, desk: MediaDesk, pasted: Pasted, words: string) {
  const { from, to } = editor.state.selection
  if (from !== to) editor.commands.deleteRange({ from, to })
  const moved = mark(editor, from, words)
  const known = pasted.pictures.flatMap((picture, i) => {
    const file = fileOf(picture, i)
    return file ? [{ picture, file }] : []
  })
  const uploaded = await desk.upload(
    known.map(({ file }) => file),
    known.map(({ picture }) => picture.getAttribute('alt')),
  )
  for (const [i, { picture }] of known.entries()) {
    const now = uploaded[i]
    if (now?.kind !== 'picture') continue
    const ours = document.createElement('img')
    ours.setAttribute('data-media', now.id)
    if (now.alt !== null) ours.setAttribute('alt', now.alt)
    if (now.width) ours.setAttribute('width', String(now.width))
    picture.replaceWith(ours)
  }
  for (const picture of pasted.body.querySelectorAll('img:not([data-media])')) picture.remove()
  const place = moved()
  if (place !== null) editor.chain().setMeta(STEP, true).insertContentAt(place, pasted.body.innerHTML).run()
}
