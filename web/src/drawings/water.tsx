import { chance } from './chance'

const WHOLE = 'M-20-12-6-22 12-19 22-4 18 14 2 22-14 18-22 2Z'

export type CrumbSeen = {
  /** how many pieces it lies in; 0 while it is whole */
  pieces: number
  reach: number
  cloud?: string
  stone?: boolean
}

/** A crumb in water: whole or in pieces, with its cloud. */
export function CrumbPicture({ crumb, seed }: { crumb: CrumbSeen; seed: number }) {
  const { cloud, pieces } = crumb
  const soil = crumb.stone ? 'var(--strong-rule)' : 'var(--soil-2)'
  return (
    <g transform={`rotate(${seed * 47})`}>
      {cloud && cloud !== 'none' && (
        <>
          <circle
            r={cloud === 'strong' ? 42 : 32}
            fill="var(--soil-pale)"
            opacity={cloud === 'strong' ? 0.95 : 0.6}
          />
          <circle
            r={cloud === 'strong' ? 34 : 25}
            fill="var(--soil-pale)"
            stroke="var(--soil-4)"
            strokeDasharray="2 4"
          />
        </>
      )}
      {pieces === 0 ? (
        <path d={WHOLE} fill={soil} stroke={crumb.stone ? 'var(--ink)' : 'none'} strokeWidth="2" />
      ) : (
        Array.from({ length: pieces }, (_, i) => {
          // evenly wound about the middle, so that pieces lie apart without being drawn by chance
          const angle = i * 2.4 + seed
          const away = crumb.reach * Math.sqrt((i + 0.5) / pieces)
          const size = pieces > 20 ? 2 + (i % 3) : pieces > 10 ? 3 + (i % 4) : 5 + (i % 4) * 1.5
          return (
            <circle key={i} cx={Math.cos(angle) * away} cy={Math.sin(angle) * away} r={size} fill={soil} />
          )
        })
      )}
    </g>
  )
}

const CLODS: Record<string, string> = {
  'keeps-shape': 'M120 180 128 96 190 74 262 84 284 130 278 180Z',
  softens: 'M104 182Q118 112 176 98 250 86 284 128 302 160 300 182Z',
  slumps: 'M70 184Q100 150 160 136 236 126 292 152 326 168 334 184Z',
  splatters: 'M40 186Q90 172 150 170 250 166 330 178 362 182 366 186Z',
}

/** A clod on its mesh after five minutes in water. */
export function Clod({ outcome, seed }: { outcome: string; seed: number }) {
  const next = chance(seed)
  const crumbs = { 'keeps-shape': 0, softens: 8, slumps: 26, splatters: 70 }[outcome] ?? 0
  return (
    <g>
      <rect x="20" y="40" width="360" height="170" fill="var(--water)" opacity="0.45" />
      <path d={CLODS[outcome] ?? CLODS.softens} fill="var(--soil-2)" />
      <path d="M20 186H380" stroke="var(--ink)" strokeWidth="3" strokeDasharray="7 5" />
      {Array.from({ length: crumbs }, (_, i) => (
        <circle
          key={i}
          cx={50 + 300 * next()}
          cy={outcome === 'splatters' ? 190 + 18 * next() : 176 + 12 * next()}
          r={1.5 + 2.5 * next()}
          fill="var(--soil-2)"
        />
      ))}
    </g>
  )
}

const BUBBLES: Record<string, number> = {
  nothing: 0,
  'few-bubbles': 6,
  bubbling: 30,
  'low-foam': 80,
  'thick-foam': 170,
}

/** A crumb under two drops of acid. */
export function Fizzing({ seen, seed }: { seen: string; seed: number }) {
  const next = chance(seed)
  const count = BUBBLES[seen] ?? 0
  const high = seen === 'thick-foam' ? 70 : seen === 'low-foam' ? 34 : 14
  return (
    <g>
      <path d="M70 200Q90 118 168 104 260 92 312 140 336 168 330 200Z" fill="var(--soil-3)" />
      <path d="M120 134Q190 96 276 126 262 148 196 146 146 146 120 134Z" fill="var(--water)" opacity="0.55" />
      {Array.from({ length: count }, (_, i) => {
        const x = 128 + 142 * next()
        return (
          <circle
            key={i}
            cx={x}
            cy={138 - high * next() * Math.sin(((x - 118) / 162) * Math.PI)}
            r={2.5 + 4.5 * next()}
            fill="var(--paper)"
            stroke="var(--strong-rule)"
            strokeWidth="0.8"
          />
        )
      })}
    </g>
  )
}

/** A kit's vial whose colour is so strong, 0 to 4; one neutral ink for all. */
export function Vial({ step, label, x = 160 }: { step: number; label?: string; x?: number }) {
  return (
    <g transform={`translate(${x} 20)`}>
      <path d="M8 4H72V150Q72 172 40 172T8 150Z" fill="var(--paper)" stroke="var(--ink)" strokeWidth="2.5" />
      <path d="M10 46H70V150Q70 170 40 170T10 150Z" fill="var(--ink)" opacity={0.06 + step * 0.19} />
      {label && (
        <text x="40" y="194" textAnchor="middle" fontSize="14" fill="var(--ink)">
          {label}
        </text>
      )}
    </g>
  )
}
