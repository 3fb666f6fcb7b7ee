import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { type Intake, intakeQuery, placeIntake } from '@/api/intakes'
import { banksQuery } from '@/api/queries'
import { texts } from '@/messages'
import { useKnown } from '@/question/record/RecordForm'
import { Field } from '@/ui/Field'
import { FormDialog } from '@/ui/FormDialog'

/** Bank and folder as one path. */
export function placePath(intake: Intake): string {
  return [intake.bank?.name ?? intake.new_bank ?? '', ...intake.folder].join(' › ')
}

/** Which bank and folder an intake goes to, and what happens to questions that are there already. */
export function PlaceDialog({ intake, onClose }: { intake: Intake; onClose: () => void }) {
  const client = useQueryClient()
  const banks = useQuery(banksQuery)
  const [fresh, setFresh] = useState(intake.new_bank !== null)
  const [slug, setSlug] = useState(intake.bank?.slug ?? '')
  const [name, setName] = useState(intake.new_bank ?? '')
  const [folder, setFolder] = useState(intake.folder.join(' › '))
  const [duplicates, setDuplicates] = useState(intake.duplicates)
  const [regroup, setRegroup] = useState(intake.regroup)
  const [names, setNames] = useState<Record<string, string>>(Object.fromEntries(intake.groups.map((group) => [group.id, group.name])))
  const known = useKnown(fresh ? '' : slug)
  const steps = folder
    .split(/[›/]/)
    .map((step) => step.trim())
    .filter((step) => step !== '')
  const place = useMutation({
    mutationFn: () =>
      placeIntake(intake.id, { ...(fresh ? { new_bank: name } : { bank: slug }), folder: steps, duplicates, regroup, group_names: names }),
    onSuccess: (now) => {
      client.setQueryData(intakeQuery(intake.id).queryKey, now)
      client.invalidateQueries({ queryKey: ['intake', intake.id] })
      onClose()
    },
  })
  const writable = (banks.data ?? []).filter((bank) => bank.may_write && !bank.archived)
  const bank = fresh ? name.trim() : (writable.find((one) => one.slug === slug)?.name ?? '')
  const there = (upTo: number) =>
    known.folders.some((path) => path.length > upTo && path.slice(0, upTo + 1).join('\n') === steps.slice(0, upTo + 1).join('\n'))
  return (
    <FormDialog
      onClose={onClose}
      title={texts.intake.placeTitle}
      go={texts.intake.usePlace}
      disabled={place.isPending || bank === ''}
      onSubmit={() => place.mutate()}
      className="flex flex-col gap-4"
    >
      <fieldset className="flex gap-6">
        <legend className="sr-only">{texts.intake.bank}</legend>
        {[false, true].map((one) => (
          <label key={String(one)} className="flex items-center gap-2">
            <input type="radio" name="which" checked={fresh === one} onChange={() => setFresh(one)} />
            {one ? texts.intake.fresh : texts.intake.there_}
          </label>
        ))}
      </fieldset>
      {fresh ? (
        <Field.Root>
          <Field.Label>{texts.intake.freshName}</Field.Label>
          <Field.Text value={name} maxLength={200} onChange={(event) => setName(event.target.value)} />
        </Field.Root>
      ) : (
        <Field.Root>
          <Field.Label>{texts.intake.bank}</Field.Label>
          <Field.Choice value={slug} onChange={(event) => setSlug(event.target.value)}>
            <option value="">{texts.intake.pickBank}</option>
            {writable.map((one) => (
              <option key={one.slug} value={one.slug}>
                {one.name}
              </option>
            ))}
          </Field.Choice>
        </Field.Root>
      )}
      <Field.Root>
        <Field.Label>{texts.intake.folder}</Field.Label>
        <Field.Text
          list="known-folders"
          value={folder}
          placeholder={texts.intake.folderHint}
          onChange={(event) => setFolder(event.target.value)}
        />
        <datalist id="known-folders">
          {known.folders.map((path) => (
            <option key={path.join()} value={path.join(' › ')} />
          ))}
        </datalist>
      </Field.Root>
      {bank !== '' ? (
        <p aria-live="polite">
          <span className="text-caption text-quiet">{texts.intake.will}</span>
          <br />
          <strong>{bank}</strong> {fresh ? <Fresh /> : null}
          {steps.map((step, i) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: steps of one path
            <span key={i}>
              {' › '}
              <strong>{step}</strong> {there(i) ? null : <Fresh />}
            </span>
          ))}
        </p>
      ) : null}
      {intake.groups.length > 0 ? (
        <fieldset className="flex flex-col gap-1">
          <label className="flex items-center gap-2">
            <input
              type="checkbox"
              className="size-4 accent-accent"
              checked={regroup}
              onChange={(event) => setRegroup(event.target.checked)}
            />
            {texts.intake.regroup}
          </label>
          <div className={`max-h-56 overflow-y-auto rounded-ui border border-hairline ${regroup ? '' : 'opacity-55'}`}>
            {intake.groups.map((group) => (
              <div key={group.id} className="flex items-center gap-2 px-2 py-0.5" style={{ paddingLeft: `${0.5 + group.depth * 1.25}rem` }}>
                <input
                  aria-label={texts.intake.groupName({ title: group.title || texts.intake.untitledGroup })}
                  placeholder={group.title || texts.intake.groupKinds[group.kind]}
                  value={names[group.id] ?? ''}
                  maxLength={200}
                  disabled={!regroup}
                  onChange={(event) => setNames({ ...names, [group.id]: event.target.value })}
                  className="min-w-0 flex-1 rounded-ui border border-transparent bg-transparent px-1 py-0.5 hover:border-edge focus:bg-paper"
                />
                <span className="flex-none text-caption text-quiet">
                  {texts.intake.groupKinds[group.kind] ?? group.kind}, {texts.banks.count({ n: group.questions })}
                </span>
              </div>
            ))}
          </div>
          {regroup ? <p className="text-caption text-quiet">{texts.intake.regroupAbout}</p> : null}
        </fieldset>
      ) : null}
      <Field.Root>
        <Field.Label>{texts.intake.usual}</Field.Label>
        <Field.Choice value={duplicates} onChange={(event) => setDuplicates(event.target.value)}>
          {['skip', 'add', 'replace'].map((way) => (
            <option key={way} value={way}>
              {texts.intake.decisions[way]}
            </option>
          ))}
        </Field.Choice>
      </Field.Root>
      {place.isError ? (
        <p role="alert" className="text-problem">
          {place.error.message}
        </p>
      ) : null}
    </FormDialog>
  )
}

const Fresh = () => <span className="text-caption text-attention">({texts.intake.newPart})</span>
