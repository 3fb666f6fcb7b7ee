import { useQueryClient } from '@tanstack/react-query'
import { type ReactNode, useContext, useMemo, useRef, useState } from 'react'
import { addMedium, changeMedium, type Medium, mediaAddress } from '@/api/media'
import { lazily } from '@/lib/lazily'
import { texts } from '@/messages'
import { type MediaDesk, MediaDeskContext, MediaFrom, type Picture } from '@/ui/media'
import { useToast } from '@/ui/Toasts'

const ChoosePicture = lazily(() => import('./ChoosePicture'), 'ChoosePicture')
const DescribePicture = lazily(() => import('./DescribePicture'), 'DescribePicture')
const words = texts.rich.picture
/** A picture that is put in stands no wider than a page of text; its author makes it wider. */
const USUAL = 640

type Answer = Picture | 'gone' | null
type Asked =
  | { what: 'choose'; answer: (picture: Medium | null) => void }
  | { what: 'describe'; picture: Picture; isNew: boolean; answer: (picture: Answer) => void }

/** Pictures of a bank for the editors within: chosen, uploaded, described. Where a text is not of a bank yet, there are none. */
export function MediaDeskProvider({ bank, children }: { bank: string; children: ReactNode }) {
  const elsewhere = useContext(MediaFrom) !== null
  const client = useQueryClient()
  const tell = useToast()
  const [asked, ask] = useState<Asked | null>(null)
  const latest = useRef({ tell, client })
  latest.current = { tell, client }
  const desk = useMemo<MediaDesk>(() => {
    const answer = <T,>(resolve: (given: T) => void) => {
      return (given: T) => {
        ask(null)
        resolve(given)
      }
    }
    const settle = async (medium: Medium) => {
      const said = await new Promise<Answer>((resolve) =>
        ask({ what: 'describe', picture: pictureOf(medium), isNew: true, answer: answer(resolve) }),
      )
      // what is said of it first is proposed from then on
      if (medium.alt === null && said !== null && said !== 'gone' && said.alt !== null)
        changeMedium(bank, medium.id, { alt: said.alt }).catch(() => undefined)
      return said
    }
    return {
      address: (id) => mediaAddress(bank, id),
      choose: async () => {
        const medium = await new Promise<Medium | null>((resolve) => ask({ what: 'choose', answer: answer(resolve) }))
        return medium ? asPicture(await settle(medium)) : null
      },
      describe: (picture) => new Promise((resolve) => ask({ what: 'describe', picture, isNew: false, answer: answer(resolve) })),
      upload: async (files, alts = []) => {
        const pictures: (Picture | null)[] = []
        for (const [i, file] of files.entries()) {
          const medium = await send(file)
          const alt = alts[i] ?? null
          // what is given up here is in the library, but not in the text
          pictures.push(medium === null ? null : alt ? { ...pictureOf(medium), alt } : asPicture(await settle(medium)))
        }
        return pictures
      },
    }
    async function send(file: File): Promise<Medium | null> {
      const { tell, client } = latest.current
      try {
        const { medium, isNew } = await addMedium(bank, file)
        client.invalidateQueries({ queryKey: ['bank', bank, 'media'] })
        if (!medium.type.startsWith('image/')) {
          tell({ text: words.notPictures, look: 'problem' })
          return null
        }
        if (!isNew && medium.name !== file.name) tell({ text: words.known({ name: file.name, as: medium.name }) })
        return medium
      } catch (problem) {
        tell({ text: words.refused({ name: file.name, why: problem instanceof Error ? problem.message : '' }), look: 'problem' })
        return null
      }
    }
  }, [bank])
  if (elsewhere) return children
  return (
    <MediaDeskContext value={desk}>
      {children}
      {asked?.what === 'choose' ? <ChoosePicture bank={bank} onPick={asked.answer} /> : null}
      {asked?.what === 'describe' ? (
        <DescribePicture key={asked.picture.id} bank={bank} picture={asked.picture} isNew={asked.isNew} onDone={asked.answer} />
      ) : null}
    </MediaDeskContext>
  )
}

const asPicture = (answer: Answer): Picture | null => (answer === 'gone' ? null : answer)

const pictureOf = (medium: Medium): Picture => ({
  id: medium.id,
  alt: medium.alt,
  width: medium.width === null ? null : Math.min(medium.width, USUAL),
})
