import { useState } from 'react'
import { Choice } from '../../ui/controls'
import type { CaptureProps } from '../frame/panel'
import { useEntry, type Entry } from '../frame/entry'
import { PictureCapture, pictureLook } from '../frame/parts'
import { Shares } from '../frame/Shares'
import { PhotoKey } from '../photo/PhotoKey'
import { usePhoto } from '../photo/usePhoto'
import { CoverPhoto } from './CoverPhoto'
import { KINDS, Mark, type Kind } from './marks'

type CoverEntry = Entry<'ground-cover'>

const COLUMNS = 10
const ROWS = 5

/** Ground cover: points tapped on a grid as the toe meets them, or four shares that fill the ground. */
export function CoverCapture(capture: CaptureProps<'ground-cover'>) {
  const entry = useEntry(capture)
  const { readings, set } = entry
  const points = readings.points ?? []
  const given = KINDS.filter((kind) => readings[`${kind}Pct`] !== undefined)
  const photo = usePhoto(capture.draft)
  const [way, setWay] = useState<'points' | 'shares'>(points.length > 0 ? 'points' : 'shares')
  return (
    <PictureCapture
      capture={capture}
      entry={entry}
      begun={points.length > 0 || given.length === KINDS.length}
      instruction={way === 'points' ? entry.say('points') : entry.say('shares')}
      picture={
        photo.open ? (
          <CoverPhoto
            labels={
              Object.fromEntries(entry.options('points').map((each) => [each.code, each.label])) as Record<
                Kind,
                string
              >
            }
            onTake={(found, pictures, proposal) => {
              setWay('points')
              set({
                points: found,
                livingPct: undefined,
                litterPct: undefined,
                stonePct: undefined,
                barePct: undefined,
              })
              photo.taken(pictures, proposal)
            }}
            onLeave={photo.leave}
          />
        ) : way === 'points' ? (
          <Points points={points} onChange={(next) => set({ points: next })} />
        ) : (
          <Ground entry={entry} />
        )
      }
    >
      <PhotoKey photo={photo} />
      <Choice
        label="Read"
        options={[
          { code: 'shares', label: 'by shares' },
          { code: 'points', label: 'by points' },
        ]}
        value={way}
        onChange={(code) => {
          setWay(code)
          // the two are never mixed
          if (code === 'points')
            set({ livingPct: undefined, litterPct: undefined, stonePct: undefined, barePct: undefined })
          else set({ points: undefined })
        }}
      />
      {way === 'points' ? (
        <PointKeys points={points} entry={entry} />
      ) : (
        <Shares
          parts={KINDS.map((kind) => ({
            name: `${kind}Pct` as const,
            label: entry.label(`${kind}Pct`),
          }))}
          readings={readings}
          onChange={set}
          whole={100}
        />
      )}
    </PictureCapture>
  )
}

/** One key for each thing, large enough for a glove. */
function PointKeys({ points, entry }: { points: Kind[]; entry: CoverEntry }) {
  return (
    <div className="grid grid-cols-2 gap-2">
      {entry.options('points').map((option) => (
        <button
          key={option.code}
          type="button"
          onClick={() => entry.set({ points: [...points, option.code] })}
          className="flex min-h-16 items-center gap-3 rounded-sm border border-strong-rule bg-paper px-3 text-left font-semibold"
        >
          <svg width="26" height="26" viewBox="-11 -11 22 22" aria-hidden>
            <Mark kind={option.code} />
          </svg>
          <span className="grow">{option.label}</span>
          <span className="text-soft">{points.filter((each) => each === option.code).length}</span>
        </button>
      ))}
      <p className="col-span-2 text-soft">
        {entry.say('enough', {
          n: points.length,
          fewest: entry.method.readings.find((each) => each.name === 'points')?.minItems ?? 1,
          wanted: entry.method.drawn.wantedPoints,
        })}
      </p>
    </div>
  )
}

/** The points as they were taken; a point tapped becomes the next kind, the first empty one is taken. */
function Points({ points, onChange }: { points: Kind[]; onChange: (points: Kind[]) => void }) {
  const tap = (i: number) => {
    if (i > points.length) return
    const next = KINDS[(KINDS.indexOf(points[i] ?? 'bare') + 1) % KINDS.length]!
    onChange(points.map((kind, k) => (k === i ? next : kind)).concat(i === points.length ? [next] : []))
  }
  const places = Math.max(COLUMNS * ROWS, Math.ceil(points.length / COLUMNS) * COLUMNS)
  const rows = places / COLUMNS
  return (
    <svg
      viewBox={`0 0 400 ${rows * 40}`}
      className="w-full max-w-[30rem]"
      role="img"
      aria-label={`${points.length} points taken`}
    >
      <rect width="400" height={rows * 40} fill="var(--soil-pale)" />
      {Array.from({ length: places }, (_, i) => (
        <g key={i} transform={`translate(${20 + (i % COLUMNS) * 40} ${20 + Math.floor(i / COLUMNS) * 40})`}>
          <rect
            x="-20"
            y="-20"
            width="40"
            height="40"
            fill="transparent"
            onClick={() => tap(i)}
            className={i <= points.length ? 'cursor-pointer' : undefined}
          />
          <g className="pointer-events-none">
            {points[i] ? (
              <Mark kind={points[i]} />
            ) : (
              <circle r={i === points.length ? 6 : 2} fill="var(--strong-rule)" />
            )}
          </g>
        </g>
      ))}
    </svg>
  )
}

/** The quadrat from above, filled with marks in the shares given. */
function Ground({ entry }: { entry: CoverEntry }) {
  const shares = KINDS.map((kind) => entry.readings[`${kind}Pct`] ?? 0)
  const marks = KINDS.flatMap((kind, i) =>
    Array.from({ length: Math.round(Math.min(100, shares[i]!)) }, () => kind),
  ).slice(0, 100)
  return (
    <svg
      viewBox="0 0 400 250"
      preserveAspectRatio={marks.length === 0 ? 'none' : undefined}
      className={pictureLook(marks.length === 0)}
      role="img"
      aria-label={KINDS.map((kind, i) => `${kind} ${shares[i]} %`).join(', ')}
    >
      <rect
        x="4"
        y="4"
        width="392"
        height="242"
        fill="var(--soil-pale)"
        stroke="var(--ink)"
        strokeWidth="4"
      />
      {marks.map((kind, i) => {
        // 37 and 100 share no factor: neighbours in the list lie apart on the ground
        const place = (i * 37) % 100
        return (
          <g key={i} transform={`translate(${24 + (place % 10) * 39} ${18 + Math.floor(place / 10) * 23.5})`}>
            <Mark kind={kind} />
          </g>
        )
      })}
    </svg>
  )
}
