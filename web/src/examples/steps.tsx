import type { ReactNode } from 'react'
import type { MethodEntry } from '../api/schema'
import { Leaves, Sward } from '../drawings/plants'
import { Finger, Fragments, Ground, Mottles, Pores, Ribbon, RootFace } from '../drawings/soil'
import { Clod, CrumbPicture, Fizzing, Vial } from '../drawings/water'

/** What a step of a score looks like, in the words of the test. */
export type Example = { name: string; words: string; drawing: ReactNode }

const prompts = (method: MethodEntry) => method.prompts

function options(method: MethodEntry, list: string | undefined, name: string) {
  const rows = list ? method.readings.find((each) => each.name === list)?.items : method.readings
  return rows?.find((each) => each.name === name)?.options ?? []
}

const scored = (method: MethodEntry, steps: number[], draw: (step: number) => ReactNode): Example[] =>
  steps.map((step) => ({
    name: String(step),
    words: prompts(method)[`score.${step}`] ?? '',
    drawing: draw(step),
  }))

const crumb = (pieces: number, reach: number, cloud?: string) => (
  <g transform="translate(200 110) scale(2.2)">
    <CrumbPicture crumb={{ pieces, reach, cloud }} seed={3} />
  </g>
)

/** Of each test that is judged by eye: an example of each step of its scale. Drawn by us, not photographed. */
const OF: Record<string, (method: MethodEntry) => Example[]> = {
  structure: (method) =>
    scored(method, [1, 2, 3, 4, 5], (score) => <Fragments score={score} seed={40 + score} />),
  porosity: (method) => scored(method, [2, 1, 0], (score) => <Pores score={score} seed={11 + score} />),
  'finger-stain': (method) => scored(method, [2, 1, 0], (score) => <Finger score={score} />),
  mottling: () =>
    [
      { rust: 1, black: 0, grey: 0 },
      { rust: 4, black: 1, grey: 0 },
      { rust: 9, black: 1, grey: 5 },
      { rust: 12, black: 2, grey: 16 },
      { rust: 14, black: 3, grey: 33 },
    ].map((share, i) => ({
      name: `${share.rust + share.black + share.grey} %`,
      words: `rusty ${share.rust} %, black ${share.black} %, grey ${share.grey} %`,
      drawing: <Mottles {...share} seed={70 + i} />,
    })),
  'ground-cover': () =>
    [
      { living: 15, litter: 5, stone: 2, bare: 78 },
      { living: 30, litter: 10, stone: 2, bare: 58 },
      { living: 50, litter: 15, stone: 3, bare: 32 },
      { living: 65, litter: 20, stone: 3, bare: 12 },
      { living: 80, litter: 17, stone: 1, bare: 2 },
    ].map((share, i) => ({
      name: `${100 - share.bare} % covered`,
      words: `living ${share.living} %, litter ${share.litter} %, stone ${share.stone} %`,
      drawing: <Ground {...share} seed={90 + i} />,
    })),
  'crumb-stability': () => [
    { name: 'Holds', words: 'whole after both swirls', drawing: crumb(0, 0) },
    { name: 'Strong swirl', words: 'in a few pieces', drawing: crumb(8, 24) },
    { name: 'Gentle swirl', words: 'in many pieces', drawing: crumb(15, 24) },
    { name: 'Within 60 s', words: 'a heap of grains, by itself', drawing: crumb(26, 30) },
    { name: 'Faint cloud', words: 'a thin milk close to the crumb', drawing: crumb(8, 24, 'faint') },
    { name: 'Strong cloud', words: 'milk that spreads and stays', drawing: crumb(8, 24, 'strong') },
  ],
  slump: (method) =>
    options(method, 'clods', 'outcome').map((option, i) => ({
      name: option.label,
      words: '',
      drawing: <Clod outcome={option.code} seed={20 + i} />,
    })),
  fizz: (method) =>
    options(method, undefined, 'seen').map((option, i) => ({
      name: option.label,
      words: '',
      drawing: <Fizzing seen={option.code} seed={30 + i} />,
    })),
  'nutrient-kit': (method) =>
    [0, 1, 2, 3, 4].map((step) => ({
      name: String(step),
      words: prompts(method)[`step-${step}`] ?? '',
      drawing: <Vial step={step} />,
    })),
  'leaf-colour': (method) =>
    options(method, undefined, 'signs').map((option) => ({
      name: option.label,
      words: '',
      drawing: <Leaves sign={option.code} />,
    })),
  sward: () =>
    [
      { green: 45, dead: 35, clover: 3 },
      { green: 65, dead: 20, clover: 12 },
      { green: 80, dead: 10, clover: 30 },
      { green: 92, dead: 4, clover: 55 },
    ].map((share, i) => ({
      name: `${share.green} % green`,
      words: `${share.dead} % dead, ${share.clover} % clover`,
      drawing: <Sward {...share} seed={50 + i} />,
    })),
  roots: () =>
    [
      { mostMm: 90, deepestMm: 130, bent: true, barrier: 'pan', words: 'roots turn aside on a pan' },
      { mostMm: 180, deepestMm: 260, bent: false, barrier: 'flat-line', words: 'roots end at a line' },
      { mostMm: 320, deepestMm: 480, bent: false, barrier: 'none', words: 'roots thin out with depth' },
    ].map((face, i) => ({
      name: `four fifths above ${face.mostMm} mm`,
      words: face.words,
      drawing: <RootFace {...face} seed={60 + i} />,
    })),
  'texture-feel': () =>
    [
      { mm: 10, words: 'sandy loams and loams' },
      { mm: 35, words: 'clay loams' },
      { mm: 65, words: 'clays' },
    ].map((ribbon) => ({
      name: `breaks at ${ribbon.mm} mm`,
      words: ribbon.words,
      drawing: <Ribbon mm={ribbon.mm} rough={ribbon.mm < 20} />,
    })),
}

/** The examples of a test; none for one that is read off an instrument. */
export function examplesOf(method: MethodEntry): Example[] {
  return OF[method.id]?.(method) ?? []
}
