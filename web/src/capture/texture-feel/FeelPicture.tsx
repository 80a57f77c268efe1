import { useUnits } from '../../units/units'

export type FeelScene = 'ball' | 'ribbon' | 'length' | 'rub' | 'cracks' | 'done'

const SOIL = 'var(--soil-3)'

/** What the hands are doing at this question. */
export function FeelPicture({
  scene,
  ribbonMm,
  feel,
}: {
  scene: FeelScene
  ribbonMm?: number
  feel?: string
}) {
  return (
    <svg viewBox="0 0 400 170" className="w-full" aria-hidden>
      <rect width="400" height="170" fill="var(--stone)" />
      {scene === 'ball' && (
        <g>
          <Palm />
          <path d="M160 96c-8-34 22-56 48-52 30 4 44 30 34 54-8 18-74 20-82-2Z" fill={SOIL} />
          <path
            d="M184 62q12-10 26-6M190 78q18-6 34 2"
            stroke="var(--soil-pale)"
            strokeWidth="2"
            fill="none"
            opacity="0.6"
          />
        </g>
      )}
      {scene === 'ribbon' && (
        <g>
          <Palm />
          <path d="M150 96c-6-26 14-40 34-38 20 2 30 16 28 34Z" fill={SOIL} />
          <path d="M196 66c40-18 86-14 120 2l-3 11c-32-13-74-16-112 2Z" fill={SOIL} />
        </g>
      )}
      {(scene === 'length' || scene === 'done') && <RibbonOnRuler mm={ribbonMm} feel={feel} />}
      {scene === 'rub' && (
        <g>
          <Palm />
          <ellipse cx="206" cy="86" rx="52" ry="22" fill={SOIL} opacity="0.85" />
          {Array.from({ length: 34 }, (_, i) => (
            <circle
              key={i}
              cx={164 + ((i * 37) % 86)}
              cy={74 + ((i * 23) % 26)}
              r={1 + (i % 3)}
              fill="var(--soil-pale)"
            />
          ))}
          <path
            d="M160 60q46-22 92 0M252 60l-10-1m10 1l-5 9"
            stroke="var(--ink)"
            strokeWidth="2"
            fill="none"
          />
        </g>
      )}
      {scene === 'cracks' && (
        <g>
          <ellipse cx="200" cy="92" rx="104" ry="44" fill={SOIL} />
          {[-78, -50, -14, 26, 58, 84].map((x, i) => (
            <path
              key={x}
              d={`M${200 + x} ${92 + (i % 2 ? 30 : -30) * Math.sqrt(1 - (x / 108) ** 2) * 1.35} l${i % 2 ? 5 : -4} ${i % 2 ? -16 : 15} l6 ${i % 2 ? -7 : 7}`}
              stroke="var(--ink)"
              strokeWidth="2.5"
              fill="none"
            />
          ))}
        </g>
      )}
    </svg>
  )
}

function Palm() {
  return (
    <path
      d="M70 120c30-22 70-26 130-24 60 2 96 6 128 26 6 22-30 40-126 40S66 146 70 120Z"
      fill="var(--paper)"
      stroke="var(--strong-rule)"
      strokeWidth="2"
    />
  )
}

/** A ribbon against a ruler in the viewer's units, with the two lengths at which the class changes. */
function RibbonOnRuler({ mm, feel }: { mm?: number; feel?: string }) {
  const units = useUnits()
  const inches = units.system === 'us'
  const x = (length: number) => 40 + length * 4
  const step = inches ? 25.4 / 4 : 5
  const end = x(Math.min(80, mm ?? 0))
  return (
    <g fontSize="14" fill="var(--soft)">
      {[25, 50].map((limit) => (
        <line
          key={limit}
          x1={x(limit)}
          x2={x(limit)}
          y1="26"
          y2="122"
          stroke="var(--ink)"
          strokeDasharray="3 4"
        />
      ))}
      {mm !== undefined && mm > 0 && (
        <path
          d={`M40 58 Q ${(40 + end) / 2} 50 ${end} 57 l3 8 -4 9 2 8 Q ${(40 + end) / 2} 92 40 84Z`}
          fill={SOIL}
        />
      )}
      {feel === 'gritty' &&
        mm !== undefined &&
        Array.from({ length: 24 }, (_, i) => (
          <circle
            key={i}
            cx={44 + ((i * 29) % Math.max(8, end - 48))}
            cy={60 + ((i * 13) % 22)}
            r="1.6"
            fill="var(--soil-pale)"
          />
        ))}
      <line x1="40" x2="368" y1="122" y2="122" stroke="var(--ink)" strokeWidth="1.5" />
      {Array.from({ length: Math.floor(80 / step) + 1 }, (_, i) => (
        <g key={i}>
          <line x1={x(i * step)} x2={x(i * step)} y1="122" y2={i % 2 ? 128 : 133} stroke="var(--ink)" />
          {i % 2 === 0 && (
            <text x={x(i * step)} y="149" textAnchor="middle">
              {inches ? i / 4 : i * step}
            </text>
          )}
        </g>
      ))}
    </g>
  )
}
