import { lazy, type ComponentType, type LazyExoticComponent } from 'react'
import type { CaptureProps } from './frame/panel'

type Panel = LazyExoticComponent<ComponentType<CaptureProps>>

const found = import.meta.glob<{ default: ComponentType<CaptureProps> }>('./*/index.ts')

/** On what each method is worked: its own picture or the form from the catalogue, as its folder says. */
export const PANELS: Record<string, Panel> = Object.fromEntries(
  Object.entries(found).map(([path, load]) => [path.split('/')[1]!, lazy(load)]),
)
