// Times days of work in the page build: planned, and planned anew around the first hour.
// usage: node day.mjs CORE.mjs DAYS.json
import { readFileSync } from 'node:fs'
import { pathToFileURL } from 'node:url'

const core = await import(pathToFileURL(process.argv[2]))
const { benchmarks, messages, days } = JSON.parse(readFileSync(process.argv[3], 'utf8'))
core.open(JSON.stringify(benchmarks), JSON.stringify(messages))

const timed = (inputs) => {
  const before = performance.now()
  const answer = JSON.parse(core.workOut('day-plan', JSON.stringify({ inputs })))
  if (answer.errors) throw new Error(JSON.stringify(answer.errors))
  return { answer, ms: performance.now() - before }
}

const say = (what, figures) => {
  const sorted = [...figures].sort((a, b) => a - b)
  const at = (share) => sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))].toFixed(0)
  console.log(`${what}: median ${at(0.5)} ms, worst ${at(1)} ms`)
  return sorted.at(-1)
}

const planned = []
const again = []
for (const day of days) {
  const { answer, ms } = timed(day)
  planned.push(ms)
  const done = answer.series.steps
    .filter((step) => step.start < 60)
    .map(({ chain, step, person, start, end }) => ({ chain, step, person, start, end: end + 1 }))
    .sort((a, b) => a.step - b.step)
  again.push(timed({ ...day, nowMin: 61, done }).ms)
}
const worst = Math.max(say(`page, ${days.length} standard days planned`, planned), say('page, planned anew', again))
if (worst > 1000) process.exitCode = 1
