import clsx from 'clsx'
import { useRef, useState, type RefObject } from 'react'
import type { FaceLayout, FindingView, GroundPicture, NextTestView } from '../api/schema'
import { asLevel, Crumb, levelFill, levelText } from '../ui/levels'
import { useResized, useWidth } from '../ui/useWidth'
import { useUnits } from '../units/units'
import { depthScale, foldedNames, type FaceBand } from './faceLayout'
import { figureText, keyOf, Whisker } from './finding'
import { Ground } from './Ground'

const EMPTY = [0, 0, 0, 0, 0, 0]

/** Where each band begins and the last one ends, as the page has laid them out. */
function useBandTops(list: RefObject<HTMLOListElement | null>) {
  const [tops, setTops] = useState<number[]>(EMPTY)
  useResized(list, (element) => {
    const bands = [...element.children] as HTMLElement[]
    const last = bands.at(-1)
    const next = [...bands.map((band) => band.offsetTop), last ? last.offsetTop + last.offsetHeight : 0]
    setTops((old) => (old.join() === next.join() ? old : next))
  })
  return tops
}

/**
 * The ground by depth, each band as tall as what was found in it: the lowest first, what stands low after it, the rest
 * folded into a line. No finding stands anywhere but beside its own soil.
 */
export function SoilFace({
  findings,
  layout,
  ground,
  next,
  only,
  texture,
  chosen,
  lit,
  onChoose,
}: {
  findings: FindingView[]
  /** which of them stand where, by their order */
  layout: FaceLayout
  ground: GroundPicture
  /** the test to make next, as a flag in its band */
  next?: NextTestView
  /** those to show, none of them folded; all if not given */
  only?: (finding: FindingView) => boolean
  texture: string | undefined
  chosen: string | undefined
  /** indicators to bring out; the others step back */
  lit?: Set<string>
  onChoose: (key: string) => void
}) {
  const list = useRef<HTMLOListElement>(null)
  const picture = useRef<SVGSVGElement>(null)
  const tops = useBandTops(list)
  const width = useWidth(picture)
  const [touched, setTouched] = useState<string>()
  const y = depthScale(layout, tops)
  const told = findings.find((finding) => keyOf(finding) === (touched ?? chosen))
  return (
    <div className="@container relative">
      <svg
        ref={picture}
        aria-hidden
        className="absolute top-0 left-10 h-full w-14 overflow-visible @lg:left-12 @lg:w-32"
      >
        {tops[1]! > 0 && (
          <Ground ground={ground} y={y} deepestMm={layout.deepestMm} texture={texture} width={width} />
        )}
        {told?.depthTopMm !== undefined && (
          <path
            d={`M${width + 3} ${y(told.depthTopMm)}V${Math.max(y(told.depthBottomMm!), y(told.depthTopMm) + 2)}`}
            stroke="var(--ink)"
            strokeWidth="2"
          />
        )}
      </svg>
      <ol ref={list} className="relative">
        {layout.bands.map((band, i) => (
          <Band
            key={band.band}
            band={band}
            surface={i === 1}
            sky={i === 0}
            last={i === layout.bands.length - 1}
            findings={findings}
            only={only}
            next={next?.band === band.band ? next : undefined}
            chosen={chosen}
            lit={lit}
            onChoose={onChoose}
            onTouch={setTouched}
          />
        ))}
      </ol>
      {findings.length === 0 && (
        <p className="mt-4 text-soft">
          Nothing measured here yet. Begin a visit: what you find appears beside its own soil.
        </p>
      )}
    </div>
  )
}

const NAMES: Record<string, string> = { 'above-ground': 'above the ground' }

function Band({
  band,
  surface,
  sky,
  last,
  findings,
  only,
  next,
  chosen,
  lit,
  onChoose,
  onTouch,
}: {
  band: FaceBand
  /** the first below the ground's line */
  surface: boolean
  sky: boolean
  last: boolean
  findings: FindingView[]
  only: ((finding: FindingView) => boolean) | undefined
  next: NextTestView | undefined
  chosen: string | undefined
  lit: Set<string> | undefined
  onChoose: (key: string) => void
  onTouch: (key: string | undefined) => void
}) {
  const units = useUnits()
  const [unfolded, setUnfolded] = useState(false)
  const wanted = (index: number) => !only || only(findings[index]!)
  const folded = band.folded.filter(wanted)
  const asked = (index: number) =>
    keyOf(findings[index]!) === chosen || lit?.has(findings[index]!.indicator) === true
  const open = unfolded || only !== undefined || folded.some(asked)
  const rows = [...band.shown.filter(wanted), ...(open ? folded : [])]
  const lowest = band.shown[0] === undefined ? undefined : asLevel(findings[band.shown[0]]!.level)
  const where = NAMES[band.band] ?? `${units.number(band.topMm, 'mm')} to ${units.text(band.bottomMm, 'mm')}`
  const mark = 'absolute right-[calc(100%+0.4rem)] text-[13px] leading-none text-soft tabular-nums'
  return (
    <li
      aria-label={where}
      className={clsx(
        'relative ml-[6.25rem] min-h-10 py-2 pl-5 @lg:ml-[11.25rem] @lg:pl-7',
        surface
          ? 'before:absolute before:top-0 before:right-0 before:-left-[4.25rem] before:border-t-2 before:border-ink @lg:before:-left-[8.75rem]'
          : 'border-t border-rule',
      )}
    >
      <span aria-hidden className="absolute inset-y-0 -left-15 w-0 @lg:-left-33">
        {sky && <span className={`${mark} top-2`}>{units.symbol('mm')}</span>}
        {!sky && <span className={`${mark} -top-1.5`}>{units.number(band.topMm, 'mm')}</span>}
        {last && <span className={`${mark} -bottom-1.5`}>{units.number(band.bottomMm, 'mm')}</span>}
      </span>
      {lowest && rows.length > 0 && (
        <span
          aria-hidden
          className="absolute inset-y-1.5 left-1.5 w-1 rounded-full @lg:left-2.5"
          style={{ background: levelFill[lowest] }}
        />
      )}
      {rows.length > 0 && (
        <ul className="grid gap-x-8 @2xl:grid-cols-2">
          {rows.map((index, i) => (
            <li
              key={keyOf(findings[index]!)}
              className={clsx('transition-opacity', i === 0 && rows.length === 1 && '@2xl:col-span-2')}
              style={{ opacity: lit && !lit.has(findings[index]!.indicator) ? 0.35 : 1 }}
            >
              <FindingRow
                finding={findings[index]!}
                first={i === 0}
                chosen={chosen === keyOf(findings[index]!)}
                onChoose={onChoose}
                onTouch={onTouch}
              />
            </li>
          ))}
        </ul>
      )}
      {rows.length === 0 && !next && (
        <p className="flex min-h-7 items-center text-sm text-soft">{only ? 'no sign' : 'nothing measured'}</p>
      )}
      {!only && folded.length > 0 && (
        <button
          type="button"
          aria-expanded={open}
          onClick={() => setUnfolded(!open)}
          className="flex min-h-11 w-full items-center px-1 text-left text-[15px] leading-tight text-soft hover:text-ink hover:underline"
        >
          {open ? 'fewer' : foldedNames(folded.map((index) => findings[index]!.label))}
        </button>
      )}
      {next && (
        <p className="flex min-h-8 items-center gap-2 px-1 text-[15px] font-semibold text-accent">
          <svg width="14" height="16" viewBox="0 0 14 16" aria-hidden className="shrink-0">
            <path d="M2 1v15M2 1.5h10l-3 3.2 3 3.3H2" fill="var(--accent)" stroke="var(--accent)" />
          </svg>
          Test next: {next.title.toLowerCase()}, {next.minutes} min
        </p>
      )}
    </li>
  )
}

function FindingRow({
  finding,
  first,
  chosen,
  onChoose,
  onTouch,
}: {
  finding: FindingView
  /** the first of its band, told larger */
  first: boolean
  chosen: boolean
  onChoose: (key: string) => void
  onTouch: (key: string | undefined) => void
}) {
  const units = useUnits()
  const level = asLevel(finding.level)!
  const key = keyOf(finding)
  const odd = finding.stops.filter((stop) => stop.odd)
  const depth =
    finding.depthTopMm === undefined
      ? ''
      : `${units.number(finding.depthTopMm, 'mm')}–${units.text(finding.depthBottomMm!, 'mm')}, `
  return (
    <button
      type="button"
      aria-pressed={chosen}
      onClick={() => onChoose(key)}
      onPointerEnter={() => onTouch(key)}
      onPointerLeave={() => onTouch(undefined)}
      onFocus={() => onTouch(key)}
      onBlur={() => onTouch(undefined)}
      title={`${depth}${finding.stops.length} ${finding.stops.length === 1 ? 'stop' : 'stops'}`}
      className={clsx(
        'grid min-h-11 w-full grid-cols-[1.35rem_minmax(0,1fr)_auto] items-center gap-x-2 rounded-sm px-1 text-left leading-tight hover:bg-paper aria-pressed:bg-paper lg:min-h-9',
        first && 'py-1',
      )}
    >
      <Crumb level={level} />
      <span className={clsx(levelText[level], first ? 'font-bold' : 'text-[15px]')}>
        {finding.label}
        <span className="sr-only">
          , {level}, {depth}
        </span>
        {odd.length > 0 && (
          <span className="text-[13px] font-normal text-soft">
            {' '}
            {odd.map((stop) => stop.stop).join(', ')} odd
          </span>
        )}
      </span>
      <span className={clsx('text-right font-bold', levelText[level], !first && 'text-[15px]')}>
        {figureText(finding, units)}
      </span>
      {first && (
        <span className="col-start-2 col-end-4 mt-1">
          <Whisker finding={finding} />
        </span>
      )}
    </button>
  )
}
