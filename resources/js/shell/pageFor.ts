import { slug } from '@/lib/helpPages'

/** Which page of the guide fits a screen: the first address that begins so. */
const pages: [RegExp, string][] = [
  [/^\/banks\/[^/]+\/write/, 'Writing'],
  [/^\/banks\/[^/]+\/order/, 'Organising a bank'],
  [/^\/banks\/[^/]+\/acts|^\/acts/, 'Many at once'],
  [/^\/banks\/[^/]+\/stimuli|^\/stimuli/, 'Stimuli'],
  [/^\/banks\/[^/]+\/media/, 'Pictures and other media'],
  [/^\/banks\/.+|^\/find/, 'A bank: filters, list, question'],
  [/^\/banks/, 'Banks'],
  [/^\/questions/, 'Writing'],
  [/^\/assessments\/[^/]+\/print/, 'On paper'],
  [/^\/assessments/, 'Assessments'],
  [/^\/intakes|^\/transfers/, 'Importing questions'],
  [/^\/dispatches|^\/receipts/, 'Exporting'],
  [/^\/account/, 'Your account'],
  [/^\/people|^\/work/, 'For administrators: People'],
  [/^\/desk/, 'The desk'],
]

export function helpFor(pathname: string): string {
  const title = pages.find(([address]) => address.test(pathname))?.[1]
  return title ? `/help/${slug(title)}` : '/help'
}

export const titles = pages.map(([, title]) => title)
