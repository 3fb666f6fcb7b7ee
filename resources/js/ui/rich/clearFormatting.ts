import type { Editor } from '@tiptap/core'

/** Marks that are nothing but looks; links, languages and pieces say something. */
const LOOKS = ['bold', 'italic', 'underline', 'strike', 'sub', 'sup', 'code']

/** Back to plain words and paragraphs. */
export const clearFormatting = (editor: Editor): boolean =>
  LOOKS.reduce((chain, mark) => chain.unsetMark(mark), editor.chain().focus())
    .clearNodes()
    .run()
