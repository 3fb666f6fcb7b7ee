import { useMutation, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { useNavigate } from 'react-router'
import { conversions, type Offer, splitJudged } from '@/api/actions'
import type { Part, QuestionJson } from '@/api/question'
import { texts } from '@/messages'
import { kindNames } from '@/parts/words'
import { Losses } from '@/question/Losses'
import { Button } from '@/ui/Button'
import { Menu } from '@/ui/Menu'
import { useToast } from '@/ui/Toasts'

type Props = {
  now: () => QuestionJson
  part: Part
  isOnly: boolean
  name: string
  bank: string
  onChange: (question: QuestionJson) => void
}
type Asked = { title: string; losses: string[]; go: string; act: () => void }

/** Turns a part into another kind without typing again; what could not be carried is named before. */
export function ChangeKind({ now, part, isOnly, name, bank, onChange }: Props) {
  const tell = useToast()
  const client = useQueryClient()
  const navigate = useNavigate()
  const [open, setOpen] = useState(false)
  const [asked, setAsked] = useState<Asked | null>(null)
  const refuse = (problem: Error) => tell({ text: problem.message, look: 'problem' })
  const offers = useMutation({ mutationFn: () => conversions(now(), part.id), onError: refuse })
  const take = (offer: Offer) => {
    setAsked(null)
    // The record is not the desk's to change here.
    const { record } = now()
    onChange(record ? { ...offer.question, record } : offer.question)
    tell({ text: texts.desk.changed({ kind: kindNames[offer.to] ?? offer.to }) })
  }
  const pick = (offer: Offer) =>
    offer.losses.length === 0
      ? take(offer)
      : setAsked({
          title: texts.desk.changeTo({ kind: kindNames[offer.to] ?? offer.to }),
          losses: offer.losses,
          go: texts.desk.changeAnyway,
          act: () => take(offer),
        })
  const split = useMutation({
    mutationFn: (store: boolean) => splitJudged(bank, now(), store),
    onError: refuse,
    onSuccess: (made, stored) => {
      if (!stored)
        return setAsked({
          title: texts.desk.split({ n: made.questions.length }),
          losses: made.losses,
          go: texts.desk.splitGo({ n: made.questions.length }),
          act: () => split.mutate(true),
        })
      setAsked(null)
      client.invalidateQueries({ queryKey: ['bank', bank] })
      tell({
        text: texts.desk.splitDone({ n: made.questions.length }),
        link: { title: texts.desk.toBank, go: () => navigate(`/banks/${bank}?sort=-updated`) },
      })
    },
  })
  const isList = bank !== '' && isOnly && part.settings?.max !== 1 && Array.isArray(part.settings?.options)
  return (
    <>
      <Menu.Root
        align="end"
        open={open}
        onOpen={(isOpen) => {
          setOpen(isOpen)
          if (isOpen) offers.mutate()
        }}
        button={
          <Button look="quiet" className="!px-1" aria-label={texts.desk.changeKindOf({ name })}>
            {texts.desk.changeKind}
          </Button>
        }
      >
        {offers.isPending ? <Menu.Item onSelect={() => undefined}>{texts.loading}</Menu.Item> : null}
        {(offers.data ?? []).map((offer) => (
          <Menu.Item key={offer.to} onSelect={() => pick(offer)}>
            {kindNames[offer.to] ?? offer.to}
            {offer.losses.length > 0 ? ' …' : ''}
          </Menu.Item>
        ))}
        {isList && offers.data ? <Menu.Item onSelect={() => split.mutate(false)}>{texts.desk.trueFalse} …</Menu.Item> : null}
        {offers.data?.length === 0 ? <Menu.Item onSelect={() => undefined}>{texts.desk.noOther}</Menu.Item> : null}
      </Menu.Root>
      {asked ? <Losses title={asked.title} losses={asked.losses} go={asked.go} onGo={asked.act} onClose={() => setAsked(null)} /> : null}
    </>
  )
}
