import type { ReactNode } from 'react'

/** A condition or a word that can be taken away. */
export function Chip({ children, onRemove, removeName }: { children: ReactNode; onRemove?: () => void; removeName?: string }) {
  return (
    <span className="inline-flex min-h-6 max-w-full items-center gap-1 rounded-ui bg-accent-tint px-2 py-0.5 text-accent">
      <span className="min-w-0 [overflow-wrap:anywhere]">{children}</span>
      {onRemove ? (
        <button
          type="button"
          aria-label={removeName}
          title={removeName}
          onClick={onRemove}
          className="min-h-6 min-w-6 -mr-1.5 rounded-ui hover:bg-accent hover:text-on-accent"
        >
          <span aria-hidden="true">×</span>
        </button>
      ) : null}
    </span>
  )
}
