// Types of each method's readings, made from the catalogue that the server serves: a reading that is renamed in the
// core no longer compiles in the page.
import { readFileSync, writeFileSync } from 'node:fs'
import { format } from 'prettier'

const catalogue = JSON.parse(readFileSync(new URL('../catalogue.json', import.meta.url), 'utf8'))

/** Entries of one name, given under conditions that exclude each other, are one reading with the options of all. */
function byName(entries) {
  const names = new Map()
  for (const entry of entries) names.set(entry.name, [...(names.get(entry.name) ?? []), entry])
  return names
}

const codes = (entries) =>
  [...new Set(entries.flatMap((entry) => entry.options.map((option) => JSON.stringify(option.code))))].join(' | ')

function typeOf(entries) {
  const { type, items } = entries[0]
  if (type === 'number' || type === 'count') return 'number'
  if (type === 'flag') return 'boolean'
  if (type === 'text') return 'string'
  if (type === 'word') return codes(entries)
  if (type === 'words' || type === 'set') return `(${codes(entries)})[]`
  if (type === 'numbers') return 'number[]'
  if (type === 'texts') return 'string[]'
  if (type === 'tree') return 'Record<string, unknown>'
  if (type === 'counts') return 'Record<string, number>'
  if (type === 'group') return groupOf(items)
  if (type === 'list') return `${groupOf(entries.flatMap((entry) => entry.items))}[]`
  throw new Error(`a reading of an unknown type: ${type}`)
}

const groupOf = (entries) =>
  `{ ${[...byName(entries)].map(([name, same]) => `${name}?: ${typeOf(same)}`).join('; ')} }`

const record = (part, type) =>
  `{ ${Object.keys(part)
    .map((name) => `${JSON.stringify(name)}: ${type}`)
    .join('; ')} }`

const lines = catalogue.map(
  (method) => `'${method.id}': {
    readings: ${groupOf(method.readings)}
    drawn: ${record(method.drawn, 'number')}
    groups: ${record(method.groups, 'string[]')}
    prompts: ${record(method.prompts, 'string')}
  }`,
)

const text = `/** Made from catalogue.json by scripts/readingTypes.mjs: what each method's entry may hold, and its catalogue parts. */
export type MethodTypes = {
${lines.join('\n')}
}
`
writeFileSync(
  new URL('../src/api/methodTypes.d.ts', import.meta.url),
  await format(text, { parser: 'typescript', semi: false, singleQuote: true, printWidth: 110 }),
)
