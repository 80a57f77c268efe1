import { chance } from './chance'

const GREEN = '#5a8a3a'
const SIGNS: Record<
  string,
  { old: string; young: string; edge?: string; stripe?: boolean; small?: boolean }
> = {
  'even-green': { old: GREEN, young: GREEN },
  'pale-old-leaves': { old: '#c9c76a', young: GREEN },
  'pale-young-leaves': { old: GREEN, young: '#cdd07a' },
  purple: { old: '#7d5c7c', young: '#6b7a4e' },
  'yellow-edges': { old: GREEN, young: GREEN, edge: '#d8c84f' },
  'scorched-edges': { old: GREEN, young: GREEN, edge: '#8a5a32' },
  stripes: { old: '#8fae57', young: GREEN, stripe: true },
  stunted: { old: GREEN, young: GREEN, small: true },
}
const LEAF = 'M0 0C24-34 84-40 118-4 84 26 26 24 0 0Z'

/** A plant with a sign on its leaves; the lowest leaves are the oldest. */
export function Leaves({ sign }: { sign: string }) {
  const look = SIGNS[sign] ?? SIGNS['even-green']!
  const leaf = (x: number, y: number, turn: number, colour: string) => (
    <g transform={`translate(${x} ${y}) rotate(${turn})`}>
      <path d={LEAF} fill={colour} stroke={look.edge ?? '#3c5f28'} strokeWidth={look.edge ? 9 : 1.5} />
      {look.stripe &&
        [-16, -6, 4].map((at) => (
          <path key={at} d={`M14 ${at / 3}Q60 ${at} 104 -4`} stroke="#f0efb4" strokeWidth="4" fill="none" />
        ))}
      <path d="M0 0Q60-10 116-4" stroke="#3c5f28" strokeWidth="1.5" fill="none" />
    </g>
  )
  return (
    <g transform={look.small ? 'translate(110 104) scale(0.48)' : undefined}>
      <path d="M200 210V40" stroke="#3c5f28" strokeWidth="5" />
      {leaf(200, 168, -8, look.old)}
      {leaf(200, 168, 188, look.old)}
      {leaf(200, 112, -22, look.young)}
      {leaf(200, 112, 202, look.young)}
      {leaf(200, 62, -46, look.young)}
    </g>
  )
}

/** A sward from above: shares of green, dead and clover in percent of the ground. */
export function Sward({
  green,
  dead,
  clover,
  seed,
}: {
  green: number
  dead: number
  clover: number
  seed: number
}) {
  const next = chance(seed)
  const cells = Array.from({ length: 300 }, (_, i) => ({ i, order: next() }))
    .sort((a, b) => a.order - b.order)
    .map(({ i }, rank) => ({
      x: 12 + (i % 25) * 15.2,
      y: 16 + Math.floor(i / 25) * 16.2,
      kind:
        rank < clover * 3 ? 'clover' : rank < green * 3 ? 'green' : rank < (green + dead) * 3 ? 'dead' : '',
      turn: 60 * next() - 30,
    }))
  return (
    <g>
      <rect x="6" y="10" width="388" height="200" fill="var(--soil-4)" />
      {cells.map((cell, i) => (
        <g key={i} transform={`translate(${cell.x + 6} ${cell.y + 7}) rotate(${cell.turn})`}>
          {cell.kind === 'clover' ? (
            <g fill="#4c8a52">
              <circle cx="-4" cy="2" r="5" />
              <circle cx="4" cy="2" r="5" />
              <circle cy="-4" r="5" />
            </g>
          ) : cell.kind === 'green' ? (
            <path
              d="M-6 8Q-4-4-8-9M0 9Q1-4 0-11M6 8Q4-3 9-9"
              stroke="#5f8a35"
              strokeWidth="2.6"
              fill="none"
            />
          ) : cell.kind === 'dead' ? (
            <path d="M-8 4Q0-6 9-5M-6 8 8 3" stroke="#b39a62" strokeWidth="2.4" fill="none" />
          ) : null}
        </g>
      ))}
    </g>
  )
}
