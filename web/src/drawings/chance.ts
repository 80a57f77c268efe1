/** Numbers in 0..1 that look like chance and are always the same for a seed, so that a drawing never jumps. */
export function chance(seed: number) {
  let state = (Math.abs(Math.trunc(seed)) * 2654435761 + 1) >>> 0
  return () => {
    state = (state + 0x6d2b79f5) >>> 0
    let mixed = Math.imul(state ^ (state >>> 15), 1 | state)
    mixed = (mixed + Math.imul(mixed ^ (mixed >>> 7), 61 | mixed)) ^ mixed
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 4294967296
  }
}
