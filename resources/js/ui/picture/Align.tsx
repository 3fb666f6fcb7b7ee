import { AlignStartVertical } from 'lucide-react'
import { texts } from '@/messages'
import { Menu } from '../Menu'
import type { Lining } from './snap'

const words = texts.picture
const ways: Lining[] = ['left', 'middle', 'right', 'top', 'centre', 'bottom', 'across', 'down']
const least = (how: Lining) => (how === 'across' || how === 'down' ? 3 : 2)

/** Puts several things in line, or as far from one another. */
export function Align({ count, className, onAlign }: { count: number; className: string; onAlign: (how: Lining) => void }) {
  return (
    <Menu.Root
      button={
        <button type="button" aria-label={words.align} title={words.align} className={className}>
          <AlignStartVertical size={16} aria-hidden="true" />
        </button>
      }
    >
      {count < 2 ? <Menu.Label>{words.alignSeveral}</Menu.Label> : null}
      {ways.map((how) => (
        <Menu.Item key={how} disabled={count < least(how)} onSelect={() => onAlign(how)}>
          {words.lining[how]}
        </Menu.Item>
      ))}
    </Menu.Root>
  )
}
