import { useState } from 'react'

/** Light, dark or as the system; applied before the first paint by app.tsx. */
export function applyScheme(scheme = localStorage.getItem('scheme') ?? 'system') {
  if (scheme === 'system') delete document.documentElement.dataset.scheme
  else document.documentElement.dataset.scheme = scheme
}

export function useScheme(): [string, (scheme: string) => void] {
  const [scheme, setScheme] = useState(() => localStorage.getItem('scheme') ?? 'system')
  return [
    scheme,
    (next) => {
      localStorage.setItem('scheme', next)
      applyScheme(next)
      setScheme(next)
    },
  ]
}
