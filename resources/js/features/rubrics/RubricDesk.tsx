import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useEffect, useRef, useState } from 'react'
import { Link } from 'react-router'
import type { Rubric } from '@/api/question'
import { keepRubric, removeRubric, rubricQuery, saveRubric, type WholeRubric } from '@/api/rubrics'
import { useActToast } from '@/bulk/useAct'
import { texts } from '@/messages'
import { freshRubric } from '@/parts/marking/levels'
import { RubricEditor } from '@/parts/marking/RubricEditor'
import { Asked } from '@/ui/Asked'
import { Button } from '@/ui/Button'
import { Dialog } from '@/ui/Dialog'
import { Message } from '@/ui/Message'
import { useMedia } from '@/ui/media'
import { useToast } from '@/ui/Toasts'

const words = texts.rubrics

type Props = { id: string | null; bank: string; mayWrite: boolean; onKept: (id: string) => void; onGone: () => void }

/** One rubric of a bank, with what follows it. */
export function RubricDesk({ id, bank, mayWrite, onKept, onGone }: Props) {
  // who uses it may have changed a moment ago, on the desk of a question
  const whole = useQuery({ ...rubricQuery(id ?? ''), enabled: id !== null, staleTime: 0 })
  if (id !== null && !whole.data) return <Asked query={whole} />
  return (
    <Editing
      whole={whole.data ?? null}
      refresh={() => whole.refetch().then(({ data }) => data ?? null)}
      bank={bank}
      mayWrite={mayWrite}
      onKept={onKept}
      onGone={onGone}
    />
  )
}

type EditingProps = Omit<Props, 'id'> & { whole: WholeRubric | null; refresh: () => Promise<WholeRubric | null> }

function Editing({ whole, refresh, bank, mayWrite, onKept, onGone }: EditingProps) {
  const client = useQueryClient()
  const tell = useToast()
  const media = useMedia(bank)
  const act = useActToast()
  const key = useRef(crypto.randomUUID())
  const [rubric, setRubric] = useState<Rubric>(whole?.rubric ?? freshRubric('analytic'))
  /** The revision that was begun with: what somebody saves meanwhile is not saved over. */
  const [base, setBase] = useState(whole?.revision ?? 0)
  const [asking, setAsking] = useState<'change' | 'remove' | null>(null)
  const mayChange = whole ? whole.may_write : mayWrite
  // saved elsewhere, or put back by undo: taken over unless something is typed here
  const seen = useRef(whole)
  useEffect(() => {
    if (!whole || whole.revision === base || JSON.stringify(rubric) !== JSON.stringify(seen.current?.rubric)) return
    seen.current = whole
    setRubric(whole.rubric)
    setBase(whole.revision)
  }, [whole, base, rubric])
  const isChanged = JSON.stringify(rubric) !== JSON.stringify(whole?.rubric ?? null)
  const followers = whole?.uses.questions ?? []
  const writable = followers.filter((one) => one.may_write)
  const renew = () => {
    client.invalidateQueries({ queryKey: ['rubrics'] })
    client.invalidateQueries({ queryKey: ['rubric', 'whole'] })
  }
  const save = useMutation({
    mutationFn: async (follow: boolean) => {
      if (whole) return saveRubric(whole.id, rubric, base, follow)
      return { data: await keepRubric(bank, rubric, key.current), act: null }
    },
    onSuccess: ({ data, act: done }) => {
      client.setQueryData(rubricQuery(data.id).queryKey, data)
      setBase(data.revision)
      seen.current = data
      renew()
      setAsking(null)
      if (done) act(done)
      else tell({ text: words.saved })
      if (!whole) onKept(data.id)
    },
  })
  const remove = useMutation({
    mutationFn: () => removeRubric(whole?.id ?? ''),
    onSuccess: () => {
      renew()
      tell({ text: words.removed })
      onGone()
    },
  })
  return (
    <div className="flex flex-col gap-3 p-5">
      <header className="flex flex-wrap items-center gap-2">
        <h2 className="min-w-0 flex-1 truncate text-head font-semibold">{rubric.title || words.untitled}</h2>
        {mayChange ? (
          <>
            {whole ? (
              <Button look="quiet" onClick={() => setAsking('remove')}>
                {words.remove}
              </Button>
            ) : null}
            <Button
              look="primary"
              aria-disabled={!isChanged || save.isPending}
              onClick={() => {
                if (!isChanged || save.isPending) return
                if (!whole) return save.mutate(false)
                refresh().then((now) => {
                  if (now?.uses.questions.some((one) => one.may_write)) setAsking('change')
                  else save.mutate(false)
                })
              }}
            >
              {writable.length > 0 ? words.saveFor : words.save}
            </Button>
          </>
        ) : null}
      </header>
      {save.isError ? <Message look="problem">{save.error.message}</Message> : null}
      <div inert={!mayChange} className="rounded-ui border border-hairline py-2">
        <RubricEditor rubric={rubric} points={null} media={media} onChange={setRubric} />
      </div>
      {whole ? (
        <section aria-label={words.followedBy}>
          <h3 className="font-semibold">{words.followedBy}</h3>
          {followers.length === 0 && whole.uses.hidden === 0 ? <p className="text-second">{words.notUsed}</p> : null}
          <ul>
            {followers.map((one) => (
              <li key={one.id}>
                <Link className="text-accent underline-offset-2 hover:underline" to={`/questions/${one.id}`}>
                  {one.title}
                </Link>{' '}
                <span className="text-caption text-second">{one.bank}</span>
              </li>
            ))}
          </ul>
          {whole.uses.hidden > 0 ? <p className="text-caption text-second">{words.hidden({ n: whole.uses.hidden })}</p> : null}
        </section>
      ) : null}
      <Dialog
        open={asking === 'change'}
        onClose={() => setAsking(null)}
        title={words.changeTitle({ n: writable.length })}
        about={words.changeAbout}
        closeName={texts.frame.close}
        actions={
          <>
            <Button onClick={() => save.mutate(false)}>{words.changeAlone}</Button>
            <Button look="primary" onClick={() => save.mutate(true)}>
              {words.changeAll({ n: writable.length })}
            </Button>
          </>
        }
      >
        <ul className="list-disc pl-5">
          {writable.map((one) => (
            <li key={one.id}>
              {one.title} <span className="text-caption text-second">{one.bank}</span>
            </li>
          ))}
        </ul>
        {whole && followers.length + whole.uses.hidden > writable.length ? (
          <p className="mt-2 text-caption text-second">{words.stay({ n: followers.length + whole.uses.hidden - writable.length })}</p>
        ) : null}
      </Dialog>
      <Dialog
        open={asking === 'remove'}
        onClose={() => setAsking(null)}
        title={words.removeTitle}
        about={words.removeAbout({ n: followers.length + (whole?.uses.hidden ?? 0) })}
        closeName={texts.frame.close}
        actions={
          <>
            <Button onClick={() => setAsking(null)}>{texts.frame.cancel}</Button>
            <Button look="primary" onClick={() => remove.mutate()}>
              {words.remove}
            </Button>
          </>
        }
      >
        {remove.isError ? <Message look="problem">{remove.error.message}</Message> : null}
      </Dialog>
    </div>
  )
}
