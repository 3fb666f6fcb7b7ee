import { readdirSync } from 'node:fs'
import type { Plugin } from 'vite'
import { compileMessages } from './compile.ts'

const folder = new URL('./en/', import.meta.url).pathname
/** The texts of app.json are wanted everywhere; the others by the modules that name them. */
const areas = readdirSync(folder).flatMap((file) => (file === 'app.json' ? [] : [file.replace('.json', '')]))
const prefix = 'virtual:messages/'
const parser = '@formatjs/icu-messageformat-parser'

/**
 * Messages travel with the screens that show them: a module that says `texts.bank.…` imports the messages of that area, so that the
 * first screen does not wait for the texts of all. They are parsed here, so that the parser need not be sent.
 */
export function messages(): Plugin {
  return {
    name: 'messages',
    enforce: 'pre',
    config: (_, { command }) => (command === 'build' ? { resolve: { alias: { [parser]: `${parser}/no-parser.js` } } } : {}),
    resolveId: (id) => (id.startsWith(prefix) ? `\0${id}` : undefined),
    load(id) {
      if (!id.startsWith(`\0${prefix}`)) return
      const area = id.slice(prefix.length + 1)
      return [
        `import { addMessages } from '@/messages'`,
        `import messages from '${folder}${area}.json'`,
        `addMessages('${area}', messages)`,
      ].join('\n')
    },
    transform(code, id) {
      if (/\/(messages\/en\/\w+|parts\/\w+\/messages\.en)\.json$/.test(id)) return JSON.stringify(compileMessages(JSON.parse(code)))
      if (!/\/resources\/js\/.*\.tsx?$/.test(id)) return
      const named = areas.filter((area) => new RegExp(`\\btexts\\.${area}\\b`).test(code))
      return named.length === 0 ? undefined : { code: `${code}\n${named.map((area) => `import '${prefix}${area}'\n`).join('')}`, map: null }
    },
  }
}
