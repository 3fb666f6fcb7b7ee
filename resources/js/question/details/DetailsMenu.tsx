import { texts } from '@/messages'
import { Button } from '@/ui/Button'
import { Menu } from '@/ui/Menu'
import { DETAILS, keyOf, useDetails } from './useDetails'

/** Chooses what stands beside questions; it stays open, since often several are wanted. */
export function DetailsMenu() {
  const { has, toggle } = useDetails()
  return (
    <Menu.Root align="end" button={<Button look="quiet">{texts.details.button}</Button>}>
      <Menu.Label>{texts.details.about}</Menu.Label>
      {DETAILS.map((detail) => (
        <Menu.Tick key={detail} checked={has(detail)} keys={keyOf(detail)} onChange={() => toggle(detail)}>
          {texts.details.names[detail]}
        </Menu.Tick>
      ))}
      <Menu.Label>{texts.details.hint}</Menu.Label>
    </Menu.Root>
  )
}
