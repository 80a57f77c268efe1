import { describe, expect, it } from 'vitest'
import type { FaceLayout } from '../api/schema'
import { laid } from './faceLayout'

const layout = (scale: FaceLayout['scale']): FaceLayout => ({
  height: 600,
  rowHeight: 28,
  surface: 50,
  bottom: 550,
  maxDepthMm: scale.at(-1)!.mm,
  scale,
  groups: [],
  rowY: [],
})

describe('a face laid out by the server', () => {
  it('draws depths along one scale where it is shallow', () => {
    const face = laid(
      layout([
        { mm: 0, y: 50 },
        { mm: 400, y: 550 },
      ]),
    )
    expect(face.squeezedBelowMm).toBeUndefined()
    expect([0, 100, 400].map(face.y)).toEqual([50, 175, 550])
  })
  it('squeezes what lies deep, and says from where on', () => {
    const face = laid(
      layout([
        { mm: 0, y: 50 },
        { mm: 400, y: 410 },
        { mm: 1100, y: 550 },
      ]),
    )
    expect(face.squeezedBelowMm).toBe(400)
    expect([200, 400, 750, 1100].map(face.y)).toEqual([230, 410, 480, 550])
  })
})
