import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { useParams } from 'react-router'
import { type Assessment, assessmentQuery, type PrintSettings, printQuery, setPrint } from '@/api/assembly'
import { useDebouncedValue } from '@/lib/useDebouncedValue'
import { texts } from '@/messages'
import { Shell } from '@/shell/Shell'
import { Message, Nothing, Waiting } from '@/ui/Message'
import { PrintForm } from './PrintForm'

/** The real pages of an assessment, and what they are printed like. */
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
  const [papers, setPapers] = useState(['learner'])
  const which = papers.join(',')
  const [settings, setSettings] = useState<PrintSettings>(assessment.print)
  const rested = useDebouncedValue(settings, 500)
  const store = useMutation({
    mutationFn: (next: PrintSettings) => setPrint(assessment.id, next),
    onSuccess: (_, next) => client.setQueryData(assessmentQuery(assessment.id).queryKey, (now) => (now ? { ...now, print: next } : now)),
  })
  const asked = JSON.stringify(rested)
  const print = useQuery({
    ...printQuery(assessment.id, which, assessment.version, asked),
    queryFn: async (context) => {
      // What is printed is what is stored.
      if (assessment.may_write && asked !== JSON.stringify(assessment.print)) await store.mutateAsync(rested)
      const query = printQuery(assessment.id, which, assessment.version, asked)
      return (query.queryFn as (c: typeof context) => Promise<{ id: string; pages: number }>)(context)
    },
  })
  const base = `/api/v1/assessments/${assessment.id}/prints/${print.data?.id}`
  return (
    <Shell
      title={`${texts.assembly.print}: ${assessment.title}`}
      crumbs={[
        { title: texts.assembly.title, to: '/assessments' },
        { title: assessment.title, to: `/assessments/${assessment.id}` },
        { title: texts.assembly.print },
      ]}
      aside={print.data ? texts.assembly.printing.pages({ n: print.data.pages }) : null}
      actions={
        print.data && !print.isFetching ? (
          <>
            <a
              href={`/api/v1/assessments/${assessment.id}/papers?which=${which}`}
              className="inline-flex min-h-8 items-center rounded-ui border border-edge bg-paper px-3 font-semibold hover:bg-well"
            >
              {texts.assembly.printing.fetchHtml}
            </a>
            <a
              href={base}
              className="inline-flex min-h-8 items-center rounded-ui border border-accent bg-accent px-3 font-semibold text-on-accent hover:brightness-110"
            >
              {texts.assembly.printing.fetch}
            </a>
          </>
        ) : null
      }
    >
      <div className="flex h-full max-md:flex-col max-md:overflow-y-auto">
        <PrintForm
          assessment={assessment}
          settings={settings}
          which={papers}
          stored={`${assessment.version} ${JSON.stringify(assessment.print)}`}
          mayWrite={assessment.may_write}
          onChange={setSettings}
          onWhich={setPapers}
        />
        {/* biome-ignore lint/a11y/noNoninteractiveTabindex: its pages are scrolled by keys */}
        <section aria-label={texts.assembly.sheet} tabIndex={0} className="-outline-offset-2 min-w-0 flex-1 overflow-y-auto bg-well p-6">
          {print.isError ? <Message look="problem">{print.error.message}</Message> : null}
          {print.isPending || print.isFetching ? <Waiting text={texts.assembly.printing.making} /> : null}
          {print.data && !print.isFetching ? (
            <ol className="flex flex-col items-center gap-6">
              {Array.from({ length: print.data.pages }, (_, i) => i + 1).map((page) => (
                <li key={page}>
                  <img
                    src={`${base}/pages/${page}`}
                    alt={texts.assembly.printing.page({ n: page, of: print.data.pages })}
                    loading="lazy"
                    className="w-186 max-w-full border border-hairline bg-white"
                    style={{ aspectRatio: settings.paper === 'letter' ? '8.5 / 11' : '210 / 297' }}
                  />
                </li>
              ))}
            </ol>
          ) : null}
        </section>
      </div>
    </Shell>
  )
}
