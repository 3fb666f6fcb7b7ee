// Writes types.ts from the English catalogue, so that a wrong name or a missing value does not compile: npm run messages

import { readdirSync, readFileSync, writeFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { parse, TYPE } from '@formatjs/icu-messageformat-parser'

const here = new URL('.', import.meta.url)
const read = (url) => JSON.parse(readFileSync(url, 'utf8'))
const lookups = new Set(read(new URL('lookups.json', here)))

function addArguments(elements, found) {
  for (const element of elements) {
    if (element.type === TYPE.literal || element.type === TYPE.pound) continue
    const type =
      element.type === TYPE.plural || element.type === TYPE.number ? 'number' : element.type === TYPE.select ? 'string | boolean' : 'Words'
    if (!found.has(element.value) || type === 'number') found.set(element.value, type)
    for (const option of Object.values(element.options ?? {})) addArguments(option.value, found)
  }
}

function typeOfMessage(message) {
  const found = new Map()
  addArguments(parse(message, { ignoreTag: true }), found)
  if (found.size === 0) return 'string'
  return `(values: { ${[...found].map(([name, type]) => `${name}: ${type}`).join('; ')} }) => string`
}

const key = (name) => (/^[A-Za-z_]\w*$/.test(name) ? name : `'${name}'`)

/** A group whose names come from data has an index signature too: what is looked up there may be missing. */
function typeOf(entry, path, indent) {
  if (typeof entry === 'string') return typeOfMessage(entry)
  const types = Object.entries(entry).map(([name, value]) => [name, typeOf(value, path ? `${path}.${name}` : name, `${indent}  `)])
  const shape = `{\n${types.map(([name, type]) => `${indent}  ${key(name)}: ${type}\n`).join('')}${indent}}`
  if (!lookups.has(path)) return shape
  const kinds = [...new Set(types.map(([, type]) => type))]
  return `${shape} & Record<string, ${kinds.length === 1 ? kinds[0] : 'unknown'}>`
}

export function messageTypes() {
  const catalogue = {}
  for (const file of readdirSync(new URL('en/', here)).sort()) {
    const messages = read(new URL(`en/${file}`, here))
    if (file === 'app.json') Object.assign(catalogue, messages)
    else catalogue[file.replace('.json', '')] = messages
  }
  const parts = new URL('../parts/', here)
  catalogue.kind = {}
  for (const folder of readdirSync(parts, { withFileTypes: true }).filter((one) => one.isDirectory())) {
    try {
      catalogue.kind[folder.name] = read(new URL(`${folder.name}/messages.en.json`, parts))
    } catch (error) {
      if (error.code !== 'ENOENT') throw error // shared folders have no texts of a kind
    }
  }
  return `// Made from the catalogue by npm run messages; messages.alone.test.ts fails when it is out of date.\ntype Words = string | number | readonly string[]\n\nexport type Messages = ${typeOf(catalogue, '', '')}\n`
}

if (process.argv[1] === fileURLToPath(import.meta.url)) writeFileSync(new URL('types.ts', here), messageTypes())
