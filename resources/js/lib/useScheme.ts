import { useState } from 'react'
import { storedText, storeText } from './storage'

/** Light, dark or as the system; applied before the first paint by app.tsx. */
export function applyScheme(scheme = storedText('scheme') ?? 'system') {
  if (scheme === 'system') delete document.documentElement.dataset.scheme
  else document.documentElement.dataset.scheme = scheme
}

export function useScheme(): [string, (scheme: string) => void] {
  const [scheme, setScheme] = useState(() => storedText('scheme') ?? 'system')
  return [
    scheme,
    (next) => {
      storeText('scheme', next)
      applyScheme(next)
      setScheme(next)
    },
  ]
}
