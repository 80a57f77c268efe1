import { lazy, type ComponentType, type LazyExoticComponent } from 'react'
import type { SceneProps } from './frame/panel'

type Scene = LazyExoticComponent<ComponentType<SceneProps>>

const found = import.meta.glob<{ default: ComponentType<SceneProps> }>('./*/scene.tsx')

/** What lies in front of a learner, as the folder of each method draws it; none where an instrument says it all. */
export const SCENES: Record<string, Scene> = Object.fromEntries(
  Object.entries(found).map(([path, load]) => [path.split('/')[1]!, lazy(load)]),
)
