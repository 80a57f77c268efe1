import { useRef } from 'react'
import { QuantityInput } from '../../ui/controls'

/** Shares of a whole, one under the other; Enter goes to the next, and says how much is left over. */
export function Shares<Name extends string>({
  parts,
  readings,
  onChange,
  whole,
}: {
  parts: { name: Name; label: string }[]
  readings: { [N in Name]?: number }
  onChange: (changed: { [N in Name]?: number }) => void
  /** undefined where the shares need not add up */
  whole?: number
}) {
  const box = useRef<HTMLDivElement>(null)
  const given = parts.filter((part) => readings[part.name] !== undefined)
  const sum = given.reduce((all, part) => all + (readings[part.name] ?? 0), 0)
  const next = (i: number) => box.current?.querySelectorAll<HTMLInputElement>('input')[i + 1]?.focus()
  return (
    <div ref={box} className="grid grid-cols-2 gap-3">
      {parts.map((part, i) => (
        <QuantityInput
          key={part.name}
          label={part.label}
          unit="%"
          autoFocus={i === 0 && given.length === 0}
          value={readings[part.name]}
          onChange={(value) => onChange(changed(part.name, value))}
          onEnter={() => next(i)}
        />
      ))}
      {whole !== undefined && given.length > 0 && sum !== whole && (
        <p className="col-span-2 text-sm text-soft">
          {sum < whole ? `${whole - sum} % is not told yet` : `${sum - whole} % too much`}
        </p>
      )}
    </div>
  )
}

function changed<Name extends string>(name: Name, value: number | undefined) {
  const part: { [N in Name]?: number } = {}
  part[name] = value
  return part
}
