// Times one evaluation of each method in the page build: node bench.mjs MODULE TASKS
// TASKS: {benchmarks, messages, tasks: [{method, body}]}. Prints the median and the slowest of 30, in milliseconds.
import { readFileSync } from 'node:fs'
import { pathToFileURL } from 'node:url'

const [module, file] = process.argv.slice(2)
const core = await import(pathToFileURL(module))
const input = JSON.parse(readFileSync(file, 'utf8'))
core.open(JSON.stringify(input.benchmarks), JSON.stringify(input.messages))
let slowest = 0
for (const { method, body } of input.tasks) {
  const times = []
  for (let i = 0; i < 30; i++) {
    const start = performance.now()
    core.evaluate(method, body)
    times.push(performance.now() - start)
  }
  const first = times[0]
  times.sort((a, b) => a - b)
  slowest = Math.max(slowest, times[29])
  const show = (ms) => ms.toFixed(3).padStart(9)
  console.log(`${method.padEnd(20)} first ${show(first)} ms   median ${show(times[15])} ms   slowest ${show(times[29])} ms`)
}
console.log(`slowest of all: ${slowest.toFixed(1)} ms (limit 20 ms)`)
