import { describe, expect, it } from 'vitest'
import { deepest, FACE, lanes, layFace, spreadRows } from './faceLayout'

describe('rows beside a face', () => {
  it('keep their order and their distance', () => {
    const rows = spreadRows([10, 12, 14, 200], 46, 400)
    expect(rows).toEqual([10, 56, 102, 200])
  })
  it('move up where there is no room below', () => {
    expect(spreadRows([380, 390, 400], 46, 400)).toEqual([308, 354, 400])
  })
  it('stand beside each other where layers overlap', () => {
    expect(
      lanes([
        { top: 0, bottom: 100 },
        { top: 0, bottom: 300 },
        { top: 100, bottom: 200 },
        { top: 400, bottom: 500 },
      ]),
    ).toEqual([0, 1, 0, 0])
  })
  it('goes at least to 400 mm and a little below what was sampled', () => {
    expect(deepest([])).toBe(400)
    expect(deepest([{ top: 400, bottom: 500 }, undefined])).toBe(600)
  })
  it('never overlap, however much was found, and brackets keep their depth', () => {
    const layers = [
      undefined,
      ...Array.from({ length: 24 }, (_, i) => ({
        top: (i % 4) * 50,
        bottom: (i % 4) * 50 + 100 + (i % 3) * 50,
      })),
      { top: 0, bottom: 1000 },
    ]
    const face = layFace(layers)
    const rows = [...face.rowY].sort((a, b) => a - b)
    rows.slice(1).forEach((y, i) => expect(y - rows[i]!).toBeGreaterThanOrEqual(FACE.row - 0.01))
    expect(face.rowY[0]).toBeLessThan(face.surface)
    expect(Math.max(...face.rowY)).toBeLessThan(face.height)
    expect(face.y(0)).toBe(face.surface)
    expect(face.y(face.maxDepth)).toBeCloseTo(face.bottom)
    expect(face.squeezed).toBe(true)
    expect(face.groups.flatMap((group) => group.rows).sort((a, b) => a - b)).toEqual(layers.map((_, i) => i))
  })
})
