import type { FaceLayout, FindingView } from '../api/schema'
import { asLevel, CrumbShape, levelFill, levelText } from '../ui/levels'
import { useUnits } from '../units/units'
import { FACE, laid, SLIM_FACE, type LaidFace } from './faceLayout'
import { useNarrow } from '../ui/narrow'
import { Ground, Ruler } from './Ground'
import { figureText, keyOf, Whisker } from './finding'

/** The ground by depth with every finding at the layer where it was read. */
export function SoilFace({
  findings,
  layout,
  only,
  texture,
  chosen,
  lit,
  narrow,
  onChoose,
}: {
  findings: FindingView[]
  /** where the findings lie, in the same order */
  layout: FaceLayout
  /** those to show; all if not given */
  only?: (finding: FindingView) => boolean
  texture: string | undefined
  chosen: string | undefined
  /** indicators to bring out; the others step back */
  lit?: Set<string>
  /** without whiskers, for a narrow place */
  narrow?: boolean
  onChoose: (key: string) => void
}) {
  const units = useUnits()
  const slim = useNarrow() || narrow === true
  const across = slim ? SLIM_FACE : FACE
  const face = laid(layout)
  const groups = face.groups
    .map((group) => ({ ...group, rows: group.rows.filter((row) => !only || only(findings[row]!)) }))
    .filter((group) => group.rows.length > 0)
  const roots = findings.find((finding) => finding.indicator === 'rooting')
  return (
    <div className="relative min-w-[330px]" style={{ height: face.height }}>
      <svg className="absolute inset-0 h-full w-full" aria-hidden>
        <Ground
          face={face}
          x={across.soilX}
          width={across.soilWidth}
          texture={texture}
          rootsTo={roots && roots.depthBottomMm! * roots.standing}
        />
        <Ruler face={face} x={across.rulerX} />
        <line
          x1={across.rulerX - 16}
          x2="100%"
          y1={face.surface}
          y2={face.surface}
          stroke="var(--ink)"
          strokeWidth="1.5"
        />
        {groups.map((group, n) => (
          <Bracket
            key={n}
            across={across}
            face={face}
            group={group}
            findings={findings}
            chosen={chosen}
            lit={lit}
          />
        ))}
      </svg>
      <ul>
        {findings.map((finding, i) =>
          only && !only(finding) ? null : (
            <li
              key={keyOf(finding)}
              className="absolute right-0 transition-opacity"
              style={{
                left: across.rowsX,
                top: face.rowY[i]! - face.rowHeight / 2,
                opacity: lit && !lit.has(finding.indicator) ? 0.3 : 1,
              }}
            >
              <FindingRow
                finding={finding}
                chosen={chosen === keyOf(finding)}
                onChoose={() => onChoose(keyOf(finding))}
                units={units}
                narrow={narrow}
                rowHeight={face.rowHeight}
              />
            </li>
          ),
        )}
      </ul>
      {groups.length === 0 && (
        <p className="absolute text-soft" style={{ left: across.rowsX, top: face.surface + 30, right: 0 }}>
          Nothing measured here yet. Begin a visit: what you find appears at its depth.
        </p>
      )}
    </div>
  )
}

/** One bracket over the sampled layer, and one stroke that leads to its rows. */
function Bracket({
  face,
  across,
  group,
  findings,
  chosen,
  lit,
}: {
  face: LaidFace
  across: typeof FACE
  group: FaceLayout['groups'][number]
  findings: FindingView[]
  chosen: string | undefined
  lit: Set<string> | undefined
}) {
  const own = group.rows.map((row) => findings[row]!)
  const lowest = own.reduce((a, b) => (b.standing < a.standing ? b : a))
  const colour = levelFill[asLevel(lowest.level)!]
  const picked = own.some((finding) => keyOf(finding) === chosen)
  const faded = lit !== undefined && !own.some((finding) => lit.has(finding.indicator))
  const x = across.gutterX + group.lane * across.lane
  const spine = across.rowsX - 9
  const first = face.rowY[group.rows[0]!]! - 8
  const last = face.rowY[group.rows.at(-1)!]! + 8
  const middleOfRows = (first + last) / 2
  if (!group.layer) {
    return <path d={`M${spine + 4} ${first}h-4V${last}h4`} fill="none" stroke="var(--strong-rule)" />
  }
  const top = face.y(group.layer.topMm) + 1.5
  const bottom = Math.max(face.y(group.layer.bottomMm) - 1.5, top + 3)
  const middle = (top + bottom) / 2
  return (
    <g fill="none" opacity={faded ? 0.25 : 1}>
      <path d={`M${x - 4} ${top}H${x}V${bottom}H${x - 4}`} stroke={colour} strokeWidth={picked ? 4 : 2.5} />
      <path
        d={`M${x} ${middle} L${spine - 8} ${middleOfRows} H${spine}`}
        stroke={picked ? colour : 'var(--strong-rule)'}
        strokeWidth={picked ? 2 : 1}
      />
      <path
        d={`M${spine + 4} ${first}h-4V${last}h4`}
        stroke={picked ? colour : 'var(--strong-rule)'}
        strokeWidth={picked ? 2 : 1}
      />
    </g>
  )
}

function FindingRow({
  finding,
  chosen,
  onChoose,
  units,
  narrow,
  rowHeight,
}: {
  finding: FindingView
  rowHeight: number
  chosen: boolean
  onChoose: () => void
  units: ReturnType<typeof useUnits>
  narrow?: boolean
}) {
  const level = asLevel(finding.level)!
  const odd = finding.stops.filter((stop) => stop.odd)
  const depth =
    finding.depthTopMm === undefined
      ? ''
      : `${units.number(finding.depthTopMm, 'mm')}–${units.text(finding.depthBottomMm!, 'mm')}, `
  return (
    <button
      type="button"
      aria-pressed={chosen}
      onClick={onChoose}
      title={`${depth}${finding.stops.length} ${finding.stops.length === 1 ? 'stop' : 'stops'}`}
      style={{ height: rowHeight }}
      className={`grid w-full grid-cols-[1.35rem_minmax(0,1fr)_auto] items-center gap-x-2 rounded-sm px-1 text-left hover:bg-paper aria-pressed:bg-paper ${narrow ? '' : 'sm:grid-cols-[1.35rem_minmax(0,1fr)_7rem_7.25rem]'}`}
    >
      <svg width="16" height="16" viewBox="0 0 20 20" fill={levelFill[level]} aria-hidden>
        <CrumbShape level={level} />
      </svg>
      <span className="truncate">
        {finding.label}
        <span className="sr-only">
          , {level}, {depth}
        </span>
        {odd.length > 0 && (
          <span className="text-[13px] text-soft"> {odd.map((stop) => stop.stop).join(', ')} odd</span>
        )}
      </span>
      <span className={`truncate font-bold ${levelText[level]}`}>
        {finding.figure === undefined ? level : figureText(finding, units)}
      </span>
      {!narrow && <Whisker finding={finding} />}
    </button>
  )
}
