// What a read costs the server: node cost.mjs ADDRESS PID
// Processor time of the server's process over 3,000 reads of each, after 6,000 to warm up, and how many times that of the
// smallest read that needs a sign-in. Reads are of eight fields in turn.
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
let smallest
for (const packed of ['gzip', 'identity'])
  for (const [name, pathOf] of Object.entries(reads)) {
    const read = async (i) => (await call(pathOf(i), { headers: { 'accept-encoding': packed } })).arrayBuffer()
    for (let i = 0; i < 6000; i++) await read(i)
    const before = spent()
    for (let i = 0; i < 3000; i++) await read(i)
    const each = (spent() - before) / 3000
    if (name === 'smallest read') smallest = each
    console.log(
      `${packed.padEnd(9)} ${name.padEnd(14)} ${each.toFixed(2).padStart(6)} ms of processor   ${(each / smallest).toFixed(1)} ×`,
    )
  }
