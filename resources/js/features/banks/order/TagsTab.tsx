import { useQuery } from '@tanstack/react-query'
import { Pencil, Trash2 } from 'lucide-react'
import { useState } from 'react'
import { Link } from 'react-router'
import { changeMany } from '@/api/acts'
import { type TagRow, tagsQuery } from '@/api/order'
import { facetsQuery } from '@/api/queries'
import { MaybeFollow } from '@/bulk/MaybeFollow'
import { useMany } from '@/bulk/useMany'
import { number } from '@/lib/format'
import { texts } from '@/messages'
import { Asked } from '@/ui/Asked'
import { Button } from '@/ui/Button'
import { control, Field } from '@/ui/Field'
import { FormDialog } from '@/ui/FormDialog'
import { Message, Nothing } from '@/ui/Message'

const words = texts.order

/** Every tag of a bank with how many questions have it: renamed, made one with another, taken off. */
export function TagsTab({ slug }: { slug: string }) {
  const tags = useQuery(tagsQuery(slug))
  const none = useQuery(facetsQuery(slug, '', ['no'], true)).data?.facets.no?.find((one) => one.value === 'tag')?.count ?? 0
  const [find, setFind] = useState('')
  const [doing, setDoing] = useState<{ tag: TagRow; what: 'rename' | 'remove' } | null>(null)
  const rows = (tags.data ?? []).filter((row) => row.tag.toLowerCase().includes(find.trim().toLowerCase()))
  return (
    <div className="flex max-w-200 flex-col gap-3 px-6 py-4 max-md:px-3">
      <div className="flex flex-wrap items-center gap-3">
        <p className="min-w-60 flex-1 text-second">{words.about.tags}</p>
        <input
          aria-label={words.find({ kind: 'tags' })}
          placeholder={words.find({ kind: 'tags' })}
          className={`${control} w-64`}
          value={find}
          onChange={(event) => setFind(event.target.value)}
        />
      </div>
      {none > 0 ? (
        <Message
          look="attention"
          actions={
            <Link className="min-h-6 underline" to={`/banks/${slug}?no=tag`}>
              {words.see}
            </Link>
          }
        >
          {words.missing.tags({ count: none })}
        </Message>
      ) : null}
      <Asked query={tags} />
      {tags.data && rows.length === 0 ? <Nothing title={find === '' ? words.none({ kind: 'tags' }) : words.noneFound} /> : null}
      <ul>
        {rows.map((row) => (
          <li key={row.tag} className="flex min-h-8 items-center gap-3 border-hairline border-b hover:bg-paper">
            <Link
              className="-outline-offset-2 min-w-0 flex-1 truncate px-2 py-1.5"
              to={`/banks/${slug}?tag=${encodeURIComponent(row.tag)}`}
            >
              {row.tag}
            </Link>
            <span className="text-caption text-quiet">{number(row.count)}</span>
            <Button
              look="quiet"
              className="!px-1.5"
              aria-label={words.renameTag({ name: row.tag })}
              title={words.renameTag({ name: row.tag })}
              onClick={() => setDoing({ tag: row, what: 'rename' })}
            >
              <Pencil size={14} aria-hidden="true" />
            </Button>
            <Button
              look="quiet"
              className="!px-1.5"
              aria-label={words.removeTag({ name: row.tag })}
              title={words.removeTag({ name: row.tag })}
              onClick={() => setDoing({ tag: row, what: 'remove' })}
            >
              <Trash2 size={14} aria-hidden="true" />
            </Button>
          </li>
        ))}
      </ul>
      {doing ? <TagDialog slug={slug} {...doing} known={tags.data ?? []} onClose={() => setDoing(null)} /> : null}
    </div>
  )
}

type DialogProps = { slug: string; tag: TagRow; what: 'rename' | 'remove'; known: TagRow[]; onClose: () => void }

function TagDialog({ slug, tag, what, known, onClose }: DialogProps) {
  const [name, setName] = useState(tag.tag)
  const target = { filter: new URLSearchParams({ tag: tag.tag }).toString() }
  const add = what === 'rename' ? [name.trim()] : []
  const many = useMany(() => changeMany(slug, target, { record: { tags: { add, remove: [tag.tag] } } }), onClose)
  const title = what === 'rename' ? words.renameTag({ name: tag.tag }) : words.removeTagTitle({ name: tag.tag, count: tag.count })
  return (
    <MaybeFollow act={many.act} title={title} onClose={onClose}>
      <FormDialog
        onClose={onClose}
        title={title}
        about={what === 'rename' ? words.renameTagAbout : undefined}
        go={what === 'rename' ? words.rename : words.removeTag({ name: tag.tag })}
        disabled={many.pending || (what === 'rename' && (name.trim() === '' || name.trim() === tag.tag))}
        onSubmit={many.begin}
      >
        {what === 'rename' ? (
          <Field.Root problem={many.problem}>
            <Field.Label>{words.newName}</Field.Label>
            <Field.Text list="tags-there" maxLength={100} value={name} onChange={(event) => setName(event.target.value)} />
          </Field.Root>
        ) : many.problem ? (
          <Message look="problem">{many.problem}</Message>
        ) : null}
        <datalist id="tags-there">
          {known.map((one) => (
            <option key={one.tag} value={one.tag} />
          ))}
        </datalist>
        <p>{words.count({ count: tag.count })}</p>
      </FormDialog>
    </MaybeFollow>
  )
}
