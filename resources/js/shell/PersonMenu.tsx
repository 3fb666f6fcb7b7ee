import { memo } from 'react'
import { useLocation, useNavigate } from 'react-router'
import type { Answers } from '@/api/schema'
import { texts } from '@/messages'
import { Menu } from '@/ui/Menu'
import { helpFor } from './pageFor'

const face = 'relative flex size-8 flex-none items-center justify-center rounded-full bg-information text-caption font-bold text-page'

type Props = {
  person: Answers['GET /me']['data']
  scheme: string
  onScheme: (scheme: string) => void
  onShowKeys: () => void
  onLeave: () => void
}

/** Who is signed in, and what is theirs: account, news, keys, colours, the way out. */
export const PersonMenu = memo(function PersonMenu({ person, scheme, onScheme, onShowKeys, onLeave }: Props) {
  const navigate = useNavigate()
  const here = useLocation()
  return (
    <Menu.Root
      align="end"
      button={
        <button
          type="button"
          aria-label={[
            texts.frame.person({ name: person.name }),
            initials(person.name),
            ...(person.unread > 0 ? [texts.frame.unread({ n: person.unread })] : []),
          ].join(', ')}
          title={texts.frame.person({ name: person.name })}
          className={face}
        >
          {initials(person.name)}
          {person.unread > 0 ? (
            <span className="-top-0.5 -right-0.5 absolute size-3 rounded-full border-2 border-paper bg-attention" aria-hidden="true" />
          ) : null}
        </button>
      }
    >
      <Menu.Label>{person.name}</Menu.Label>
      <Menu.Item onSelect={() => navigate('/account')}>{texts.frame.accountSettings}</Menu.Item>
      {person.unread > 0 ? <Menu.Item onSelect={() => navigate('/account')}>{texts.frame.unread({ n: person.unread })}</Menu.Item> : null}
      <Menu.Item onSelect={() => navigate('/work')}>{texts.frame.work}</Menu.Item>
      {person.is_administrator ? <Menu.Item onSelect={() => navigate('/people')}>{texts.frame.people}</Menu.Item> : null}
      <Menu.Line />
      <Menu.Item onSelect={onShowKeys} keys="?">
        {texts.frame.keys}
      </Menu.Item>
      <Menu.Item onSelect={() => navigate(helpFor(here.pathname))} keys="F1">
        {texts.help.title}
      </Menu.Item>
      <Menu.Item onSelect={() => navigate('/help/formats')}>{texts.frame.formats}</Menu.Item>
      <Menu.Line />
      <Menu.Label>{texts.frame.scheme}</Menu.Label>
      <Menu.Choice value={scheme} options={Object.entries(texts.frame.schemes)} onChange={onScheme} />
      <Menu.Line />
      <Menu.Item onSelect={onLeave}>{texts.signIn.out}</Menu.Item>
    </Menu.Root>
  )
})

function initials(name: string): string {
  const words = name.split(/\s+/)
  return `${words[0]?.[0] ?? ''}${words.length > 1 ? (words.at(-1)?.[0] ?? '') : ''}`.toUpperCase()
}
