import { useMutation, useQuery } from '@tanstack/react-query'
import { FileUp, X } from 'lucide-react'
import { type ClipboardEvent, type FormEvent, useId, useState } from 'react'
import { useNavigate, useSearchParams } from 'react-router'
import { give } from '@/api/intakes'
import { bankQuery } from '@/api/queries'
import { fileTarget } from '@/lib/drag'
import { fileSize } from '@/lib/format'
import { isFormatted, MOST_PASTED } from '@/lib/pasted'
import { texts } from '@/messages'
import { Shell } from '@/shell/Shell'
import { Button } from '@/ui/Button'
import { Message } from '@/ui/Message'
import { Templates } from './table/Templates'

/** Whether a file may hold several quizzes. */
const isPackage = (file: File) => /\.(?:zip|imscc|xml|qti)$/i.test(file.name)

/** Files dropped or chosen, or text pasted; what they hold is looked at before it goes anywhere. */
export function Import() {
  const [address] = useSearchParams()
  const slug = address.get('bank')
  const bank = useQuery({ ...bankQuery(slug ?? ''), enabled: slug !== null })
  const navigate = useNavigate()
  const id = useId()
  const [files, setFiles] = useState<File[]>([])
  const [text, setText] = useState('')
  const [over, setOver] = useState(false)
  const [choose, setChoose] = useState(false)
  const [tooLong, setTooLong] = useState(false)
  const send = useMutation({
    mutationFn: () => give(files, text, slug, choose && files.some(isPackage)),
    onSuccess: (made) => navigate(`/intakes/${made.id}`, { replace: true }),
  })
  const add = (more: FileList | File[] | null) => setFiles((now) => [...now, ...(more ?? [])])
  const submit = (event: FormEvent) => {
    event.preventDefault()
    if (!send.isPending) send.mutate()
  }
  /** What is pasted with its looks comes in as a page of its own: bold and colour may be the key. */
  const paste = (event: ClipboardEvent) => {
    const html = event.clipboardData.getData('text/html')
    if (!isFormatted(html)) return
    event.preventDefault()
    if (html.length > MOST_PASTED) setTooLong(true)
    else {
      setTooLong(false)
      add([new File([html], texts.intake.pastedName, { type: 'text/html' })])
    }
  }
  const any = files.length > 0 || text.trim() !== ''
  return (
    <Shell
      title={texts.intake.give}
      crumbs={[
        ...(bank.data
          ? [
              { title: texts.banks.title, to: '/banks' },
              { title: bank.data.name, to: `/banks/${slug}` },
            ]
          : [{ title: texts.transfers.title, to: '/transfers' }]),
        { title: texts.intake.give },
      ]}
    >
      <form onSubmit={submit} className="h-full overflow-y-auto">
        <div className="mx-auto flex max-w-200 flex-col gap-5 p-6 max-md:p-4">
          <p className="text-second">{texts.intake.giveAbout}</p>
          <label
            className={`flex min-h-36 cursor-pointer flex-col items-center justify-center gap-2 rounded-ui border-2 border-dashed p-6 focus-within:outline-2 focus-within:outline-accent focus-within:outline-offset-2 ${over ? 'border-accent bg-accent-tint' : 'border-edge bg-paper'}`}
            ref={fileTarget({ onOver: () => setOver(true), onLeave: () => setOver(false), onDrop: add })}
          >
            <FileUp size={24} aria-hidden="true" className="text-accent" />
            <span className="text-head font-semibold">{texts.intake.drop}</span>
            <span className="text-accent underline">{texts.intake.pick}</span>
            <input
              type="file"
              multiple
              className="sr-only"
              onChange={(event) => {
                add(event.target.files)
                event.target.value = ''
              }}
            />
          </label>
          {files.length > 0 ? (
            <ul className="rounded-ui border border-hairline bg-paper">
              {files.map((file, i) => (
                // biome-ignore lint/suspicious/noArrayIndexKey: the same file may be given twice
                <li key={i} className="flex items-center gap-3 border-hairline border-b px-3 py-1.5 last:border-b-0">
                  <span className="min-w-0 flex-1 truncate">{file.name}</span>
                  <span className="text-caption text-quiet">{fileSize(file.size)}</span>
                  <Button
                    look="quiet"
                    className="!px-1"
                    aria-label={texts.intake.takeOff({ name: file.name })}
                    title={texts.intake.takeOff({ name: file.name })}
                    onClick={() => setFiles((now) => now.filter((_, at) => at !== i))}
                  >
                    <X size={16} aria-hidden="true" />
                  </Button>
                </li>
              ))}
            </ul>
          ) : null}
          {files.some(isPackage) ? (
            <label className="-mt-2 flex items-center gap-2 self-start">
              <input type="checkbox" checked={choose} onChange={(event) => setChoose(event.target.checked)} />
              {texts.intake.choose}
            </label>
          ) : null}
          <div className="flex flex-col gap-1">
            <label htmlFor={id} className="text-head font-semibold">
              {texts.intake.paste}
            </label>
            <p id={`${id}-about`} className="text-second">
              {texts.intake.pasteAbout}
            </p>
            <textarea
              id={id}
              aria-describedby={`${id}-about`}
              rows={10}
              maxLength={2_000_000}
              placeholder={texts.intake.pasteHint}
              className="w-full rounded-ui border border-edge bg-paper p-3 font-mono text-[13px] leading-5 placeholder:text-quiet"
              value={text}
              onChange={(event) => setText(event.target.value)}
              onPaste={paste}
            />
            {tooLong ? <Message look="problem">{texts.intake.pasteTooLong}</Message> : null}
          </div>
          {send.isError ? <Message look="problem">{send.error.message}</Message> : null}
          <div className="flex items-center gap-3">
            <Button look="primary" type="submit" disabled={!any || send.isPending}>
              {send.isPending ? texts.intake.sending : texts.intake.read({ files: files.length, text: text.trim() !== '' })}
            </Button>
            {bank.data ? <span className="text-second">{texts.intake.goesTo({ bank: bank.data.name })}</span> : null}
          </div>
          <Templates />
        </div>
      </form>
    </Shell>
  )
}
