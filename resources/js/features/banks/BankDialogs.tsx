import type { Bank } from '@/api/schema'
import { lazily } from '@/lib/lazily'

const RunDialog = lazily(() => import('@/editor/specimens/RunDialog'), 'RunDialog')
const DefaultsDialog = lazily(() => import('@/editor/starts/DefaultsDialog'), 'DefaultsDialog')
const AboutDialog = lazily(() => import('./AboutDialog'), 'AboutDialog')
const ArchiveDialog = lazily(() => import('./ArchiveDialog'), 'ArchiveDialog')
const CopyBankDialog = lazily(() => import('./CopyBankDialog'), 'CopyBankDialog')
const ShareDialog = lazily(() => import('./ShareDialog'), 'ShareDialog')

export type BankDialog = 'share' | 'copy' | 'about' | 'archive' | 'specimens' | 'defaults'

export function BankDialogs({ bank, shown, onClose }: { bank: Bank; shown: BankDialog | null; onClose: () => void }) {
  if (shown === 'share') return <ShareDialog bank={bank} onClose={onClose} />
  if (shown === 'copy') return <CopyBankDialog bank={bank} onClose={onClose} />
  if (shown === 'about') return <AboutDialog bank={bank} onClose={onClose} />
  if (shown === 'archive') return <ArchiveDialog bank={bank} onClose={onClose} />
  if (shown === 'defaults') return <DefaultsDialog bank={bank} onClose={onClose} />
  if (shown === 'specimens') return <RunDialog slug={bank.slug} mayWrite={bank.may_write} onClose={onClose} />
  return null
}
