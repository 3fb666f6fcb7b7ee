import { useIsMutating, useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useMemo, useRef, useState } from 'react'
import { useParams } from 'react-router'
import { type Assessment, assessmentQuery, type PrintSettings, setPrint } from '@/api/assembly'
import { type Asked, askedText, formSetQuery, keepPrint, type Print as Made, printQuery, receiptsQuery } from '@/api/paper'
import { fetchFile } from '@/lib/saveFile'
import { useAddress } from '@/lib/useAddress'
import { useDebouncedValue } from '@/lib/useDebouncedValue'
import { texts } from '@/messages'
import { DETAILS_KEPT, useDetailKeys, useDetails } from '@/question/details/useDetails'
import { Shell } from '@/shell/Shell'
import { Button } from '@/ui/Button'
import { Menu } from '@/ui/Menu'
import { Message, Nothing, Waiting } from '@/ui/Message'
import { useToast } from '@/ui/Toasts'
import { Preview } from './Preview'
import { PrintForm } from './PrintForm'

const words = texts.paper.print
const LINK =
  'inline-flex min-h-8 items-center rounded-ui border border-accent bg-accent px-3 font-semibold text-on-accent hover:brightness-110'

/** The real pages of an assessment or of its forms, and what they are printed like. */
export function Print() {
  const id = useParams().id ?? ''
  const whole = useQuery({ ...assessmentQuery(id), staleTime: 0 })
  if (whole.data) return <Pages assessment={whole.data} />
  return (
    <Shell title={texts.assembly.print} crumbs={[{ title: texts.assembly.title, to: '/assessments' }, { title: '…' }]}>
      {whole.isError ? <Nothing title={whole.error.message} /> : <Waiting text={texts.loading} />}
    </Shell>
  )
}

function Pages({ assessment }: { assessment: Assessment }) {
  const client = useQueryClient()
  const { address, set } = useAddress()
  const [papers, setPapers] = useState(['learner'])
  const [settings, setSettings] = useState<PrintSettings>(assessment.print)
  const rested = useDebouncedValue(settings, 250)
  const formSet = address.get('set') ?? ''
  const forms = useQuery({ ...formSetQuery(assessment.id, formSet), enabled: formSet !== '' })
  const letters = address.get('forms') ?? ''
  const which = papers.filter((one) => formSet !== '' || one !== 'keys').join(',') || 'learner'
  // several ticks in a row are one wish
  const asked: Asked = useDebouncedValue(
    useMemo(() => ({ which, set: formSet, forms: letters }), [which, formSet, letters]),
    600,
  )
  const store = useMutation({
    mutationFn: (next: PrintSettings) => setPrint(assessment.id, next),
    onSuccess: (_, next) => client.setQueryData(assessmentQuery(assessment.id).queryKey, (now) => (now ? { ...now, print: next } : now)),
  })
  const wanted = JSON.stringify(rested)
  useDetailKeys(papers.includes('author'))
  const chosen = useDetails().shown.join(',')
  // only the author's copy has them
  const details = which.split(',').includes('author') ? chosen : ''
  const isChoosing = useIsMutating({ mutationKey: DETAILS_KEPT }) > 0
  // what is offered to take away is what was asked for last, not what is still on its way
  const isSettled =
    !isChoosing && wanted === JSON.stringify(settings) && asked.which === which && asked.set === formSet && asked.forms === letters
  const stored = useRef(JSON.stringify(assessment.print))
  const [share, setShare] = useState(0)
  const query = printQuery(assessment.id, asked, assessment.version, `${wanted} ${details}`, setShare)
  const print = useQuery({
    ...query,
    enabled: !isChoosing,
    queryFn: async (context) => {
      // What is printed is what is stored.
      if (assessment.may_write && wanted !== stored.current) {
        await store.mutateAsync(rested)
        stored.current = wanted
      }
      setShare(0)
      return (query.queryFn as (c: typeof context) => Promise<Made>)(context)
    },
    placeholderData: (before) => before, // pages stay in sight until those that follow a change are there
  })
  const isBusy = print.isFetching || !isSettled
  return (
    <Shell
      title={`${texts.assembly.print}: ${assessment.title}`}
      crumbs={[
        { title: texts.assembly.title, to: '/assessments' },
        { title: assessment.title, to: `/assessments/${assessment.id}` },
        { title: texts.assembly.print },
      ]}
      aside={
        <>
          {print.data ? texts.assembly.printing.pages({ n: print.data.pages }) : ''}
          {isBusy && print.data ? <span className="ml-3">{texts.assembly.printing.making}</span> : ''}
          {isBusy && share > 0 ? (
            <progress aria-label={texts.assembly.printing.making} className="ml-3 h-2 w-32 accent-accent" value={share} />
          ) : null}
        </>
      }
      actions={print.data && !isBusy ? <Downloads assessment={assessment} asked={asked} print={print.data.id} /> : null}
    >
      <div className="flex h-full max-md:flex-col max-md:overflow-y-auto">
        <PrintForm
          assessment={assessment}
          settings={settings}
          which={papers}
          set={formSet}
          chosen={forms.data ?? null}
          letters={letters}
          stored={`${assessment.version} ${JSON.stringify(assessment.print)}`}
          mayWrite={assessment.may_write}
          onChange={setSettings}
          onWhich={setPapers}
          onSet={(next) => set('set', next)}
          onLetters={(next) => set('forms', next, true)}
        />
        <div className="flex min-w-0 flex-1 flex-col">
          {print.isError ? (
            <div className="p-4">
              <Message look="problem">{print.error.message}</Message>
            </div>
          ) : null}
          {print.isPending ? <Waiting text={texts.assembly.printing.making} /> : null}
          {print.data && !print.isError ? (
            <Preview assessment={assessment} settings={settings} print={print.data} isStale={isBusy} onChange={setSettings} />
          ) : null}
        </div>
      </div>
    </Shell>
  )
}

/** What is taken away is kept as a receipt, so that it can be printed again as it was. */
function Downloads({ assessment, asked, print }: { assessment: Assessment; asked: Asked; print: string }) {
  const client = useQueryClient()
  const tell = useToast()
  const keep = useMutation({
    mutationFn: () => keepPrint(assessment.id, print),
    onSuccess: () => client.invalidateQueries({ queryKey: receiptsQuery(assessment.id).queryKey }),
    onError: (problem) => tell({ text: problem.message, look: 'problem' }),
  })
  const fetch = useMutation({
    mutationFn: (format: string) => fetchFile(`/api/v1/assessments/${assessment.id}/papers?${askedText(asked)}&format=${format}`),
    onError: (problem) => tell({ text: problem.message, look: 'problem' }),
  })
  return (
    <>
      <Menu.Root align="end" button={<Button aria-busy={fetch.isPending}>{fetch.isPending ? words.keeping : words.documents}</Button>}>
        {(['docx', 'odt', 'html'] as const).map((format) => (
          <Menu.Item key={format} onSelect={() => fetch.mutate(format)}>
            {words[format]}
          </Menu.Item>
        ))}
      </Menu.Root>
      <a href={`/api/v1/assessments/${assessment.id}/prints/${print}`} className={LINK} onClick={() => keep.mutate()}>
        {texts.assembly.printing.fetch}
      </a>
    </>
  )
}
