import { Link } from 'react-router'
import type { WholeQuestion } from '@/api/queries'
import { useAct } from '@/bulk/useAct'
import { texts } from '@/messages'
import { Chip } from '@/ui/Chip'

/** Where else a question lies: in folders of other banks, as far as one reads them. */
export function Places({ whole }: { whole: WholeQuestion }) {
  const elsewhere = whole.places.filter((place) => place.bank !== whole.bank.slug)
  if (elsewhere.length === 0) return null
  return (
    <section aria-label={texts.bank.alsoIn} className="mt-2 flex flex-wrap items-center gap-2 text-caption text-second">
      <strong>{texts.bank.alsoIn}:</strong>
      {elsewhere.map((place) => (
        <Place key={place.folder} id={whole.id} place={place} />
      ))}
    </section>
  )
}

function Place({ id, place }: { id: string; place: WholeQuestion['places'][number] }) {
  const act = useAct(place.bank)
  const name = [place.bank_name, ...place.path].join(' › ')
  return (
    <Chip
      {...(place.may_write
        ? {
            onRemove: () => act.mutate({ target: { ids: [id] }, change: { folders: { remove: [place.path] } } }),
            removeName: texts.record.takeOff({ what: name }),
          }
        : {})}
    >
      <Link to={`/banks/${place.bank}?folder=${place.folder}`}>{name}</Link>
    </Chip>
  )
}
