// Clients that read and write at the same time: node bin/load.mjs BASE SECONDS CLIENTS PAUSE
// Each rests for PAUSE milliseconds on average after a call, as a person looks at what came; 0 never rests.
const [base, seconds = '120', clients = '50', pause = '0'] = process.argv.slice(2)
const until = Date.now() + Number(seconds) * 1000
const times = []
const statuses = new Map()

async function client() {
  const cookies = new Map()
  const call = async (method, path, body, type = 'application/json') => {
    const start = performance.now()
    const response = await fetch(base + path, {
      method,
      headers: {
        'Content-Type': type,
        'X-XSRF-TOKEN': cookies.get('XSRF-TOKEN') ?? '',
        cookie: [...cookies].map(([name, value]) => `${name}=${value}`).join('; '),
      },
      body: body && (typeof body === 'string' ? body : JSON.stringify(body)),
    })
    for (const line of response.headers.getSetCookie()) {
      const [name, value] = line.split(';')[0].split('=')
      cookies.set(name, value)
    }
    const text = await response.text()
    times.push(performance.now() - start)
    if (pause !== '0') await new Promise((done) => setTimeout(done, Math.random() * 2 * Number(pause)))
    const status = `${response.status} ${response.status >= 500 ? path.replace(/[0-9a-f-]{36}/g, '…') : ''}`
    statuses.set(status, (statuses.get(status) ?? 0) + 1)
    return text.startsWith('{') || text.startsWith('[') ? JSON.parse(text) : undefined
  }
  await call('GET', '/api/session')
  const account = new URLSearchParams({ email: 'advisor@tidemark.example', password: 'orrin-levels' })
  await call('POST', '/api/session', account.toString(), 'application/x-www-form-urlencoded')
  await call('GET', '/api/session')
  const pick = (list) => list[Math.floor(Math.random() * list.length)]
  while (Date.now() < until) {
    const fields = await call('GET', '/api/fields')
    if (!Array.isArray(fields)) continue
    const field = pick(fields)
    const face = await call('GET', `/api/fields/${field.id}`)
    const visit = face?.visits?.[0]
    const stop = face?.stops && pick(face.stops)
    if (visit && stop) {
      const readings = { kind: 'meter-1to1', layers: [{ topMm: 0, bottomMm: 150, value: 5 + Math.random() * 3 }] }
      const test = { visitId: visit.id, stopId: stop.id, method: 'ph', depthTopMm: 0, depthBottomMm: 150 }
      const draft = crypto.randomUUID()
      await call('PUT', `/api/drafts/${draft}`, { ...test, content: { readings }, version: 0 })
      await call('PUT', `/api/measurements/${draft}`, { ...test, readings, takenAt: new Date().toISOString() })
      await call('GET', `/api/visits/${visit.id}`)
    }
    await call('GET', pick([`/api/fields/${field.id}/limits`, `/api/fields/${field.id}/plan`, '/api/timers', '/api/growers']))
  }
}

await Promise.all(Array.from({ length: Number(clients) }, client))
times.sort((a, b) => a - b)
const at = (share) => Math.round(times[Math.floor(times.length * share)])
console.log(`load: ${clients} clients, ${pause} ms of rest, ${seconds} s: ${times.length} calls, p50 ${at(0.5)} ms, p95 ${at(0.95)} ms`)
console.log('load: answers', Object.fromEntries([...statuses].sort()))
process.exit([...statuses.keys()].some((status) => status >= '500') ? 1 : 0)
