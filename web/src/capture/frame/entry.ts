import type { MethodTypes } from '../../api/methodTypes'
import { pruned, type NamesOf, type MethodId, type Readings, type ReadingsOf } from '../../api/readings'
import type { MethodEntry, OptionEntry } from '../../api/schema'
import { useContext, useEffect } from 'react'
import { useLive, useWarnings } from '../../core/core'
import { OnBench, type CaptureProps } from './panel'

/** A method as the catalogue has it, with what its own picture may ask of it. */
export type MethodOf<Id extends MethodId> = Omit<MethodEntry, 'usual' | 'drawn' | 'groups' | 'prompts'> &
  Omit<MethodTypes[Id], 'readings'> & { usual: ReadingsOf<Id> }

/** The catalogue's entry, as the types made from the same catalogue know it. */
export function known<Id extends MethodId>(method: MethodEntry) {
  return method as unknown as MethodOf<Id>
}

/** One of a reading's options, its code as the types know it. */
export type Option<Code> = Omit<OptionEntry, 'code'> & { code: Code }

/** One of a list's, or the thing itself. */
type Single<Value> = NonNullable<Value> extends (infer Each)[] ? Each : NonNullable<Value>

/** A sentence of the catalogue with its gaps filled. */
export function filled(sentence: string, gaps: Record<string, string | number>) {
  return sentence.replace(/\{(\w+)\}/g, (gap, name: string) => String(gaps[name] ?? gap))
}

/** What the core makes of readings as they stand; while it can't evaluate them, what must be said at once. */
export function useOutcome(method: string, sent: Readings, context: Readings) {
  const live = useLive(method, sent, context)
  const warnings = useWarnings(method, live?.envelope ? undefined : sent)
  const bench = useContext(OnBench)
  const envelope = live?.envelope
  useEffect(() => bench?.told(envelope), [bench, envelope])
  return { live, warnings }
}

/**
 * Readings of a test as entered over what is usual, what the core makes of them at once, and each reading's field with
 * the label, unit and options that the catalogue gives it.
 *
 * @param usual what this device or place starts from, over what the catalogue calls usual
 * @param meant what of the readings counts, where the picture holds more than was read
 */
export function useEntry<Id extends MethodId>(
  { draft, method: entry, context }: CaptureProps<Id>,
  {
    usual,
    meant = (readings) => readings,
  }: { usual?: ReadingsOf<Id>; meant?: (readings: ReadingsOf<Id>) => ReadingsOf<Id> } = {},
) {
  type R = ReadingsOf<Id>
  const method = known<Id>(entry)
  const readings = { ...method.usual, ...usual, ...draft.content.readings } as R
  const sent = pruned(method.readings, meant(readings))
  const { live, warnings } = useOutcome(method.id, sent, context)
  const set = (changed: Partial<R>) =>
    draft.change({ ...draft.content, readings: { ...readings, ...changed } })
  const spec = (name: string) => method.readings.find((each) => each.name === name)
  const label = (name: keyof R & string) => spec(name)?.label ?? name
  const options = <Name extends NamesOf<R, string | string[]>>(name: Name) =>
    (spec(name)?.options ?? []) as Option<Single<R[Name]>>[]
  return {
    method,
    readings,
    sent,
    live,
    warnings,
    set,
    label,
    options,
    /** What is known of a reading inside a list or group. */
    item: <List extends keyof R & string, Name extends keyof Single<R[List]> & string>(
      list: List,
      name: Name,
    ) => {
      const rows = method.readings.filter((each) => each.name === list).flatMap((each) => each.items)
      const found = rows.find((each) => each.name === name)
      return {
        label: found?.label ?? name,
        unit: found?.unit ?? '',
        options: (found?.options ?? []) as Option<Single<Single<R[List]>[Name]>>[],
      }
    },
    /** The field of a number. */
    quantity: <Name extends NamesOf<R, number>>(name: Name) => ({
      label: label(name),
      unit: spec(name)?.unit ?? '',
      value: readings[name] as number | undefined,
      onChange: (value: number | undefined) => set({ [name]: value } as Partial<R>),
    }),
    /** The field of a yes or no. */
    flag: <Name extends NamesOf<R, boolean>>(name: Name) => ({
      label: label(name),
      checked: readings[name] === true,
      onChange: (checked: boolean) => set({ [name]: checked } as Partial<R>),
    }),
    /** The field of one of a few words. */
    choice: <Name extends NamesOf<R, string>>(name: Name) => ({
      label: label(name),
      options: (spec(name)?.options ?? []) as Option<NonNullable<R[Name]>>[],
      value: readings[name],
      onChange: (code: NonNullable<R[Name]>) => set({ [name]: code } as Partial<R>),
    }),
    /** What the picture asks for at a step. */
    say: (step: keyof MethodTypes[Id]['prompts'] & string, gaps: Record<string, string | number> = {}) =>
      filled((method.prompts as Record<string, string>)[step] ?? '', gaps),
  }
}

export type Entry<Id extends MethodId = MethodId> = ReturnType<typeof useEntry<Id>>
