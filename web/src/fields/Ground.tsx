import { useUnits } from '../units/units'
import { FACE, type LaidFace } from './faceLayout'

/** Depth marks beside the ground. */
export function Ruler({ face, x }: { face: LaidFace; x: number }) {
  const units = useUnits()
  const inches = units.system === 'us'
  const step = inches ? 25.4 * 2 : 50
  const marks = Array.from({ length: Math.floor(face.maxDepthMm / step) + 1 }, (_, i) => i * step)
  return (
    <g fontSize="13" fill="var(--soft)" stroke="none">
      <line x1={x} x2={x} y1={face.surface} y2={face.bottom} stroke="var(--strong-rule)" />
      <text x={x - 8} y={face.surface - 10} textAnchor="end">
        {units.symbol('mm')}
      </text>
      {marks.map((mm, i) => {
        const deep = mm > (face.squeezedBelowMm ?? Infinity)
        if (deep && i % 4) return null
        return (
          <g key={mm}>
            <line
              x1={x - (i % 2 ? 6 : 12)}
              x2={x}
              y1={face.y(mm)}
              y2={face.y(mm)}
              stroke="var(--strong-rule)"
            />
            {i % 2 === 0 && (
              <text x={x - 16} y={face.y(mm) + 4.5} textAnchor="end">
                {inches ? Math.round(mm / 25.4) : mm}
              </text>
            )}
          </g>
        )
      })}
      {face.squeezedBelowMm !== undefined && (
        <path
          d={`M${x - 5} ${face.y(face.squeezedBelowMm) + 5} l10 -4 m-10 8 l10 -4`}
          stroke="var(--strong-rule)"
          fill="none"
        >
          <title>Below this depth the ruler is squeezed</title>
        </path>
      )}
    </g>
  )
}

const TINTS = [0, 110, 230, 330, 450]

/** Sand shows coarse grains, clay a smooth face: the ground looks a little like what it is. */
export function Ground({
  face,
  texture,
  rootsTo,
  x = FACE.soilX,
  width = FACE.soilWidth,
}: {
  face: LaidFace
  texture?: string
  /** depth that most roots reach, mm */
  rootsTo?: number
  x?: number
  width?: number
}) {
  const { y, maxDepthMm: maxDepth, surface, bottom } = face
  const sandy = texture?.includes('sand')
  const clayey = texture?.includes('clay')
  const bounds = [...TINTS.filter((mm) => mm < maxDepth), maxDepth]
  const grains = Array.from({ length: clayey ? 40 : sandy ? 170 : 90 }, (_, i) => ({
    x: x + 6 + ((i * 73) % (width - 12)),
    y: surface + 8 + ((i * 131) % (bottom - surface - 14)),
    r: sandy ? 1.1 + (i % 3) * 0.5 : 0.8 + (i % 2) * 0.4,
  }))
  const roots = y(Math.min(maxDepth, rootsTo ?? 150)) - surface
  return (
    <g>
      {bounds.slice(0, -1).map((mm, i) => (
        <rect
          key={mm}
          x={x}
          width={width}
          y={y(mm)}
          height={y(bounds[i + 1]!) - y(mm)}
          fill={`var(--soil-${Math.min(i + 1, 5)})`}
        />
      ))}
      {grains.map((grain, i) => (
        <circle key={i} cx={grain.x} cy={grain.y} r={grain.r} fill="var(--soil-pale)" opacity="0.28" />
      ))}
      {[0.14, 0.36, 0.58, 0.76, 0.92].map((at, i) => {
        const reach = roots * (0.72 + ((i * 47) % 30) / 100)
        return (
          <path
            key={at}
            d={`M${x + width * at} ${surface} q ${i % 2 ? 7 : -6} ${reach * 0.4} ${i % 2 ? -3 : 4} ${reach}`}
            stroke="var(--soil-pale)"
            strokeWidth="1.4"
            fill="none"
            opacity="0.75"
          />
        )
      })}
      {Array.from({ length: Math.floor(width / 10) }, (_, i) => (
        <path
          key={i}
          d={`M${x + 5 + i * 10} ${surface} q ${(i % 3) - 1} -12 ${((i * 5) % 9) - 4} -${13 + ((i * 7) % 14)}`}
          stroke="#4a7a3c"
          strokeWidth="1.6"
          fill="none"
        />
      ))}
    </g>
  )
}
