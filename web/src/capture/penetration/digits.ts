export type Reading = { depthMm: number; kPa: number }

/** Two digits a depth: with 100 kPa a digit, 0812 is 800 kPa at the first depth and 1,200 kPa at the second. */
export function digitsToReadings(run: string, kPaADigit: number, stepMm: number): Reading[] {
  const readings: Reading[] = []
  for (let i = 0; i + 1 < run.length; i += 2)
    readings.push({
      depthMm: (i / 2 + 1) * stepMm,
      kPa: Math.round(Number(run.slice(i, i + 2)) * kPaADigit),
    })
  return readings
}
