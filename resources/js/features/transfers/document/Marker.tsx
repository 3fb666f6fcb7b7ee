const shapes = [
  <circle key="0" cx="7" cy="7" r="5.5" />,
  <rect key="1" x="2" y="2" width="10" height="10" />,
  <path key="2" d="M7 1 13 12.5H1Z" />,
  <path key="3" d="M7 .5 13.5 7 7 13.5.5 7Z" />,
  <path key="4" d="M4 1h6l3 6-3 6H4L1 7Z" />,
]
const colours = ['text-layer-5', 'text-attention', 'text-information', 'text-problem', 'text-layer-4']

/** Ties what was typed to what was understood, by colour and by shape. */
export function Marker({ index }: { index: number }) {
  return (
    <svg viewBox="0 0 14 14" aria-hidden="true" className={`size-3.5 flex-none fill-current ${colours[index % colours.length]}`}>
      {shapes[index % shapes.length]}
    </svg>
  )
}

export const edgeOf = (index: number): string =>
  ['border-l-layer-5', 'border-l-attention', 'border-l-information', 'border-l-problem', 'border-l-layer-4'][index % 5] ?? ''
