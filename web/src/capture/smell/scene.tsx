import type { SceneProps } from '../frame/panel'

// a nose has no drawing: each step in several ways of saying it, none of them the scale's own
const SMELLS: [number, string[]][] = [
  [0, ['It stinks of eggs and drains.', 'Like a ditch in August: foul.']],
  [0.5, ['A little musty, with something foul behind it.', 'Stale, like a wet cellar.']],
  [1, ['You smell next to nothing.', 'Like wet stone: almost nothing.']],
  [1.5, ['A hint of the woods, when you hold it close.', 'Faintly of cellar mushrooms and leaves.']],
  [2, ['Of woods after rain, strong and clean.', 'Sweet and earthy at arm’s length.']],
]

/** What the nose would tell. */
export default function Scene({ readings, seed }: SceneProps<'smell'>) {
  const ways = SMELLS.find(([score]) => score === readings.score)?.[1] ?? ['']
  return <p className="text-lg">“{ways[seed % ways.length]}”</p>
}
