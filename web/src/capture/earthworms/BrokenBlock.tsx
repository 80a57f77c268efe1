import { useState } from 'react'
import { chance } from '../../drawings/chance'
import { Worm } from '../../drawings/Worm'
import { Button } from '../../ui/controls'

const PIECES = 8

/** A block of the training ground: worms come to light piece by piece as it is broken, and not all lie in plain sight. */
export function BrokenBlock({
  adults,
  juveniles,
  seed,
}: {
  adults: number
  juveniles: number
  seed: number
}) {
  const [broken, setBroken] = useState(0)
  const next = chance(seed)
  const worms = Array.from({ length: adults + juveniles }, (_, i) => ({
    adult: i < adults,
    piece: Math.floor(PIECES * next()),
    x: next(),
    y: next(),
    turn: 360 * next(),
  }))
  return (
    <div className="grid gap-2">
      <svg
        viewBox="0 0 400 230"
        className="w-full max-w-[30rem]"
        role="img"
        aria-label={`${broken} of ${PIECES} pieces broken open; ${worms.filter((each) => each.piece < broken && each.adult).length} with a saddle and ${worms.filter((each) => each.piece < broken && !each.adult).length} without in sight`}
      >
        <path
          d="M6 10 394 6 392 224 10 220Z"
          fill="var(--paper)"
          stroke="var(--strong-rule)"
          strokeWidth="2"
        />
        {Array.from({ length: PIECES }, (_, piece) => {
          const x = 14 + (piece % 4) * 95
          const y = 16 + Math.floor(piece / 4) * 104
          return (
            <g key={piece} transform={`translate(${x} ${y})`}>
              <path
                d={piece < broken ? 'M2 20 26 4 60 10 84 2 88 52 70 92 34 88 6 94Z' : 'M0 0H90V98H0Z'}
                fill={piece < broken ? 'var(--soil-4)' : 'var(--soil-2)'}
                stroke="var(--soil-1)"
              />
              {worms
                .filter((each) => each.piece === piece && piece < broken)
                .map((worm, i) => (
                  <g
                    key={i}
                    transform={`translate(${14 + worm.x * 58} ${18 + worm.y * 62}) rotate(${worm.turn}) scale(0.82)`}
                  >
                    <Worm adult={worm.adult} />
                  </g>
                ))}
            </g>
          )
        })}
      </svg>
      <Button className="min-h-13" disabled={broken === PIECES} onClick={() => setBroken(broken + 1)}>
        {broken === PIECES ? 'All of it is broken' : `Break off a piece (${PIECES - broken} left)`}
      </Button>
    </div>
  )
}
