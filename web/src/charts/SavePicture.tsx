import { DropdownMenu } from 'radix-ui'
import { useRef, useState, type ReactNode } from 'react'
import { fileName, saveFile } from '../ui/saveFile'
import { showDay, today } from '../words/dates'
import { png, standalone } from './picture'

/** The menu from which a drawing is kept as a file. */
export function SaveMenu({ name, drawing }: { name: string; drawing: () => string | Promise<string> }) {
  const [failed, setFailed] = useState(false)
  const save = (kind: 'svg' | 'png') => async () => {
    try {
      const made = await drawing()
      saveFile(
        kind === 'svg' ? new Blob([made], { type: 'image/svg+xml' }) : await png(made),
        `${fileName(name)}-${today()}.${kind}`,
      )
      setFailed(false)
    } catch {
      setFailed(true)
    }
  }
  const item =
    'flex min-h-11 cursor-pointer items-center px-4 outline-none data-[highlighted]:bg-ground data-[highlighted]:font-semibold'
  return (
    <span className="no-print inline-flex items-center gap-3">
      <DropdownMenu.Root>
        <DropdownMenu.Trigger
          aria-label={`Keep the picture of ${name}`}
          className="min-h-11 text-sm text-soft underline-offset-4 hover:text-ink hover:underline"
        >
          Keep picture
        </DropdownMenu.Trigger>
        <DropdownMenu.Portal>
          <DropdownMenu.Content
            align="end"
            className="z-50 border border-strong-rule bg-paper text-[15px] shadow-lg"
          >
            <DropdownMenu.Item className={item} onSelect={() => void save('svg')()}>
              As a drawing (SVG)
            </DropdownMenu.Item>
            <DropdownMenu.Item className={item} onSelect={() => void save('png')()}>
              As a picture (PNG)
            </DropdownMenu.Item>
          </DropdownMenu.Content>
        </DropdownMenu.Portal>
      </DropdownMenu.Root>
      {failed && (
        <span role="alert" className="text-sm text-failing">
          It could not be made. Try the other form.
        </span>
      )}
    </span>
  )
}

/** A chart with the menu to keep it, with its title, units and day in it. */
export function SavableChart({
  title,
  unit,
  children,
}: {
  title: string
  /** of the figures drawn; left out where they have none */
  unit?: string
  children: ReactNode
}) {
  const place = useRef<HTMLDivElement>(null)
  const foot = [unit && `Figures in ${unit}`, showDay(today()), 'Morphotera'].filter(Boolean).join(' · ')
  return (
    <div className="grid min-w-0">
      <div ref={place} className="min-w-0">
        {children}
      </div>
      <div className="justify-self-end">
        <SaveMenu
          name={title}
          drawing={() => {
            const svg = place.current?.querySelector('svg')
            if (!svg) throw new Error('nothing is drawn')
            return standalone(svg, title, foot)
          }}
        />
      </div>
    </div>
  )
}
