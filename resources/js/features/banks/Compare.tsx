import { useMutation, useQuery } from '@tanstack/react-query'
import { useId, useRef, useState } from 'react'
import { useNavigate, useParams } from 'react-router'
import { copyMany } from '@/api/acts'
import { type BankComparison, compareBank, takeTheirs } from '@/api/compare'
import { give } from '@/api/intakes'
import { bankQuery, banksQuery, type TreeNodeRow, treesQuery } from '@/api/queries'
import { texts } from '@/messages'
import { Shell } from '@/shell/Shell'
import { Button } from '@/ui/Button'
import { control, Field } from '@/ui/Field'
import { Message } from '@/ui/Message'
import { useToast } from '@/ui/Toasts'
import { ComparedList, DifferingList } from './ComparedLists'

const words = texts.compare

/** A bank beside another bank or a file: what only one has, what differs and in what, and either way over. */
export function Compare() {
  const slug = useParams().slug ?? ''
  const navigate = useNavigate()
  const tell = useToast()
  const id = useId()
  const bank = useQuery(bankQuery(slug))
  const banks = useQuery(banksQuery)
  const others = (banks.data ?? []).filter((one) => one.slug !== slug)
  const [isFile, setFile] = useState(false)
  const [other, setOther] = useState('')
  const [folders, setFolders] = useState({ here: '', there: '' })
  const given = useRef<HTMLInputElement>(null)
  const chosen = other || (others[0]?.slug ?? '')
  const file = () => given.current?.files?.[0]
  const filterOf = (folder: string) => (folder === '' ? '' : `folder=${encodeURIComponent(folder)}`)
  const compare = useMutation({
    mutationFn: () => {
      const one = file()
      return compareBank(slug, filterOf(folders.here), isFile && one ? { file: one } : { bank: chosen, filter: filterOf(folders.there) })
    },
  })
  const fail = (problem: Error) => tell({ text: problem.message, look: 'problem' })
  const take = useMutation({
    mutationFn: (pairs: { here: string; there: string }[]) => takeTheirs(slug, pairs),
    onSuccess: (done) => {
      tell({ text: words.taken({ n: done.changed }) })
      if (done.left[0]) tell({ text: words.left({ n: done.left.length, why: done.left[0].why }), look: 'problem' })
      compare.mutate()
    },
    onError: fail,
  })
  const copy = useMutation({
    mutationFn: ({ to, ids }: { to: string; ids: string[] }) => copyMany(to, { ids }, null, false),
    onSuccess: (act, { ids }) => {
      tell({ text: words.brought({ n: ids.length }), link: { title: texts.acts.title, go: () => navigate(`/acts/${act.act}`) } })
    },
    onError: fail,
  })
  const bring = useMutation({
    mutationFn: () => give([file() as File], '', slug),
    onSuccess: (made) => navigate(`/intakes/${made.id}`),
    onError: fail,
  })
  const found = compare.data
  return (
    <Shell
      title={words.title}
      crumbs={[{ title: texts.banks.title, to: '/banks' }, { title: bank.data?.name ?? '…', to: `/banks/${slug}` }, { title: words.title }]}
    >
      {/* biome-ignore lint/a11y/noNoninteractiveTabindex: what scrolls can be reached by keyboard */}
      <section aria-label={words.title} aria-busy={compare.isPending} tabIndex={0} className="-outline-offset-2 h-full overflow-y-auto">
        <form
          className="flex flex-wrap items-end gap-4 border-hairline border-b p-4"
          onSubmit={(event) => {
            event.preventDefault()
            if (!compare.isPending) compare.mutate()
          }}
        >
          <p className="w-full text-second">{words.about}</p>
          <FolderChoice slug={slug} label={words.folder} value={folders.here} onPick={(here) => setFolders({ ...folders, here })} />
          <Field.Root>
            <Field.Label>{words.with}</Field.Label>
            <Field.Choice value={isFile ? 'file' : 'bank'} onChange={(event) => setFile(event.target.value === 'file')}>
              <option value="bank">{words.bank}</option>
              <option value="file">{words.file}</option>
            </Field.Choice>
          </Field.Root>
          {isFile ? (
            <div className="flex flex-col gap-1">
              <label htmlFor={id} className="text-caption text-second">
                {words.pickFile}
              </label>
              <input ref={given} id={id} type="file" required className={control} />
            </div>
          ) : (
            <>
              <Field.Root>
                <Field.Label>{words.pickBank}</Field.Label>
                <Field.Choice value={chosen} onChange={(event) => setOther(event.target.value)}>
                  {others.map((one) => (
                    <option key={one.slug} value={one.slug}>
                      {one.name}
                    </option>
                  ))}
                </Field.Choice>
              </Field.Root>
              <FolderChoice
                slug={chosen}
                label={words.theirFolder}
                value={folders.there}
                onPick={(there) => setFolders({ ...folders, there })}
              />
            </>
          )}
          <Button look="primary" type="submit" aria-disabled={compare.isPending}>
            {words.go}
          </Button>
          <span role="status" className="text-second">
            {compare.isPending ? words.comparing : ''}
          </span>
        </form>
        {compare.isError ? (
          <div className="p-4">
            <Message look="problem">{compare.error.message}</Message>
          </div>
        ) : null}
        {found ? (
          <Found
            found={found}
            isFile={isFile}
            onTake={(pairs) => take.mutate(pairs)}
            onBring={(ids) => copy.mutate({ to: slug, ids })}
            onSend={(ids) => copy.mutate({ to: chosen, ids })}
            onImport={() => bring.mutate()}
          />
        ) : null}
      </section>
    </Shell>
  )
}

function FolderChoice({ slug, label, value, onPick }: { slug: string; label: string; value: string; onPick: (folder: string) => void }) {
  const trees = useQuery({ ...treesQuery(slug), enabled: slug !== '' })
  const folders = trees.data?.folders ?? []
  return (
    <Field.Root>
      <Field.Label>{label}</Field.Label>
      <Field.Choice value={value} onChange={(event) => onPick(event.target.value)} className="max-w-56">
        <option value="">{words.everything}</option>
        {folders.map((one) => (
          <option key={one.id} value={one.id}>
            {pathOf(folders, one)}
          </option>
        ))}
      </Field.Choice>
    </Field.Root>
  )
}

function pathOf(folders: TreeNodeRow[], one: TreeNodeRow): string {
  const above = folders.find((each) => each.id === one.parent_id)
  return above ? `${pathOf(folders, above)} › ${one.name}` : one.name
}

type FoundProps = {
  found: BankComparison
  isFile: boolean
  onTake: (pairs: { here: string; there: string }[]) => void
  onBring: (ids: string[]) => void
  onSend: (ids: string[]) => void
  onImport: () => void
}

function Found({ found, isFile, onTake, onBring, onSend, onImport }: FoundProps) {
  const nothing = found.differ === 0 && found.only_here.length === 0 && found.only_there.length === 0
  return (
    <div className="flex flex-col gap-6 p-4">
      <dl className="flex flex-wrap gap-x-8 gap-y-2">
        {(
          [
            [words.same, found.same],
            [words.differing, found.differ],
            [words.onlyHere, found.only_here.length],
            [words.onlyThere, found.only_there.length],
          ] as const
        ).map(([name, times]) => (
          <div key={name}>
            <dt className="text-caption text-second">{name}</dt>
            <dd className="font-semibold text-title tabular-nums">{times}</dd>
          </div>
        ))}
      </dl>
      {nothing ? <Message look="done">{words.nothing}</Message> : null}
      {isFile && !nothing ? (
        <p className="flex flex-wrap items-center gap-3">
          <Button onClick={onImport}>{words.import}</Button>
          <span className="text-second">{words.importAbout}</span>
        </p>
      ) : null}
      <DifferingList found={found} onTake={isFile ? undefined : onTake} />
      <ComparedList
        title={words.onlyThere}
        rows={found.only_there}
        isLinked={!isFile}
        act={isFile ? undefined : { title: (n) => words.bring({ n }), run: onBring }}
      />
      <ComparedList
        title={words.onlyHere}
        rows={found.only_here}
        isLinked
        act={isFile ? undefined : { title: (n) => words.send({ n }), run: onSend }}
      />
    </div>
  )
}
