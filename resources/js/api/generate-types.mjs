// Writes schema.ts from the API description in var/openapi.json: npm run api

import { readFileSync, writeFileSync } from 'node:fs'
import { compile } from 'json-schema-to-typescript'

const description = JSON.parse(readFileSync('var/openapi.json', 'utf8'))

/** Tuples as the generator reads them: it knows the "items" of drafts before 2020-12. */
function olderDraft(schema) {
  if (Array.isArray(schema)) return schema.map(olderDraft)
  if (typeof schema !== 'object' || schema === null) return schema
  const { prefixItems, items, $ref, ...rest } = schema
  const tuple = prefixItems ? { items: prefixItems, additionalItems: items ?? true, minItems: prefixItems.length } : items ? { items } : {}
  const whole = { ...rest, ...tuple, ...($ref ? { $ref: $ref.replace('#/components/schemas/', '#/definitions/') } : {}) }
  return Object.fromEntries(Object.entries(whole).map(([key, value]) => [key, olderDraft(value)]))
}

/** What each operation answers, by "GET /path". */
const answers = Object.fromEntries(
  Object.entries(description.paths).flatMap(([path, methods]) =>
    Object.entries(methods).flatMap(([method, { responses }]) => {
      const { default: _, ...good } = responses
      const schema = Object.values(good)[0]?.content?.['application/json']?.schema
      return schema ? [[`${method.toUpperCase()} ${path}`, schema]] : []
    }),
  ),
)

const types = await compile(
  olderDraft({
    type: 'object',
    required: Object.keys(answers),
    properties: answers,
    definitions: description.components.schemas,
  }),
  'Answers',
  {
    additionalProperties: false,
    bannerComment: '// Made from the API description by npm run api; not kept in the repository.',
    format: false,
    unreachableDefinitions: true,
  },
)
writeFileSync(
  'resources/js/api/schema.ts',
  types.replace(/ \* ?\n \* This interface was referenced[^/]*(?= \*\/)|\/\*\*\n \* This interface was referenced[^/]*\*\/\n/g, ''),
)
