import { list } from '@/lib/format'
import { texts } from '@/messages'
import { useDetails } from './useDetails'

/** What a record says, as far as a list knows it. */
export type Facts = {
  standards: string[]
  difficulty: number | null
  places: string[]
  source: string
  status: string | null
}

/** The chosen details in a line below a question's title. */
export function DetailCaptions({ facts }: { facts: Facts }) {
  const { has } = useDetails()
  return (
    <>
      {has('state') && facts.status ? (
        <span className={facts.status === 'approved' ? 'text-accent' : ''}>{texts.status[facts.status]}</span>
      ) : null}
      {has('difficulty') && facts.difficulty !== null ? <span>{texts.bank.difficulty({ n: facts.difficulty })}</span> : null}
      {has('standards') && facts.standards.length > 0 ? <span className="font-mono">{list(facts.standards.slice(0, 3))}</span> : null}
      {has('place') && facts.places.length > 0 ? <span>{list(facts.places.slice(0, 2))}</span> : null}
      {has('source') && facts.source !== '' ? <span>{facts.source}</span> : null}
    </>
  )
}
