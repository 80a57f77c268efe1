export const KINDS = ['living', 'litter', 'stone', 'bare'] as const
export type Kind = (typeof KINDS)[number]

export const LOOK: Record<Kind, string> = {
  living: '#4a7a3c',
  litter: '#b08a4a',
  stone: '#8f9a97',
  bare: 'var(--soil-2)',
}

/** A blade, a stalk, a stone, a clod: told apart by shape, not by colour alone. */
export function Mark({ kind }: { kind: Kind }) {
  if (kind === 'living')
    return (
      <path d="M0 9C-7 3-5-5 0-9 5-5 7 3 0 9Z" fill={LOOK.living} stroke="var(--ink)" strokeWidth="0.8" />
    )
  if (kind === 'litter') return <path d="M-9 4 8-5M-7-3 7 6" stroke={LOOK.litter} strokeWidth="3.6" />
  if (kind === 'stone')
    return <ellipse rx="9" ry="6.5" fill={LOOK.stone} stroke="var(--ink)" strokeWidth="1" />
  return <path d="M-8-2-3-8 5-6 8 1 3 8-6 6Z" fill={LOOK.bare} />
}
