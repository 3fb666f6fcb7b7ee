import type { Editor } from '@tiptap/core'
import { Extension } from '@tiptap/core'
import { Plugin, PluginKey } from '@tiptap/pm/state'
import { Decoration, DecorationSet } from '@tiptap/pm/view'
import type { MediaDesk, Picture } from '../media'
import { insertHere } from './insertHere'
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

const content = (pictures: Picture[]) => pictures.map(({ id, alt, width }) => ({ type: 'picture', attrs: { id, alt, width } }))

/** Puts pictures in where the cursor is. */
export const insertPictures = (editor: Editor, pictures: Picture[]) => insertHere(editor, content(pictures))

/** Uploads files; the pictures stand where they were put, whatever is typed meanwhile. */
export async function uploadHere(editor: Editor, desk: MediaDesk, files: File[], at: number, words: string) {
  const id = {}
  editor.view.dispatch(editor.state.tr.setMeta(key, { add: id, at, words }))
  const pictures = await desk.upload(files)
  if (editor.isDestroyed) return
  const [mark] = key.getState(editor.state)?.find(undefined, undefined, (spec) => spec.id === id) ?? []
  editor.view.dispatch(editor.state.tr.setMeta(key, { remove: id }))
  if (mark && pictures.length > 0) editor.chain().setMeta(STEP, true).insertContentAt(mark.from, content(pictures)).run()
}
