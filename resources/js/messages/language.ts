import { storedText } from '@/lib/storage'

/** The language of the interface. English is written; the others are made from it to test that every text can be translated. */
export type Language = 'en' | 'en-XA' | 'ar-XB'

/** en-XA: accents and forty per cent longer. ar-XB: the same, read from right to left. Both are BCP 47 tags of private use (UTS 35). */
export const language: Language = (['en-XA', 'ar-XB'] as const).find((one) => one === storedText('quarry.language')) ?? 'en'

/** How numbers, dates and lists are written and sorted. */
export const locale = 'en-GB'
export const direction = language === 'ar-XB' ? 'rtl' : 'ltr'

/** Tells the browser how the page is to be read aloud, hyphenated and laid out. */
export function applyLanguage(): void {
  document.documentElement.lang = language === 'en' ? locale : language
  document.documentElement.dir = direction
}
