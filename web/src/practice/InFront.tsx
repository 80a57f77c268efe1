import { useState, type ReactNode } from 'react'
import { asNumber, asReadings, asRows, asText, type Readings } from '../api/readings'
import type { MethodEntry } from '../api/schema'
import { Choice } from '../ui/controls'
import { chipColour, shownColour, type Notation } from '../drawings/colour'
import { Framed } from '../drawings/Framed'
import { Leaves, Sward } from '../drawings/plants'
import { Finger, Fragments, Ground, Mottles, Pores, Ribbon, RootFace } from '../drawings/soil'
import { Clod, Fizzing, Vial } from '../drawings/water'
import { useUnits } from '../units/units'
import { words } from '../words/dates'

// a nose has no drawing: each step in several ways of saying it, none of them the scale's own
const SMELLS: [number, string[]][] = [
  [0, ['It stinks of eggs and drains.', 'Like a ditch in August: foul.']],
  [0.5, ['A little musty, with something foul behind it.', 'Stale, like a wet cellar.']],
  [1, ['You smell next to nothing.', 'Like wet stone: almost nothing.']],
  [1.5, ['A hint of the woods, when you hold it close.', 'Faintly of cellar mushrooms and leaves.']],
  [2, ['Of woods after rain, strong and clean.', 'Sweet and earthy at arm’s length.']],
]

const num = (readings: Readings, name: string) => asNumber(readings[name]) ?? 0

/** What some tests need to know before they begin: what is in the bag, what the ruler reads. */
const SAID: Record<string, (readings: Readings) => string | undefined> = {
  ph: (readings) =>
    readings.kind === 'vial-kit'
      ? 'In the bag: a kit with vials and chips. The meter stayed at home.'
      : 'In the bag: a pH meter for a slurry of equal parts.',
  'crumb-stability': (readings) =>
    readings.water === 'tap'
      ? 'The rain water ran out: there is only tap water. The crumbs are dry.'
      : 'Rain water is at hand, and the crumbs are dry.',
  earthworms: () => 'Blocks of 200 by 200 mm, 250 mm deep, dug and laid on a sheet.',
  'texture-jar': (readings) =>
    `Shaken and set down: ${num(readings, 'waterColumnMm')} mm of water over the base, ${num(readings, 'waterTempC')} °C, a dispersant in it.`,
  'ring-infiltration': (readings) =>
    `The ring is ${num(readings, 'ringDiameterMm')} mm wide; the bottle holds 442 mL for each run. Watch the water in the ring.`,
  'hole-drainage': (readings) =>
    `Dug ${num(readings, 'holeDepthMm')} mm deep and ${num(readings, 'holeDiameterMm')} mm wide, filled${readings.presoaked ? ', and soaked the evening before' : ''}. Read the ruler in the water.`,
}

/** What lies in front of the learner, where the picture itself does not move. */
export function InFront({
  method,
  readings,
  seed,
}: {
  method: MethodEntry
  readings: Readings
  seed: number
}) {
  const said = SAID[method.id]?.(readings)
  const drawn = useDrawing(method, readings, seed)
  if (!said && !drawn) return null
  return (
    <section
      aria-label="In front of you"
      className="grid gap-2 border-l-3 border-accent bg-stone/60 py-2 pl-3"
    >
      {said && <p>{said}</p>}
      {drawn}
    </section>
  )
}

function useDrawing(method: MethodEntry, readings: Readings, seed: number): ReactNode {
  const units = useUnits()
  const framed = (label: string, drawing: ReactNode) => <Framed label={label}>{drawing}</Framed>
  switch (method.id) {
    case 'structure':
      return (
        <div className="grid gap-2">
          {asRows(readings.layers).map((layer, i) => (
            <figure key={i}>
              <figcaption className="text-sm text-soft">
                {i === 0 ? 'upper part' : 'lower part'}, {units.text(num(layer, 'thicknessMm'), 'mm')}
              </figcaption>
              {framed(
                'The opened block, to be scored',
                <Fragments score={num(layer, 'score')} seed={seed + i} />,
              )}
            </figure>
          ))}
        </div>
      )
    case 'porosity':
      return framed('A broken face, to be scored', <Pores score={num(readings, 'score')} seed={seed} />)
    case 'finger-stain':
      return framed('The finger that rubbed it', <Finger score={num(readings, 'score')} />)
    case 'smell': {
      const ways = SMELLS.find(([score]) => score === num(readings, 'score'))?.[1] ?? ['']
      return <p className="text-lg">“{ways[seed % ways.length]}”</p>
    }
    case 'mottling':
      return framed(
        'The scraped face, to be judged',
        <Mottles
          rust={num(readings, 'rustPct')}
          black={num(readings, 'blackPct')}
          grey={num(readings, 'greyPct')}
          seed={seed}
        />,
      )
    case 'ground-cover':
      return framed(
        'The ground in the quadrat, to be judged',
        <Ground
          living={num(readings, 'livingPct')}
          litter={num(readings, 'litterPct')}
          stone={num(readings, 'stonePct')}
          bare={num(readings, 'barePct')}
          seed={seed}
        />,
      )
    case 'roots':
      return (
        <div>
          {framed(
            'Roots in the shaved face, with a ruler in mm',
            <RootFace
              mostMm={num(readings, 'eightyPctDepthMm')}
              deepestMm={num(readings, 'deepestMm')}
              bent={readings.bent === true}
              barrier={asText(readings.barrier) ?? 'none'}
              seed={seed}
            />,
          )}
          {readings.nodules !== undefined && (
            <p>Legumes stand in it; on their roots: {words(String(readings.nodules))} nodules.</p>
          )}
        </div>
      )
    case 'texture-feel':
      return (
        <div>
          {readings.formsBall === false ? (
            <p>It runs through the fingers; no ball holds.</p>
          ) : readings.formsRibbon === false ? (
            <p>It holds as a ball, and falls apart when it is pressed out.</p>
          ) : (
            framed(
              'The ribbon beside a ruler in mm',
              <Ribbon mm={num(readings, 'ribbonMm')} rough={readings.feel === 'gritty'} />,
            )
          )}
          {readings.feel !== undefined && (
            <p>
              Rubbed wet in the palm,{' '}
              {
                {
                  gritty: 'grains scratch and crunch.',
                  smooth: 'it slides like flour paste.',
                  neither: 'some grains, some slip: nothing stands out.',
                }[String(readings.feel)]
              }
            </p>
          )}
        </div>
      )
    case 'fizz':
      return (
        <div>
          {framed('A crumb under two drops of acid', <Fizzing seen={String(readings.seen)} seed={seed} />)}
          <p>
            Ten percent acid.{' '}
            {readings.heard === 'no' ? 'Held to the ear: silence.' : 'Held to the ear it crackles clearly.'}
          </p>
        </div>
      )
    case 'nutrient-kit':
      return framed(
        'Three vials to be held against the card',
        <>
          {['n', 'p', 'k'].map((name, i) => (
            <Vial key={name} step={num(readings, name)} label={name.toUpperCase()} x={46 + i * 112} />
          ))}
        </>,
      )
    case 'leaf-colour':
      return (
        <div className="grid grid-cols-2 gap-2">
          {(Array.isArray(readings.signs) ? readings.signs : []).map((sign) => (
            <div key={String(sign)}>{framed('A plant of this crop', <Leaves sign={String(sign)} />)}</div>
          ))}
        </div>
      )
    case 'sward':
      return (
        <div>
          {framed(
            'The sward in the quadrat, to be judged',
            <Sward
              green={num(readings, 'greenPct')}
              dead={num(readings, 'deadPct')}
              clover={num(readings, 'cloverPct')}
              seed={seed}
            />,
          )}
          <p>{num(readings, 'speciesCount')} kinds of plants, counted with care.</p>
        </div>
      )
    case 'slump':
      return (
        <div className="grid gap-2">
          {asRows(readings.clods).map((clod, i) => (
            <div key={i}>
              {framed(
                'A clod after five minutes in water',
                <Clod outcome={String(clod.outcome)} seed={seed} />,
              )}
            </div>
          ))}
        </div>
      )
    case 'colour':
      return <UnderALight readings={readings} />
    case 'ph':
      return (
        <ul className="grid gap-1.5">
          {asRows(readings.layers).map((layer, i) => (
            <li key={i} className="flex items-center gap-3">
              <span className="w-32 text-sm text-soft">
                {units.number(num(layer, 'topMm'), 'mm')}–{units.text(num(layer, 'bottomMm'), 'mm')}
              </span>
              {layer.value === undefined ? (
                <span
                  role="img"
                  aria-label={`a vial whose colour lies between the chips ${num(layer, 'chipLow')} and ${num(layer, 'chipHigh')}`}
                  className="h-11 w-24 rounded-b-2xl border-2 border-ink"
                  style={{
                    background: chipColour((num(layer, 'chipLow') + num(layer, 'chipHigh')) / 2),
                  }}
                />
              ) : (
                <Display>{num(layer, 'value').toFixed(1)}</Display>
              )}
            </li>
          ))}
        </ul>
      )
    case 'salinity':
      return (
        <ul className="grid gap-1.5">
          {(Array.isArray(readings.readings) ? readings.readings : []).map((value, i) => (
            <li key={i} className="flex items-center gap-3">
              <span className="w-32 text-sm text-soft">stirred, look {i + 1}</span>
              <Display>{Number(value).toFixed(2)} dS/m</Display>
            </li>
          ))}
          <li className="text-sm text-soft">
            One part of soil to one of water; the probe allows for warmth.
          </li>
        </ul>
      )
    case 'surface-life':
      return (
        <p>
          In two minutes, within {units.text(num(readings, 'quadratAreaM2'), 'm²')}:{' '}
          {Object.entries(asReadings(readings.counts))
            .map(([name, count]) => `${String(count)} × ${words(name)}`)
            .join(', ')}
          .
        </p>
      )
    case 'earthworms':
    case 'penetration':
    case 'crumb-stability':
    case 'texture-jar':
    case 'ring-infiltration':
    case 'hole-drainage':
      // the test's own picture moves
      return null
    default:
      return <Facts method={method} readings={readings} />
  }
}

function Display({ children }: { children: ReactNode }) {
  return (
    <span className="rounded-sm border-2 border-ink bg-[#dfe7d2] px-3 py-1 text-xl font-bold text-[#14211e] tabular-nums">
      {children}
    </span>
  )
}

const LIGHTS = [
  { code: 'shade', label: 'open shade', tint: 'transparent' },
  { code: 'noon', label: 'noon sun', tint: 'rgb(255 250 220 / 0.34)' },
  { code: 'evening', label: 'low sun', tint: 'rgb(214 120 40 / 0.34)' },
  { code: 'lamp', label: 'a head lamp', tint: 'rgb(255 214 130 / 0.42)' },
] as const

/** A crumb and its reference under a light of one's choice: only open shade shows them as they are. */
function UnderALight({ readings }: { readings: Readings }) {
  const [light, setLight] = useState<(typeof LIGHTS)[number]['code']>('noon')
  const tint = LIGHTS.find((each) => each.code === light)!.tint
  const patch = (notation: Notation, label: string) => (
    <span className="grow text-center text-sm">
      <span
        role="img"
        aria-label={label}
        className="block h-28 rounded-sm border border-strong-rule"
        style={{ background: `linear-gradient(${tint}, ${tint}), ${shownColour(notation)}` }}
      />
      {label}
    </span>
  )
  return (
    <div className="grid gap-2">
      <Choice label="Looked at in" options={[...LIGHTS]} value={light} onChange={setLight} />
      <div className="flex gap-3">
        {patch(asReadings(readings.sample), 'the sample, moist')}
        {patch(asReadings(readings.reference), 'from under the fence')}
      </div>
      <p className="text-sm text-soft">Both on hue page {String(asReadings(readings.sample).hue)}.</p>
    </div>
  )
}

/** What an instrument or a report says, in the words and units of the test. */
function Facts({ method, readings }: { method: MethodEntry; readings: Readings }) {
  const units = useUnits()
  const line = (entries: MethodEntry['readings'], values: Readings, path: string): ReactNode[] =>
    Object.entries(values).flatMap(([name, value]) => {
      const entry = entries.find((each) => each.name === name)
      const label = entry?.label ?? words(name)
      if (Array.isArray(value))
        return asRows(value).flatMap((row, i) => [
          <li key={`${path}${name}${i}`} className="border-t border-rule pt-1">
            <ul className="flex flex-wrap gap-x-4">{line(entry?.items ?? [], row, `${path}${name}${i}.`)}</ul>
          </li>,
        ])
      const option = entry?.options?.find((each) => each.code === value)?.label
      const said =
        typeof value === 'number'
          ? units.text(value, entry?.unit ?? '')
          : typeof value === 'boolean'
            ? value
              ? 'yes'
              : 'no'
            : (option ?? String(value))
      return [
        <li key={path + name}>
          <span className="text-soft">{label}</span> <strong>{said}</strong>
        </li>,
      ]
    })
  return <ul className="grid gap-1">{line(method.readings, readings, '')}</ul>
}
