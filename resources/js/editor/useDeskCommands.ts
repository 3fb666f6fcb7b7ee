import { texts } from '@/messages'
import { altShift, ctrl, useCommands } from '@/ui/commands'
import { keysOfWriting } from '@/ui/rich/keys'
import { toPlace } from './places'

type Acts = {
  save: () => void
  another: { title: string; run: () => void } | null
  undo: () => unknown
  redo: () => unknown
  replace: () => void
  keepStart: () => void
  duplicate: (() => void) | null
  showTab: (tab: string) => void
}

/** What can be done on the desk, with its keys. */
export function useDeskCommands({ save, another, undo, redo, replace, keepStart, duplicate, showTab }: Acts) {
  const group = texts.frame.groups.here
  useCommands('writing', keysOfWriting())
  useCommands('desk', [
    { id: 'save', group, title: texts.desk.saveKey, keys: 'Ctrl S', on: ctrl('s'), run: save },
    ...(another ? [{ id: 'another', group, title: another.title, keys: 'Ctrl Enter', on: ctrl('enter'), run: another.run }] : []),
    { id: 'next', group, title: texts.starts.next, keys: 'Alt Shift ↓', on: altShift('arrowdown'), run: () => toPlace(1) },
    { id: 'previous', group, title: texts.starts.previous, keys: 'Alt Shift ↑', on: altShift('arrowup'), run: () => toPlace(-1) },
    { id: 'replace', group, title: texts.starts.replace.title, keys: 'Alt Shift F', on: altShift('f'), run: replace },
    { id: 'keep-start', group, title: texts.starts.keep, run: keepStart },
    { id: 'remove-row', group, title: texts.desk.removeRow, keys: 'Alt Delete', on: isAltDelete, run: removeRow },
    { id: 'undo', group, title: texts.desk.undo, keys: 'Ctrl Z', on: ctrl('z'), run: undo },
    { id: 'redo', group, title: texts.desk.redo, keys: 'Ctrl Shift Z', on: isRedo, run: redo },
    ...(duplicate ? [{ id: 'like', group, title: texts.bank.duplicate, keys: 'Alt Shift D', on: altShift('d'), run: duplicate }] : []),
    ...Object.entries(texts.desk.tabs).map(([id, title]) => ({
      id: `tab-${id}`,
      group: texts.frame.groups.view,
      title,
      run: () => showTab(id),
    })),
  ])
}

const isAltDelete = (event: KeyboardEvent) => event.altKey && (event.key === 'Delete' || event.key === 'Backspace')

/** Ctrl Shift Z or Ctrl Y. */
const isRedo = (event: KeyboardEvent) => {
  const key = event.key.toLowerCase()
  return (event.ctrlKey || event.metaKey) && (event.shiftKey ? key === 'z' : key === 'y')
}

/** Deletes the row with the cursor. Its button is not a tab stop, where Space would delete by accident. */
function removeRow() {
  const row = (button: Element) => button.closest('th,tr,li') ?? button.parentElement
  const buttons = [...document.querySelectorAll<HTMLElement>('[data-remove]')]
  buttons.find((button) => row(button)?.contains(document.activeElement))?.click()
}
