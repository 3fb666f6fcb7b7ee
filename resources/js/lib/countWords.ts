const WORD =
  /[\p{Script=Han}\p{Script=Hiragana}\p{Script=Katakana}]|[^\s\p{Script=Han}\p{Script=Hiragana}\p{Script=Katakana}]*[\p{L}\p{N}][^\s\p{Script=Han}\p{Script=Hiragana}\p{Script=Katakana}]*/gu

/** How many words a text has, as the core counts them (core/src/Content/WordCount.php). */
export const countWords = (text: string): number => text.match(WORD)?.length ?? 0
