import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { useNavigate, useParams, useSearchParams } from 'react-router'
import { carryOver, carryPreviewQuery } from '@/api/carry'
import { bankQuery, banksQuery } from '@/api/queries'
import { useDebouncedValue } from '@/lib/useDebouncedValue'
import { texts } from '@/messages'
import { Shell } from '@/shell/Shell'
import { Button } from '@/ui/Button'
import { Message } from '@/ui/Message'
import { PageAndSide } from '@/ui/PageAndSide'
import { HowAndWhere } from './HowAndWhere'
import { Mappings } from './Mappings'
import { PreviewSide } from './PreviewSide'
import { type Draft, isSomething, planOf, previewed } from './plan'
import { WhatToCarry } from './WhatToCarry'

const words = texts.carry

/** Folders and assessments of a bank taken into another one: last year's into this year's. */
export function CarryOver() {
  const slug = useParams().slug ?? ''
  const [address] = useSearchParams()
  const shown = address.get('filter') ?? ''
  const navigate = useNavigate()
  const client = useQueryClient()
  const bank = useQuery(bankQuery(slug))
  const banks = useQuery(banksQuery)
  const others = (banks.data ?? []).filter((one) => one.slug !== slug && one.may_write && !one.archived)
  const [draft, setDraft] = useState<Draft>({
    isNew: false,
    into: '',
    name: '',
    folder: '',
    what: shown === '' ? 'everything' : 'shown',
    folders: [],
    assessments: [],
    how: 'copies',
    topics: {},
    frameworks: {},
  })
  const [key, setKey] = useState(() => crypto.randomUUID())
  const change = (more: Partial<Draft>) => {
    setDraft({ ...draft, ...more })
    setKey(crypto.randomUUID()) // another wish
  }
  const now = {
    ...draft,
    isNew: draft.isNew || (banks.isSuccess && others.length === 0),
    name: draft.name || (bank.data ? words.nameOf({ name: bank.data.name }) : ''),
  }
  const plan = planOf(now, shown)
  const asked = useDebouncedValue(previewed(plan), 300)
  const preview = useQuery({ ...carryPreviewQuery(slug, asked), enabled: banks.isSuccess })
  const go = useMutation({
    mutationFn: () => carryOver(slug, plan, key),
    onSuccess: ({ act }) => {
      client.invalidateQueries()
      navigate(`/acts/${act.act}`)
    },
  })
  const problem = go.error?.message ?? (preview.isError ? preview.error.message : null)
  return (
    <Shell
      title={words.title}
      crumbs={[{ title: texts.banks.title, to: '/banks' }, { title: bank.data?.name ?? '…', to: `/banks/${slug}` }, { title: words.title }]}
      actions={
        <Button
          look="primary"
          disabled={!isSomething(preview.data) || (!now.isNew && now.into === '')}
          aria-disabled={go.isPending}
          onClick={() => !go.isPending && go.mutate()}
        >
          {isSomething(preview.data)
            ? words.go({
                questions: (preview.data?.questions ?? 0) - (preview.data?.not_lent ?? 0),
                assessments: preview.data?.assessments.length ?? 0,
              })
            : words.title}
        </Button>
      }
    >
      <PageAndSide
        name="carry"
        label={words.settings}
        page={
          <div className="h-full overflow-y-auto">
            <div className="flex max-w-180 flex-col gap-6 p-6 max-md:p-4">
              <p className="text-second">{words.about}</p>
              {problem ? <Message look="problem">{problem}</Message> : null}
              <HowAndWhere draft={now} banks={others} onChange={change} />
              <WhatToCarry slug={slug} draft={now} isShown={shown !== ''} onChange={change} />
              {now.how === 'copies' ? <Mappings draft={now} preview={preview.data} onChange={change} /> : null}
            </div>
          </div>
        }
        side={<PreviewSide preview={preview.data} isCopying={now.how === 'copies'} isStale={preview.isFetching} />}
      />
    </Shell>
  )
}
