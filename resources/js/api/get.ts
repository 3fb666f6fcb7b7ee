import { language } from '@/messages/language'

export function cookie(name: string): string {
  const found = document.cookie.split('; ').find((pair) => pair.startsWith(`${name}=`))
  return found ? decodeURIComponent(found.slice(name.length + 1)) : ''
}

export const headers = () => ({ Accept: 'application/json', 'Accept-Language': language, 'X-XSRF-TOKEN': cookie('XSRF-TOKEN') })

/** A plain reading, as the server answers it. */
export const get = (path: string) => fetch(`/api/v1${path}`, { credentials: 'same-origin', headers: headers() })
