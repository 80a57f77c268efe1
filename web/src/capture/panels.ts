import { lazy, type ComponentType, type LazyExoticComponent } from 'react'
import type { CaptureProps } from './panel'

type Panel = LazyExoticComponent<ComponentType<CaptureProps>>

const scale = lazy(() => import('./ScaleCapture').then((m) => ({ default: m.ScaleCapture })))

/** The picture on which each method is worked; a method without one gets the form from the catalogue. */
export const PANELS: Record<string, Panel> = {
  'ground-cover': lazy(() => import('./CoverCapture').then((m) => ({ default: m.CoverCapture }))),
  'surface-life': lazy(() => import('./LifeCapture').then((m) => ({ default: m.LifeCapture }))),
  sward: lazy(() => import('./SwardCapture').then((m) => ({ default: m.SwardCapture }))),
  penetration: lazy(() => import('./ProbeCapture').then((m) => ({ default: m.ProbeCapture }))),
  'ring-infiltration': lazy(() => import('./RingCapture').then((m) => ({ default: m.RingCapture }))),
  'hole-drainage': lazy(() => import('./HoleCapture').then((m) => ({ default: m.HoleCapture }))),
  'texture-feel': lazy(() => import('./FeelCapture').then((m) => ({ default: m.FeelCapture }))),
  'texture-jar': lazy(() => import('./JarCapture').then((m) => ({ default: m.JarCapture }))),
  structure: lazy(() => import('./StructureCapture').then((m) => ({ default: m.StructureCapture }))),
  porosity: scale,
  smell: scale,
  'finger-stain': scale,
  mottling: lazy(() => import('./MottleCapture').then((m) => ({ default: m.MottleCapture }))),
  colour: lazy(() => import('./ColourCapture').then((m) => ({ default: m.ColourCapture }))),
  earthworms: lazy(() => import('./WormsCapture').then((m) => ({ default: m.WormsCapture }))),
  roots: lazy(() => import('./RootsCapture').then((m) => ({ default: m.RootsCapture }))),
  pit: lazy(() => import('./PitCapture').then((m) => ({ default: m.PitCapture }))),
  'crumb-stability': lazy(() => import('./CrumbsCapture').then((m) => ({ default: m.CrumbsCapture }))),
  slump: lazy(() => import('./ClodsCapture').then((m) => ({ default: m.ClodsCapture }))),
  ph: lazy(() => import('./PhCapture').then((m) => ({ default: m.PhCapture }))),
  fizz: lazy(() => import('./FizzCapture').then((m) => ({ default: m.FizzCapture }))),
  salinity: lazy(() => import('./SaltCapture').then((m) => ({ default: m.SaltCapture }))),
  'nutrient-kit': lazy(() => import('./KitCapture').then((m) => ({ default: m.KitCapture }))),
}
