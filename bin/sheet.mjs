// Scoring 5 stops by 20 indicators on a spreadsheet engine: node sheet.mjs FOLDER, where the engine is installed.
// The sheet does what the core's scoring does: medians, lowest and highest, odd stops, points and their shares by stop and
// field, and the weighted means of five functions. Timed is the entry of 100 other figures, in one batch, until all
// formulas are worked out.
import { createRequire } from 'node:module'
const require = createRequire(`${process.argv[2]}/`)
const { HyperFormula } = require('hyperformula')
const STOPS = 5
const INDICATORS = 20
const FUNCTIONS = 5
const column = (i) => String.fromCharCode(65 + i)
const rows = Array.from({ length: INDICATORS }, (_, i) => {
  const at = i + 1
  const standings = Array.from({ length: STOPS }, () => Math.random())
  const others = (stop) => Array.from({ length: STOPS }, (_, s) => s).filter((s) => s !== stop).map((s) => `${column(s)}${at}`).join(',')
  return [
    ...standings, // A to E
    `=MEDIAN(A${at}:E${at})`, // F
    `=MIN(A${at}:E${at})`, // G
    `=MAX(A${at}:E${at})`, // H
    ...standings.map((_, s) => `=IF(ABS(${column(s)}${at}-MEDIAN(${others(s)}))>0.35,1,0)`), // I to M
    ...standings.map((_, s) => `=FLOOR(${column(s)}${at}*4+0.5,1)/2`), // N to R
    `=MEDIAN(N${at}:R${at})`, // S
    1 + (i % 3), // T: weight of the sheet
    ...Array.from({ length: FUNCTIONS }, (_, f) => ((i + f) % 3 === 0 ? 1 + (i % 2) : 0)), // U to Y
  ]
})
const last = INDICATORS
const sums = [
  ...Array.from({ length: STOPS }, (_, s) => {
    const points = column(13 + s)
    return `=100*SUMPRODUCT(${points}1:${points}${last},T1:T${last})/(2*SUM(T1:T${last}))`
  }),
  `=100*SUMPRODUCT(S1:S${last},T1:T${last})/(2*SUM(T1:T${last}))`,
  ...Array.from({ length: FUNCTIONS }, (_, f) => column(20 + f)).flatMap((weights) =>
    ['F', 'G', 'H'].map((of) => `=SUMPRODUCT(${of}1:${of}${last},${weights}1:${weights}${last})/SUM(${weights}1:${weights}${last})`),
  ),
]
const engine = HyperFormula.buildFromArray([...rows, sums], { licenseKey: 'gpl-v3' })
function enter() {
  const figures = Array.from({ length: INDICATORS }, () => Array.from({ length: STOPS }, () => Math.random()))
  const start = performance.now()
  engine.setCellContents({ sheet: 0, row: 0, col: 0 }, figures)
  const value = engine.getCellValue({ sheet: 0, row: INDICATORS, col: 5 })
  if (!(value > 0 && value < 100)) throw new Error(`the sheet came to ${value}`)
  return performance.now() - start
}
for (let i = 0; i < 500; i++) enter()
const times = Array.from({ length: 2000 }, enter).sort((a, b) => a - b)
console.log(`a spreadsheet engine: median ${(times[1000] * 1000).toFixed(0)} µs`)
