import { ApiProblem } from '@/api/client'
import { texts } from '@/messages'

/** Gives bytes to the browser as a file to be kept. */
export function saveFile(bytes: Blob, name: string): void {
  const link = document.createElement('a')
  link.href = URL.createObjectURL(bytes)
  link.download = name
  link.click()
  URL.revokeObjectURL(link.href)
}

/**
 * Fetches a file under an address of this application and keeps it. Where it is refused, the page stays and the sentence is thrown; a link
 * would put the answer in the place of the page.
 */
export async function fetchFile(address: string): Promise<void> {
  const response = await fetch(address, { credentials: 'same-origin' })
  if (!response.ok) {
    const problem = (await response.json().catch(() => null)) as { type?: string; detail?: string } | null
    throw new ApiProblem(response.status, problem?.type ?? '', problem?.detail ?? texts.problem.title, null, problem ?? {})
  }
  saveFile(await response.blob(), fileName(response.headers.get('Content-Disposition') ?? ''))
}

/** The name in a header (RFC 6266): the one of all letters where there is one. */
export function fileName(header: string): string {
  const encoded = /filename\*=utf-8''([^;]+)/i.exec(header)?.[1]
  if (encoded !== undefined) return decodeURIComponent(encoded)
  return /filename="?([^";]+)"?/i.exec(header)?.[1] ?? ''
}
