import type { Target } from '@/api/acts'
import { BinMany } from './BinMany'
import { ChangeMany } from './ChangeMany'
import { PlaceMany } from './PlaceMany'
import { ReplaceMany } from './ReplaceMany'

export type ManyWhat = 'change' | 'place' | 'replace' | 'bin'
export type ManyAsked = { what: ManyWhat; slug: string; target: Target; count: number; atHome: boolean }

/** The dialog for a change of many questions at once. */
export function Many({ asked: { what, atHome, ...rest }, onClose }: { asked: ManyAsked; onClose: () => void }) {
  const props = { ...rest, onClose }
  if (what === 'change') return <ChangeMany {...props} />
  if (what === 'place') return <PlaceMany {...props} atHome={atHome} />
  if (what === 'replace') return <ReplaceMany {...props} />
  return <BinMany {...props} />
}
