import clsx from 'clsx'

/** The word for a standing; its colour and its crumb go with it everywhere. */
export type Level = 'robust' | 'serviceable' | 'strained' | 'failing'

export const LEVELS: Level[] = ['failing', 'strained', 'serviceable', 'robust']

export const levelText: Record<Level, string> = {
  robust: 'text-robust',
  serviceable: 'text-serviceable',
  strained: 'text-strained',
  failing: 'text-failing',
}

export const levelFill: Record<Level, string> = {
  robust: 'var(--level-robust)',
  serviceable: 'var(--level-serviceable)',
  strained: 'var(--level-strained)',
  failing: 'var(--level-failing)',
}

export function asLevel(text: string | undefined): Level | undefined {
  return LEVELS.find((level) => level === text)
}

/** The crumb of a level in a 20 by 20 square: whole, cracked, broken, scattered. */
export function CrumbShape({ level }: { level: Level }) {
  switch (level) {
    case 'robust':
      return <path d="M6.6 1.6 13.2 1.2 18 5.4 18.8 11.6 15.4 17.2 9 18.8 3.2 16.2 1.2 9.8 2.8 4.4Z" />
    case 'serviceable':
      return (
        <path d="M6.6 1.6 9.9 1.4 8.2 6.2 10.8 10 8 13.6 9.2 18.7 3.2 16.2 1.2 9.8 2.8 4.4ZM12 1.3 13.2 1.2 18 5.4 18.8 11.6 15.4 17.2 11.3 18.3 10.4 14.1 13.3 10.1 10.6 6.1Z" />
      )
    case 'strained':
      return (
        <path d="M2 5.2 6.2 1.8 9.4 3.6 8.2 7.8 3.4 8.8ZM12.6 3 17 3.4 18.8 7.6 15 10.2 11.6 7.4ZM4.2 12.2 9.6 10.6 12.4 14.2 9.8 18.6 4.8 17.6ZM14.8 13 18 13.6 17.6 17.2 14.4 17Z" />
      )
    case 'failing':
      return (
        <path d="M3 3.4h2.6v2.6H3zM9.4 1.8h2.2v2.2H9.4zM15 4.2h2.8v2.8H15zM6.8 7.6h2.4V10H6.8zM12 9h2v2h-2zM2 11.4h2.2v2.2H2zM16.2 11.6h2v2h-2zM8.4 13h2.8v2.8H8.4zM4.2 16.4h2v2h-2zM13.6 15.6H16V18h-2.4z" />
      )
  }
}

export function Crumb({ level, size = 16 }: { level: Level; size?: number }) {
  return (
    <svg
      width={size}
      height={size}
      viewBox="0 0 20 20"
      fill={levelFill[level]}
      aria-hidden
      className="shrink-0"
    >
      <CrumbShape level={level} />
    </svg>
  )
}

/** Crumb and word of a level. */
export function LevelMark({ level, className }: { level: Level; className?: string }) {
  return (
    <span className={clsx('inline-flex items-center gap-1.5 font-semibold', levelText[level], className)}>
      <Crumb level={level} />
      {level}
    </span>
  )
}
