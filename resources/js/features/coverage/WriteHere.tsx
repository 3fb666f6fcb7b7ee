import { useNavigate } from 'react-router'
import type { Bank } from '@/api/schema'
import { texts } from '@/messages'
import { Button } from '@/ui/Button'
import { Menu } from '@/ui/Menu'
import type { CoverageAddress } from './useCoverageAddress'

type Props = { at: CoverageAddress; banks: Bank[]; node: string; value: string | null; look?: 'primary' | 'quiet'; name?: string }

/** Begins a question that is classified so; where several banks are looked at, in the one that is chosen. */
export function WriteHere({ at, banks, node, value, look = 'quiet', name }: Props) {
  const navigate = useNavigate()
  const mine = banks.filter((one) => one.my_role !== 'reader' && one.archived !== true)
  const only = at.topics !== '' && at.banks.length === 0 ? [at.topics] : at.banks
  const here = only.length > 0 ? mine.filter((one) => only.includes(one.slug)) : mine
  const go = (slug: string) => navigate(at.writeAt(slug, node, value))
  if (here.length === 0) return null
  if (here.length === 1)
    return (
      <Button look={look} aria-label={name} onClick={() => go(here[0]?.slug ?? '')}>
        {texts.coverage.write}
      </Button>
    )
  return (
    <Menu.Root
      align="end"
      button={
        <Button look={look} aria-label={name}>
          {texts.coverage.write}
        </Button>
      }
    >
      {here.map((one) => (
        <Menu.Item key={one.slug} onSelect={() => go(one.slug)}>
          {one.name}
        </Menu.Item>
      ))}
    </Menu.Root>
  )
}
