import { Node } from '@tiptap/core'
import type { Node as PmNode } from '@tiptap/pm/model'
import { NodeSelection } from '@tiptap/pm/state'
import type { PictureView } from './pictureBox'

/** Attribute of the element → of the node, in the order in which they are kept. */
const names = {
  'data-captions': 'captions',
  'data-media': 'id',
  'data-plays': 'plays',
  'data-transcript': 'transcript',
  height: 'height',
  title: 'title',
  width: 'width',
} as const

export type RecordingWords = { audio: string; video: string; unheard: string }

/** Sound or film of the library in a line of text, to be listened to here and described by Enter. */
export const recordingNode = (view: PictureView & { recording: RecordingWords }) =>
  Node.create({
    name: 'recording',
    group: 'inline',
    inline: true,
    atom: true,
    selectable: true,
    draggable: true,
    addAttributes: () => ({
      kind: { default: 'audio', parseHTML: (element) => element.localName, rendered: false },
      ...Object.fromEntries(
        Object.entries(names).map(([attribute, name]) => [
          name,
          { default: null, parseHTML: (element: HTMLElement) => element.getAttribute(attribute) },
        ]),
      ),
    }),
    parseHTML: () => ['audio[data-media]', 'video[data-media]'].map((tag) => ({ tag, priority: 100 })),
    renderHTML: ({ node: { attrs } }) => [
      attrs.kind,
      Object.fromEntries(
        Object.entries(names).flatMap(([attribute, name]) =>
          attrs[name] === null || attrs[name] === '' ? [] : [[attribute, String(attrs[name])]],
        ),
      ),
    ],
    addKeyboardShortcuts() {
      const describe = () => {
        const { selection } = this.editor.state
        if (!(selection instanceof NodeSelection) || selection.node.type.name !== 'recording' || !view.describe) return false
        view.describe(this.editor, selection.from)
        return true
      }
      return { Enter: describe }
    },
    addNodeView:
      () =>
      ({ node, editor, getPos }) => {
        const dom = document.createElement('span')
        const title = document.createElement('span')
        const player = document.createElement(node.attrs.kind === 'video' ? 'video' : 'audio')
        const note = document.createElement('span')
        dom.className = 'recording recording-node'
        dom.contentEditable = 'false'
        title.className = 'recording-title'
        note.className = 'picture-note'
        player.controls = true
        player.preload = 'metadata'
        player.tabIndex = -1
        dom.append(title, player, note)
        const draw = ({ attrs }: PmNode) => {
          const address = view.media(attrs.id)
          if (player.getAttribute('src') !== address) player.src = address
          title.textContent = attrs.title ?? view.recording[attrs.kind as 'audio' | 'video']
          player.setAttribute('aria-label', title.textContent ?? '')
          const heard = attrs.captions !== null || attrs.transcript !== null
          dom.dataset.undescribed = String(!heard)
          note.textContent = heard ? '' : view.recording.unheard
        }
        draw(node)
        title.addEventListener('dblclick', () => {
          const at = getPos()
          if (at !== undefined) view.describe?.(editor, at)
        })
        return {
          dom,
          update: (now: PmNode) => {
            if (now.type.name !== 'recording' || now.attrs.kind !== player.localName) return false
            draw(now)
            return true
          },
          stopEvent: (event: Event) => event.target === player,
          ignoreMutation: () => true,
        }
      },
  })
