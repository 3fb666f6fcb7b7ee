import { Editor } from '@tiptap/core'
import { NodeSelection } from '@tiptap/pm/state'
import { expect, it } from 'vitest'
import { extensions } from '../editorExtensions'

const figure = '<figure data-align="center"><img alt="x" data-media="m1" width="100"><figcaption>A bed</figcaption></figure>'

it('stays selected while keys change its width, and keeps its caption when it goes into a line of text', async () => {
  const { changePlaced } = await import('./placed')
  const editor = new Editor({ element: document.createElement('div'), extensions: extensions({ part: (id) => id }), content: figure })
  const { state, view } = editor
  view.dispatch(state.tr.setSelection(NodeSelection.create(state.doc, 0)))
  const key = (name: string, more = {}) =>
    view.someProp('handleKeyDown', (handle) => handle(view, new KeyboardEvent('keydown', { key: name, ...more })))
  key('ArrowRight', { altKey: true })
  key('+')
  expect(editor.getHTML()).toContain('width="121"')
  expect(view.dom.querySelector('figure')?.className).toBe('align-center ProseMirror-selectednode')

  const node = editor.state.doc.nodeAt(0)
  if (node) changePlaced(editor, 0, node, { kind: 'picture', id: 'm1', alt: 'x', width: 121, view: null, figure: null })
  expect(editor.getHTML()).toBe('<p><img alt="x" data-media="m1" width="121"> A bed</p>')
  editor.destroy()
})
