import type { ReactNode } from 'react'

const looks = {
  attention: 'bg-attention-tint text-attention border-attention',
  problem: 'bg-problem-tint text-problem border-problem',
  done: 'bg-accent-tint text-accent border-accent',
}

/** A line that says what happened, with what can be done about it. */
export function Message({ look, children, actions }: { look: keyof typeof looks; children: ReactNode; actions?: ReactNode }) {
  return (
    <div
      role={look === 'problem' ? 'alert' : 'status'}
      className={`flex flex-wrap items-center gap-3 rounded-ui border px-3 py-2 text-ui ${looks[look]}`}
    >
      <p className="min-w-0 flex-1">{children}</p>
      {actions}
    </div>
  )
}

export function Waiting({ text }: { text: string }) {
  return (
    <p role="status" className="p-6 text-quiet">
      {text}
    </p>
  )
}

export function Nothing({ title, children }: { title: string; children?: ReactNode }) {
  return (
    <div className="flex flex-col items-start gap-2 p-8">
      <p className="text-head font-semibold">{title}</p>
      <div className="text-second">{children}</div>
    </div>
  )
}
