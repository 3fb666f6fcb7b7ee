import { type ComponentProps, createContext, type ReactNode, useContext, useId } from 'react'

const Ids = createContext<{ control: string; problem: string | null } | null>(null)

function useIds(part: string) {
  const ids = useContext(Ids)
  if (!ids) throw new Error(`Field.${part} must be used within Field.Root`)
  return ids
}

/** Makes the ids that tie a label, its control and what is wrong with it together. */
function Root({ problem, children }: { problem?: string | null; children: ReactNode }) {
  const id = useId()
  return (
    <Ids.Provider value={{ control: id, problem: problem ? `${id}-problem` : null }}>
      <div className="flex flex-col gap-1">
        {children}
        {problem ? (
          <p id={`${id}-problem`} className="text-caption text-problem">
            {problem}
          </p>
        ) : null}
      </div>
    </Ids.Provider>
  )
}

function Label({ hidden, children }: { hidden?: boolean; children: ReactNode }) {
  return (
    <label htmlFor={useIds('Label').control} className={hidden ? 'sr-only' : 'text-caption text-second'}>
      {children}
    </label>
  )
}

export const control =
  'rounded-ui border border-edge bg-paper px-2 py-1 text-ui text-ink min-h-8 placeholder:text-quiet aria-invalid:border-problem'

function Text({ className = '', ...rest }: ComponentProps<'input'>) {
  const ids = useIds('Text')
  return (
    <input
      id={ids.control}
      aria-invalid={ids.problem ? true : undefined}
      aria-describedby={ids.problem ?? undefined}
      className={`${control} ${className}`}
      {...rest}
    />
  )
}

function Area({ className = '', ...rest }: ComponentProps<'textarea'>) {
  const ids = useIds('Area')
  return (
    <textarea
      id={ids.control}
      aria-invalid={ids.problem ? true : undefined}
      aria-describedby={ids.problem ?? undefined}
      className={`${control} ${className}`}
      {...rest}
    />
  )
}

function Choice({ className = '', ...rest }: ComponentProps<'select'>) {
  return <select id={useIds('Choice').control} className={`${control} ${className}`} {...rest} />
}

export const Field = { Root, Label, Text, Area, Choice }
