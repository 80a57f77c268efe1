// Evaluates every task of a file with the compiled core: node evaluate-all.mjs MODULE TASKS ANSWERS
import { readFileSync, writeFileSync } from 'node:fs'
import { pathToFileURL } from 'node:url'

const [module, tasks, answers] = process.argv.slice(2)
const core = await import(pathToFileURL(module))
const input = JSON.parse(readFileSync(tasks, 'utf8'))
core.open(JSON.stringify(input.benchmarks), JSON.stringify(input.messages))
core.openPractice(JSON.stringify(input.evidence))
const ways = {
  method: (method, body) => core.evaluate(method, body),
  calculator: (method, body) => core.workOut(method, body),
  deal: (_, body) => core.deal(body),
  scene: (method, body) => core.scene(body, method, 0),
  verdict: (_, body) => core.verdict(body),
  look: (kind, body) => {
    const { inputs, pictures } = JSON.parse(body)
    const [one, other] = pictures.map(({ width, rgba }) => ({
      width,
      data: new Uint8ClampedArray(Buffer.from(rgba, 'base64')),
    }))
    const said = JSON.stringify(inputs)
    return other
      ? core.lookAtBoth(kind, said, one.data, one.width, other.data, other.width)
      : core.look(kind, said, one.data, one.width)
  },
}
writeFileSync(
  answers,
  JSON.stringify(input.tasks.map(({ method, body, kind }) => JSON.parse(ways[kind](method, body)))),
)
