// What a read costs the server: node cost.mjs ADDRESS PID
// Processor time of the server's process, median of five rounds of 1,000 reads of each, and how many times that of the
// smallest read that needs a sign-in. All are warmed up before the first round and take turns, so that none pays for what
// the compiler does meanwhile. Reads are of eight fields in turn.
import { readFileSync } from 'node:fs'
import { signedIn } from './client.mjs'
const [address, pid] = process.argv.slice(2)
const call = await signedIn(address)
const fields = (await (await call('/api/fields?order=name')).json()).slice(0, 8).map((field) => field.id)
/** Milliseconds that the process has had a processor; the kernel counts in hundredths of a second. */
const spent = () => {
  const after = readFileSync(`/proc/${pid}/stat`, 'utf8').split(') ')[1].split(' ')
  return (Number(after[11]) + Number(after[12])) * 10
}
const reads = {
  'smallest read': () => '/api/practice',
  face: (i) => `/api/fields/${fields[i % fields.length]}`,
  plan: (i) => `/api/fields/${fields[i % fields.length]}/plan`,
  limits: (i) => `/api/fields/${fields[i % fields.length]}/limits`,
}
const ROUNDS = 5
const EACH = 1000
const kinds = ['gzip', 'identity'].flatMap((packed) =>
  Object.entries(reads).map(([name, pathOf]) => ({ packed, name, pathOf, spent: [] })),
)
const read = async ({ packed, pathOf }, i) => (await call(pathOf(i), { headers: { 'accept-encoding': packed } })).arrayBuffer()
for (let round = -4; round < ROUNDS; round++)
  for (const kind of kinds) {
    const before = spent()
    for (let i = 0; i < EACH; i++) await read(kind, i)
    if (round >= 0) kind.spent.push((spent() - before) / EACH)
  }
for (const kind of kinds) kind.each = kind.spent.sort((a, b) => a - b)[(ROUNDS - 1) / 2]
for (const { packed, name, each } of kinds) {
  const smallest = kinds.find((kind) => kind.packed === packed && kind.name === 'smallest read').each
  console.log(
    `${packed.padEnd(9)} ${name.padEnd(14)} ${each.toFixed(2).padStart(6)} ms of processor   ${(each / smallest).toFixed(1)} ×`,
  )
}
