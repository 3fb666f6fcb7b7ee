import { useState } from 'react'
import { useLocation } from 'react-router'
import { isPublic } from '@/lib/isPublic'
import { lazily } from '@/lib/lazily'
import { texts } from '@/messages'
import { CommandList } from '@/ui/CommandList'
import { ctrl, single, useCommandStore, useCommands } from '@/ui/commands'
import { useNamed } from '@/ui/useNamed'

const KeyList = lazily(() => import('./KeyList'), 'KeyList')

/**
 * The list of commands and the list of keys. It is mounted above the screens and asks only for the address, so that a key pressed or a word
 * typed while a screen is being loaded is not lost; before signing in there are no commands to list.
 */
export function CommandPalette() {
  const { all, shown, show } = useCommandStore()
  const { pathname } = useLocation()
  const [typed, setTyped] = useState('')
  const named = useNamed(shown === 'commands' ? typed : '')
  const group = texts.frame.groups.view
  useCommands(
    'palette',
    isPublic(pathname)
      ? []
      : [
          { id: 'commands', group, title: texts.frame.commands, keys: 'Ctrl K', on: ctrl('k'), run: () => show('commands') },
          { id: 'keys', group, title: texts.frame.keys, keys: '?', single: true, on: single('?'), run: () => show('keys') },
        ],
  )
  return (
    <>
      <CommandList
        open={shown === 'commands'}
        onClose={() => show(null)}
        commands={[...all.values()]
          .reverse()
          .flat()
          .filter((one) => !one.isKeyOnly)}
        found={named}
        onType={setTyped}
        words={{ title: texts.frame.commands, placeholder: texts.frame.commandsHint, nothing: texts.frame.noCommand }}
      />
      {shown === 'keys' ? <KeyList open onClose={() => show(null)} /> : null}
    </>
  )
}
