import { Mark } from '@tiptap/core'
import type { Node } from '@tiptap/pm/model'
import { Plugin } from '@tiptap/pm/state'
import { Decoration, DecorationSet } from '@tiptap/pm/view'

/**
 * A passage somebody remarks on. Two may overlap, so it does not exclude itself. Each shows the number of its remark at its end: remarks
 * are counted in the order in which their passages begin.
 */
export const remarkMark = Mark.create({
  name: 'remark',
  inclusive: false,
  excludes: '',
  addAttributes: () => ({
    id: { parseHTML: (element) => element.getAttribute('data-remark'), renderHTML: (at) => ({ 'data-remark': at.id }) },
  }),
  parseHTML: () => [{ tag: 'span[data-remark]', priority: 80 }],
  renderHTML: ({ HTMLAttributes }) => ['span', HTMLAttributes, 0],
  addProseMirrorPlugins() {
    return [new Plugin({ props: { decorations: (state) => numbers(state.doc) } })]
  },
})

function numbers(doc: Node): DecorationSet {
  const ends = new Map<string, number>()
  doc.descendants((node, at) => {
    for (const mark of node.marks) if (mark.type.name === 'remark') ends.set(String(mark.attrs.id), at + node.nodeSize)
  })
  const all = [...ends.values()].map((end, i) =>
    Decoration.widget(
      end,
      () => {
        const sign = document.createElement('sup')
        sign.className = 'remark-number'
        sign.textContent = String(i + 1)
        return sign
      },
      { side: -1, key: `remark ${i + 1}` },
    ),
  )
  return all.length === 0 ? DecorationSet.empty : DecorationSet.create(doc, all)
}
