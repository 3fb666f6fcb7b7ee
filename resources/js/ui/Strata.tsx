/** Horizontal layers, thick as their share. The table beside it says the same in words. */
export type Layer = { name: string; count: number; tone: string }

export function Strata({ layers, label }: { layers: Layer[]; label: string }) {
  const all = layers.reduce((sum, layer) => sum + layer.count, 0)
  const words = layers.filter((layer) => layer.count > 0).map((layer) => `${layer.count} ${layer.name}`)
  return (
    <div
      role="img"
      aria-label={`${label}: ${words.join(', ') || '0'}`}
      className="flex h-16 w-14 flex-col overflow-hidden rounded-ui border border-hairline bg-well"
    >
      {layers.map((layer) =>
        layer.count > 0 ? (
          <div
            key={layer.name}
            className={`${layer.tone} border-b border-paper last:border-b-0`}
            style={{ flex: `${layer.count / all} 0 4px` }}
          />
        ) : null,
      )}
    </div>
  )
}

/** Five layers, filled to a level. */
export function Level({ value, label }: { value: number | null; label: string }) {
  return (
    <span
      {...(value === null ? { 'aria-hidden': true } : { role: 'img', 'aria-label': label, title: label })}
      className="flex h-5 w-3.5 flex-none flex-col-reverse gap-px"
    >
      {[1, 2, 3, 4, 5].map((step) => (
        <span key={step} className={`flex-1 ${value !== null && step <= value ? 'bg-second' : 'bg-hairline'}`} />
      ))}
    </span>
  )
}
