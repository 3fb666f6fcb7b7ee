import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { type BulkChange, changeMany, copyMany, type Target } from '@/api/acts'
import { banksQuery, treesQuery } from '@/api/queries'
import { texts } from '@/messages'
import { pathsOf } from '@/question/record/paths'
import { control, Field } from '@/ui/Field'
import { FormDialog } from '@/ui/FormDialog'
import { Message } from '@/ui/Message'
import { MaybeFollow } from './MaybeFollow'
import { MoreFields } from './MoreFields'
import { PreviewPane, usePreview } from './PreviewPane'
import { useMany } from './useMany'

const words = texts.acts.place
const FRESH = 'fresh'
type How = 'also' | 'move' | 'home' | 'copy'
type Props = {
  /** The bank where a filter looks, and which is proposed. */
  slug: string
  target: Target
  count: number
  /** Whether all of them live in that bank. */
  atHome: boolean
  onClose: () => void
}

/** Where questions are to lie: also there, moved there, copied there; in this bank or another. */
export function PlaceMany({ slug, target, count, atHome, onClose }: Props) {
  const banks = (useQuery(banksQuery).data ?? []).filter((bank) => bank.may_write && !bank.archived)
  const [bank, setBank] = useState(slug)
  const [folder, setFolder] = useState('')
  const [fresh, setFresh] = useState('')
  const [how, setHow] = useState<How>('also')
  const [bin, setBin] = useState(false)
  const trees = useQuery({ ...treesQuery(bank), enabled: bank !== '' }).data
  const all = pathsOf(trees?.folders ?? [])
  const path = folder === FRESH ? (fresh.trim() === '' ? null : [fresh.trim()]) : (all.find(([id]) => id === folder)?.[1] ?? null)
  const here = bank === slug && atHome
  const hows: How[] = here ? ['also', 'move', 'copy'] : ['also', 'home', 'copy']
  const picked = hows.includes(how) ? how : 'also'
  const needsFolder = picked === 'also' || picked === 'move'
  const from = 'filter' in target && bank !== slug ? { from: slug } : {}
  const folders = path === null ? {} : { folders: picked === 'move' ? { set: [path] } : { add: [path] } }
  const change: BulkChange | null =
    picked === 'copy' || (needsFolder && path === null) ? null : { ...folders, ...(picked === 'home' ? { home: true } : {}) }
  const preview = usePreview(bank, { ...target, ...from }, change)
  const many = useMany(
    () => (picked === 'copy' ? copyMany(bank, { ...target, ...from }, path, bin) : changeMany(bank, { ...target, ...from }, change ?? {})),
    onClose,
  )
  return (
    <MaybeFollow act={many.act} title={words.title({ count })} onClose={onClose}>
      <FormDialog
        wide
        onClose={onClose}
        title={words.title({ count })}
        go={words.go[picked] ?? ''}
        disabled={many.pending || (needsFolder && path === null)}
        onSubmit={many.begin}
        className="grid grid-cols-2 gap-6 max-md:grid-cols-1"
      >
        <div className="flex min-w-0 flex-col gap-3">
          <Field.Root>
            <Field.Label>{words.bank}</Field.Label>
            <Field.Choice
              value={bank}
              onChange={(event) => {
                setBank(event.target.value)
                setFolder('')
              }}
            >
              {banks.map((one) => (
                <option key={one.slug} value={one.slug}>
                  {one.name}
                </option>
              ))}
            </Field.Choice>
          </Field.Root>
          <Field.Root>
            <Field.Label>{words.folder}</Field.Label>
            <Field.Choice value={folder} onChange={(event) => setFolder(event.target.value)}>
              <option value="">{needsFolder ? texts.acts.change.pickFolder : words.top}</option>
              {all.map(([id, names]) => (
                <option key={id} value={id}>
                  {names.join(' › ')}
                </option>
              ))}
              <option value={FRESH}>{words.fresh}</option>
            </Field.Choice>
          </Field.Root>
          {folder === FRESH ? (
            <input
              aria-label={words.freshName}
              placeholder={words.freshName}
              className={control}
              maxLength={200}
              value={fresh}
              onChange={(event) => setFresh(event.target.value)}
            />
          ) : null}
          <fieldset className="flex flex-col gap-2">
            <legend className="text-caption text-second">{words.how}</legend>
            {hows.map((one) => (
              <label key={one} className="flex items-start gap-2">
                <input type="radio" name="how" className="mt-1" checked={picked === one} onChange={() => setHow(one)} />
                <span>
                  <span className="block font-semibold">{words.hows[one]}</span>
                  <span className="text-second">{words.howAbout[one]}</span>
                </span>
              </label>
            ))}
          </fieldset>
          {picked === 'copy' ? (
            <label className="flex items-center gap-2">
              <input type="checkbox" checked={bin} onChange={(event) => setBin(event.target.checked)} />
              {words.bin}
            </label>
          ) : null}
        </div>
        <MoreFields>
          {many.problem ? <Message look="problem">{many.problem}</Message> : null}
          {picked === 'copy' ? (
            <p role="status">{texts.acts.questions({ count })}</p>
          ) : needsFolder && path === null ? (
            <p role="status">{words.noFolder}</p>
          ) : (
            <PreviewPane preview={preview} />
          )}
        </MoreFields>
      </FormDialog>
    </MaybeFollow>
  )
}
