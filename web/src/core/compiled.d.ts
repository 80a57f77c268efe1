/** The exports of the core as compiled for the page. */
export function open(benchmarkFiles: string, messageFiles: string): void
export function evaluate(method: string, body: string): string
export function contextOf(place: string, recorded: string, stop: string): string
export function dayCourse(asked: string): string
export function conditions(context: string, month: number, south: boolean): string
export function amount(calculator: string, answer: string, garden: boolean, us: boolean): string
export function warnings(method: string, readings: string): string
export function workOut(calculator: string, body: string): string
export function openTraining(evidenceFiles: string): void
export function deal(deal: string): string
export function scene(deal: string, method: string, topMm: number): string
export function verdict(round: string): string
export function look(kind: string, inputs: string, rgba: Uint8ClampedArray, width: number): string
export function lookAtBoth(
  kind: string,
  inputs: string,
  before: Uint8ClampedArray,
  widthBefore: number,
  after: Uint8ClampedArray,
  widthAfter: number,
): string
/** A picture as four bytes a point, and what is told of it as JSON. */
export type PagePicture = { data: Uint8ClampedArray; width: number; told: string }
export function straightened(rgba: Uint8ClampedArray, width: number): PagePicture | null
export function drawnPhoto(kind: string, readings: string, seed: number, which: number): PagePicture
