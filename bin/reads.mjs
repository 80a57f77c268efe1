// Times reads of a running server as a signed-in advisor: node reads.mjs ADDRESS LABEL
// Prints median and 95th percentile over 120 reads of each page's data, after 40 to warm up; each read is of the next of
// up to 120 fields. The server is to keep no views (morphotera.kept-views=0): of few fields all would be kept.
import { signedIn } from './client.mjs'
const [address, label] = process.argv.slice(2)
const call = await signedIn(address)
const json = async (path) => (await call(path)).json()
const fields = []
for (let offset = 0; offset < 120; offset += 60) {
  const page = await json(`/api/fields?order=name&offset=${offset}`)
  fields.push(...page.map((field) => field.id))
  if (page.length < 60) break
}
const visits = []
for (const field of fields.slice(0, 40)) {
  const face = await json(`/api/fields/${field}`)
  if (face.visits[0]) visits.push(face.visits[0].id)
}
const field = (i) => fields[i % fields.length]
const pages = {
  'Fields page': () => '/api/fields',
  'Fields, found by typing': (i) => `/api/fields?find=field ${i % 10}`,
  'Fields, one level': (i) => `/api/fields?level=${['failing', 'strained', 'serviceable', 'robust'][i % 4]}`,
  'Fields, by last visit': () => '/api/fields?order=visit',
  'Fields, far down by name': (i) => `/api/fields?order=name&offset=${Math.max(0, fields.length - 60 + (i % 3))}`,
  'Field page': (i) => `/api/fields/${field(i)}`,
  Limits: (i) => `/api/fields/${field(i)}/limits`,
  Plan: (i) => `/api/fields/${field(i)}/plan`,
  Sheet: (i) => `/api/fields/${field(i)}/sheet`,
  Change: (i) => `/api/fields/${field(i)}/change`,
  Compare: (i) => `/api/compare?field=${field(i)}&otherField=${field(i + 1)}`,
  Visit: (i) => `/api/visits/${visits[i % visits.length]}`,
  Year: () => '/api/year',
  Clocks: () => '/api/timers',
  People: () => '/api/people',
  Log: () => '/api/log',
}
for (const [page, pathOf] of Object.entries(pages)) {
  const times = []
  for (let i = 0; i < 160; i++) {
    const path = pathOf(i)
    const start = performance.now()
    const response = await call(path)
    await response.arrayBuffer()
    if (!response.ok && !(response.status === 404 && path.endsWith('sheet')))
      throw new Error(`${path} answered ${response.status}`)
    if (i >= 40) times.push(performance.now() - start)
  }
  times.sort((a, b) => a - b)
  console.log(
    `${label.padEnd(14)} ${page.padEnd(26)} median ${times[60].toFixed(1).padStart(6)} ms   p95 ${times[113].toFixed(1).padStart(6)} ms`,
  )
}
