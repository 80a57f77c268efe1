import type { SceneProps } from '../frame/panel'

/** Which water there is; the dish itself shows the rest. */
export default function Scene({ readings }: SceneProps<'crumb-stability'>) {
  return (
    <p>
      {readings.water === 'tap'
        ? 'The rain water ran out: there is only tap water. The crumbs are dry.'
        : 'Rain water is at hand, and the crumbs are dry.'}
    </p>
  )
}
