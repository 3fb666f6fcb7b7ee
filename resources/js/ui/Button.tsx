import type { ComponentProps } from 'react'

const looks = {
  primary: 'bg-accent text-on-accent border-accent font-semibold hover:brightness-110',
  plain: 'bg-paper text-ink border-edge font-semibold hover:border-accent hover:text-accent',
  quiet: 'bg-transparent border-transparent text-accent font-semibold hover:underline',
}

type Props = ComponentProps<'button'> & { look?: keyof typeof looks }

export function Button({ look = 'plain', className = '', type = 'button', ...rest }: Props) {
  return (
    <button
      type={type}
      className={`inline-flex min-h-8 items-center justify-center gap-2 rounded-ui border px-3 py-1 text-ui disabled:cursor-default disabled:opacity-55 aria-disabled:opacity-55 aria-pressed:border-accent aria-pressed:bg-accent-tint aria-pressed:text-accent ${looks[look]} ${className}`}
      {...rest}
    />
  )
}
