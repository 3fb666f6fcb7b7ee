import type { Bank } from '@/api/schema'
import { RunDialog } from '@/editor/specimens/RunDialog'
import { DefaultsDialog } from '@/editor/starts/DefaultsDialog'
import { AboutDialog } from './AboutDialog'
import { ArchiveDialog } from './ArchiveDialog'
import { CopyBankDialog } from './CopyBankDialog'
import { ShareDialog } from './ShareDialog'

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
