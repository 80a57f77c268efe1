// Evaluates every task of a file with the compiled core: node evaluate-all.mjs MODULE TASKS ANSWERS
import { readFileSync, writeFileSync } from 'node:fs'
import { pathToFileURL } from 'node:url'

const [module, tasks, answers] = process.argv.slice(2)
const core = await import(pathToFileURL(module))
const input = JSON.parse(readFileSync(tasks, 'utf8'))
core.open(JSON.stringify(input.benchmarks), JSON.stringify(input.messages))
writeFileSync(
  answers,
  JSON.stringify(
    input.tasks.map(({ method, body, kind }) =>
      JSON.parse(kind === 'calculator' ? core.workOut(method, body) : core.evaluate(method, body)),
    ),
  ),
)
