import { chance } from './chance'

/** A lump with so many corners; few make it angular, many make it round. */
function lump(next: () => number, x: number, y: number, size: number, corners: number) {
  const points = Array.from({ length: corners }, (_, i) => {
    const angle = ((i + 0.6 * next()) / corners) * 2 * Math.PI
    const away = size * (0.78 + 0.34 * next())
    return `${(x + Math.cos(angle) * away).toFixed(1)} ${(y + Math.sin(angle) * away * 0.85).toFixed(1)}`
  })
  return `M${points.join('L')}Z`
}

// by spade score: how many pieces, how large, with how many corners
const PIECES = [
  { count: 150, from: 4, to: 9, corners: 9 },
  { count: 64, from: 6, to: 16, corners: 8 },
  { count: 22, from: 13, to: 27, corners: 7 },
  { count: 9, from: 26, to: 44, corners: 5 },
  { count: 1, from: 128, to: 128, corners: 7 },
] as const

/** What an opened block fell into, by spade score 1 (best) to 5; halves lie between. */
export function Fragments({ score, seed }: { score: number; seed: number }) {
  const next = chance(seed)
  const low = PIECES[Math.floor(score) - 1]!
  const high = PIECES[Math.ceil(score) - 1]!
  const kinds = low === high ? [low] : [high, low]
  const pieces = kinds.flatMap((kind) => {
    const count = Math.max(1, Math.round(kind.count / kinds.length))
    const columns = Math.ceil(Math.sqrt(count * 1.9))
    const rows = Math.ceil(count / columns)
    return Array.from({ length: count }, (_, i) => {
      const size = kind.from + (kind.to - kind.from) * next()
      const x = count === 1 ? 200 : 24 + ((i % columns) + 0.2 + 0.6 * next()) * (352 / columns)
      const y = count === 1 ? 108 : 22 + (Math.floor(i / columns) + 0.2 + 0.6 * next()) * (172 / rows)
      return { size, path: lump(next, x, y, size, kind.corners), dark: next() }
    })
  })
  return (
    <g>
      <path d="M6 12 394 8 392 208 10 204Z" fill="var(--paper)" stroke="var(--strong-rule)" strokeWidth="2" />
      {pieces
        .sort((a, b) => b.size - a.size)
        .map((piece, i) => (
          <path
            key={i}
            d={piece.path}
            fill={piece.dark > 0.5 ? 'var(--soil-2)' : 'var(--soil-3)'}
            stroke="var(--soil-1)"
            strokeWidth={piece.size > 30 ? 2 : 0.8}
          />
        ))}
    </g>
  )
}

/** A broken face with its pores, 0 (dense) to 2 (open within the clods too). */
export function Pores({ score, seed }: { score: number; seed: number }) {
  const next = chance(seed)
  const gaps = Array.from({ length: Math.round(score * 7) }, () => ({
    x: 20 + 360 * next(),
    y: 20 + 180 * next(),
    turn: 180 * next(),
    long: 26 + 44 * next(),
    wide: 3 + 3 * score * next(),
  }))
  const holes = Array.from({ length: Math.round(score * score * 42) }, () => ({
    x: 14 + 372 * next(),
    y: 14 + 192 * next(),
    size: 1.4 + 2.6 * next(),
  }))
  return (
    <g>
      <path d="M8 14 120 6 260 16 392 8 388 206 260 212 130 204 12 210Z" fill="var(--soil-3)" />
      {/* an inner picture cuts off what would reach beyond the face */}
      <svg x="14" y="16" width="374" height="186" viewBox="14 16 374 186">
        {gaps.map((gap, i) => (
          <ellipse
            key={`g${i}`}
            cx={gap.x}
            cy={gap.y}
            rx={gap.long}
            ry={gap.wide}
            transform={`rotate(${gap.turn} ${gap.x} ${gap.y})`}
            fill="var(--soil-1)"
          />
        ))}
      </svg>
      {holes.map((hole, i) => (
        <circle key={`h${i}`} cx={hole.x} cy={hole.y} r={hole.size} fill="#2a2119" />
      ))}
    </g>
  )
}

const SPOT = { rust: '#b2602a', black: '#2a2522', grey: '#8d9796' } as const

/** A scraped face with spots that cover so many percent of it. */
export function Mottles({
  rust,
  black,
  grey,
  seed,
}: {
  rust: number
  black: number
  grey: number
  seed: number
}) {
  const next = chance(seed)
  const area = 388 * 200
  const spots = (['grey', 'rust', 'black'] as const).flatMap((kind) => {
    const wanted = ({ rust, black, grey }[kind] / 100) * area
    const made: { kind: keyof typeof SPOT; x: number; y: number; rx: number; ry: number; turn: number }[] = []
    for (let covered = 0; covered < wanted;) {
      const rx = Math.min(14, 4 + 10 * next())
      const ry = rx * (0.5 + 0.4 * next())
      made.push({ kind, x: 14 + 372 * next(), y: 18 + 186 * next(), rx, ry, turn: 180 * next() })
      covered += Math.PI * rx * ry
    }
    return made
  })
  return (
    <g>
      <rect x="6" y="10" width="388" height="200" fill="var(--soil-3)" />
      {spots.map((spot, i) => (
        <ellipse
          key={i}
          cx={spot.x}
          cy={spot.y}
          rx={spot.rx}
          ry={spot.ry}
          fill={SPOT[spot.kind]}
          transform={`rotate(${spot.turn} ${spot.x} ${spot.y})`}
        />
      ))}
    </g>
  )
}

const STAINS = ['#d9b79c', '#a87f5d', '#4d3423']

/** A finger that rubbed the moist soil: 0 no mark, 2 dark. */
export function Finger({ score }: { score: number }) {
  const stain = STAINS[Math.round(score)]!
  const between = score % 1 !== 0
  return (
    <g>
      <path
        d="M14 150C90 132 190 120 270 84c40-18 78-12 86 14s-18 46-58 58c-80 24-170 40-284 48Z"
        fill="#e0bfa5"
        stroke="#8a6a52"
        strokeWidth="2.5"
      />
      <path
        d="M288 92c28-12 56-6 62 12s-16 34-46 42c-20 4-34-50-16-54Z"
        fill={stain}
        opacity={between ? 0.6 : 0.95}
      />
      <path d="M330 88c16 0 24 8 24 20-8 4-18 2-26-4-4-6-4-14 2-16Z" fill="#f3dccb" stroke="#8a6a52" />
    </g>
  )
}

export type CoverShares = { living: number; litter: number; stone: number; bare: number }

/** Ground seen from above, so many percent of it under leaves, litter and stones. */
export function Ground({ living, litter, stone, seed }: CoverShares & { seed: number }) {
  const next = chance(seed)
  // a fine grid filled in a scattered order: shares come out to a percent
  const cells = Array.from({ length: 400 }, (_, i) => ({ i, order: next() }))
    .sort((a, b) => a.order - b.order)
    .map(({ i }, rank) => ({
      x: 8 + (i % 25) * 15.4,
      y: 12 + Math.floor(i / 25) * 12.4,
      kind:
        rank < living * 4
          ? 'living'
          : rank < (living + litter) * 4
            ? 'litter'
            : rank < (living + litter + stone) * 4
              ? 'stone'
              : '',
      turn: 180 * next(),
    }))
    .filter((cell) => cell.kind)
  return (
    <g>
      <rect x="6" y="10" width="388" height="200" fill="var(--soil-3)" />
      {cells.map((cell, i) => (
        <g key={i} transform={`translate(${cell.x + 7} ${cell.y + 6}) rotate(${cell.turn})`}>
          {cell.kind === 'living' ? (
            <path d="M-8 0Q0-9 9 0 0 8-8 0Z" fill={i % 3 ? '#5a7d3c' : '#6f9148'} />
          ) : cell.kind === 'litter' ? (
            <path d="M-9-1.5 9-3.5 9 1.5-9 3Z" fill="#c4ab78" />
          ) : (
            <ellipse rx="7.5" ry="6" fill="#a9aaa4" stroke="#7c7d78" />
          )}
        </g>
      ))}
      <rect x="6" y="10" width="388" height="200" fill="none" stroke="var(--ink)" strokeWidth="5" />
    </g>
  )
}

/** Roots in a shaved face: dense to the depth of four fifths of them, some to the deepest. */
export function RootFace({
  mostMm,
  deepestMm,
  bent,
  barrier,
  seed,
}: {
  mostMm: number
  deepestMm: number
  bent: boolean
  barrier: string
  seed: number
}) {
  const next = chance(seed)
  const scale = 200 / Math.max(600, deepestMm * 1.1)
  const base = 14
  const roots = Array.from({ length: 40 }, (_, i) => {
    // four of five end above the line
    const end = i % 5 === 0 ? mostMm + (deepestMm - mostMm) * next() : mostMm * (0.25 + 0.75 * next())
    const x = 50 + 330 * next()
    const y = base + end * scale
    const swing = 18 * (next() - 0.5)
    const turned = bent && i % 3 === 0 && end > mostMm * 0.8
    const tail = turned ? `l${next() > 0.5 ? 46 : -46} 3` : ''
    return `M${x} ${base}c${swing} ${(y - base) / 3} ${-swing} ${(2 * (y - base)) / 3} ${swing / 2} ${y - base}${tail}`
  })
  const tick = scale * 100 > 22 ? 100 : 200
  return (
    <g>
      <rect x="44" y={base} width="350" height="200" fill="var(--soil-3)" />
      <rect x="44" y={base} width="350" height="26" fill="var(--soil-2)" />
      {barrier !== 'none' && (
        <rect x="44" y={base + mostMm * scale} width="350" height="9" fill="var(--soil-1)" opacity="0.85" />
      )}
      {roots.map((root, i) => (
        <path key={i} d={root} fill="none" stroke="#efe3c8" strokeWidth={i % 4 ? 1.3 : 2.4} />
      ))}
      {Array.from({ length: Math.floor(200 / (tick * scale)) + 1 }, (_, i) => (
        <g key={i} fontSize="14" fill="var(--soft)">
          <line
            x1="36"
            x2="44"
            y1={base + i * tick * scale}
            y2={base + i * tick * scale}
            stroke="var(--strong-rule)"
          />
          <text x="33" y={base + i * tick * scale + 4} textAnchor="end">
            {i * tick}
          </text>
        </g>
      ))}
    </g>
  )
}

/** A ribbon pressed out between thumb and finger, beside a ruler in mm. */
export function Ribbon({ mm, rough }: { mm: number; rough: boolean }) {
  const scale = 4.2
  return (
    <g>
      <path
        d={`M40 96h${mm * scale}q8 6 0 ${rough ? 12 : 20}h-${mm * scale}q-10-8 0-${rough ? 12 : 20}Z`}
        fill="var(--soil-2)"
        stroke="var(--soil-1)"
        strokeWidth="2"
        strokeDasharray={rough ? '5 3' : undefined}
      />
      <line x1="40" x2="376" y1="150" y2="150" stroke="var(--strong-rule)" strokeWidth="2" />
      {Array.from({ length: 9 }, (_, i) => i * 10).map((at) => (
        <g key={at} fontSize="14" fill="var(--soft)">
          <line x1={40 + at * scale} x2={40 + at * scale} y1="150" y2="142" stroke="var(--strong-rule)" />
          <text x={40 + at * scale} y="168" textAnchor="middle">
            {at}
          </text>
        </g>
      ))}
    </g>
  )
}
