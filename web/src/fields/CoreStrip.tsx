import type { Band } from '../api/schema'
import { asLevel, CrumbShape, levelFill } from '../ui/levels'
import { useUnits } from '../units/units'

/** Heights of the five bands, from the sky down, in the strip's own units. */
export const BAND_HEIGHTS = [26, 30, 30, 30, 34]
export const STRIP_HEIGHT = BAND_HEIGHTS.reduce((sum, height) => sum + height, 0)

const BAND_WORDS: Record<string, string> = {
  'above-ground': 'above ground',
  'top-0-100': '0 to 100 mm',
  'mid-100-200': '100 to 200 mm',
  'low-200-300': '200 to 300 mm',
  'below-300': 'below 300 mm',
}

export function describeBands(bands: Band[]) {
  return bands
    .map(
      (band) =>
        `${BAND_WORDS[band.band]}: ${band.level ? `${band.level}, ${band.indicator}` : 'not measured'}`,
    )
    .join('; ')
}

/** A field shrunk to five bands, each in the colour and with the crumb of its lowest finding; hatched: not measured. */
export function CoreStrip({
  bands,
  width = 46,
  scale = 1,
}: {
  bands: Band[]
  width?: number
  scale?: number
}) {
  const units = useUnits()
  const tops = BAND_HEIGHTS.map((_, i) => BAND_HEIGHTS.slice(0, i).reduce((sum, height) => sum + height, 0))
  const hatch = `hatch-${width}-${scale}`
  return (
    <svg
      width={width}
      height={STRIP_HEIGHT * scale}
      viewBox={`0 0 ${width} ${STRIP_HEIGHT * scale}`}
      role="img"
      aria-label={units.prose(describeBands(bands))}
      className="shrink-0"
    >
      <defs>
        <pattern id={hatch} width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <rect width="6" height="6" fill="var(--paper)" />
          <rect width="1.2" height="6" fill="var(--hatch)" />
        </pattern>
      </defs>
      {bands.map((band, i) => {
        const level = asLevel(band.level)
        const top = tops[i]! * scale
        const height = BAND_HEIGHTS[i]! * scale
        const crumb = Math.min(15, height - 6, width - 6)
        return (
          <g key={band.band} transform={`translate(0 ${top})`}>
            <rect
              width={width}
              height={height - 1}
              fill={level ? levelFill[level] : `url(#${hatch})`}
              stroke={level ? 'none' : 'var(--rule)'}
              strokeWidth="1"
            />
            {level && crumb > 7 && (
              <g
                fill="var(--paper)"
                transform={`translate(${width / 2 - crumb / 2} ${height / 2 - crumb / 2}) scale(${crumb / 20})`}
              >
                <CrumbShape level={level} />
              </g>
            )}
          </g>
        )
      })}
      {/* the surface */}
      <line
        x1="0"
        x2={width}
        y1={tops[1]! * scale - 0.5}
        y2={tops[1]! * scale - 0.5}
        stroke="var(--ink)"
        strokeWidth="1.5"
      />
    </svg>
  )
}
