import { MoreHorizontal } from 'lucide-react'
import type { ComponentProps } from 'react'

/** Opens what can be done with one thing of many; its name says with which. */
export function MoreButton({ name, ...rest }: { name: string } & ComponentProps<'button'>) {
  return (
    <button
      type="button"
      aria-label={name}
      title={name}
      className="flex min-h-6 min-w-6 items-center justify-center rounded-ui text-quiet hover:bg-well"
      {...rest}
    >
      <MoreHorizontal size={14} aria-hidden="true" />
    </button>
  )
}
