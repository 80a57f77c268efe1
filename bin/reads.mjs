// Times reads of a running server as a signed-in advisor: node reads.mjs ADDRESS LABEL
// Prints median and 95th percentile over 120 reads of each page's data, after 40 to warm up.
const [address, label] = process.argv.slice(2)
const jar = new Map()
async function call(path, options = {}) {
  const response = await fetch(address + path, {
    ...options,
    headers: { ...options.headers, cookie: [...jar].map(([k, v]) => `${k}=${v}`).join('; '), 'X-XSRF-TOKEN': jar.get('XSRF-TOKEN') ?? '' },
  })
  for (const cookie of response.headers.getSetCookie()) {
    const [name, value] = cookie.split(';')[0].split('=')
    jar.set(name, value)
  }
  return response
}
await call('/api/session')
const signedIn = await call('/api/session', {
  method: 'POST',
  body: new URLSearchParams({ email: 'advisor@tidemark.example', password: 'orrin-levels' }),
})
if (!signedIn.ok) throw new Error(`sign-in answered ${signedIn.status}`)
const fields = await (await call('/api/fields')).json()
// one in the middle: on the large practice a field of ten years that the demo does not have
const field = fields[Math.floor(fields.length / 2)].id
const face = await (await call(`/api/fields/${field}`)).json()
const pages = {
  'Fields page': '/api/fields',
  'Fields, found by typing': '/api/fields?find=field',
  'Field page': `/api/fields/${field}`,
  Sheet: `/api/fields/${field}/sheet`,
  Change: `/api/fields/${field}/change`,
  Compare: `/api/compare?field=${field}&otherField=${fields.at(-1).id}`,
  Visit: `/api/visits/${face.visits[0].id}`,
}
for (const [page, path] of Object.entries(pages)) {
  const times = []
  for (let i = 0; i < 160; i++) {
    const start = performance.now()
    const response = await call(path)
    await response.arrayBuffer()
    if (!response.ok) throw new Error(`${path} answered ${response.status}`)
    if (i >= 40) times.push(performance.now() - start)
  }
  times.sort((a, b) => a - b)
  console.log(`${label.padEnd(8)} ${page.padEnd(24)} median ${times[60].toFixed(1).padStart(6)} ms   p95 ${times[113].toFixed(1).padStart(6)} ms`)
}
