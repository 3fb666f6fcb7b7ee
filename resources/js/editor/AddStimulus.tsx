import { useInfiniteQuery } from '@tanstack/react-query'
import { Command } from 'cmdk'
import { useState } from 'react'
import { stimuliQuery } from '@/api/stimuli'
import { texts } from '@/messages'
import { Button } from '@/ui/Button'
import { Dialog } from '@/ui/Dialog'
import { Waiting } from '@/ui/Message'

type Props = { bank: string; taken: string[]; onAdd: (id: string) => void; onWrite: () => void; onClose: () => void }

/** Finds a stimulus in all banks one may read, those of the question's own bank first. */
export function AddStimulus({ bank, taken, onAdd, onWrite, onClose }: Props) {
  const [words, setWords] = useState('')
  const found = useInfiniteQuery(stimuliQuery(new URLSearchParams({ words }).toString()))
  const rows = found.data?.pages.flatMap((page) => page.data) ?? []
  const sorted = [...rows.filter((row) => row.bank === bank), ...rows.filter((row) => row.bank !== bank)]
  return (
    <Dialog
      open
      wide
      onClose={onClose}
      title={texts.stimuli.addTitle}
      about={texts.stimuli.about}
      closeName={texts.frame.close}
      actions={<Button onClick={onWrite}>{texts.stimuli.write}</Button>}
    >
      <Command label={texts.stimuli.addTitle} shouldFilter={false} loop>
        <Command.Input
          autoFocus
          value={words}
          onValueChange={setWords}
          placeholder={texts.stimuli.addHint}
          className="w-full rounded-ui border border-edge bg-paper px-3 py-2 placeholder:text-quiet"
        />
        <Command.List className="mt-2 max-h-[46vh] overflow-y-auto" label={texts.bank.stimuli}>
          {found.isPending ? <Waiting text={texts.loading} /> : null}
          {found.isSuccess ? (
            <Command.Empty className="p-4 text-quiet">{words ? texts.stimuli.addNothing : texts.stimuli.none}</Command.Empty>
          ) : null}
          {sorted.map((row) => (
            <Command.Item
              key={row.id}
              value={row.id}
              disabled={taken.includes(row.id)}
              onSelect={() => onAdd(row.id)}
              className="cursor-pointer rounded-ui border-hairline border-b px-3 py-2 data-[selected=true]:bg-accent-tint data-[disabled=true]:text-quiet"
            >
              <span className="flex gap-3">
                <span className="min-w-0 flex-1 truncate font-semibold">
                  {row.title || row.stem.slice(0, 60) || texts.stimuli.untitled}
                </span>
                <span className="flex-none text-caption text-second">
                  {taken.includes(row.id) ? texts.stimuli.here : texts.stimuli.shownBy({ n: row.questions })}
                </span>
              </span>
              <span className="block truncate font-serif text-second">{row.stem}</span>
              {row.bank === bank ? null : <span className="block text-caption text-quiet">{row.bank_name}</span>}
            </Command.Item>
          ))}
          {found.hasNextPage ? (
            <Button look="quiet" onClick={() => found.fetchNextPage()}>
              {texts.stimuli.more}
            </Button>
          ) : null}
        </Command.List>
      </Command>
    </Dialog>
  )
}
