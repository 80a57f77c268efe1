import type { MadeTest } from '../api/schema'
import { words } from '../words/dates'
import { asLevel, Crumb } from '../ui/levels'

/** What came of a test in a few words: crumbs of its levels, or its class. */
export function ResultWords({ test }: { test: MadeTest }) {
  if (test.results.length === 0)
    return <span className="font-semibold">{test.contextClass ? words(test.contextClass) : 'recorded'}</span>
  return (
    <span className="flex gap-1.5">
      {test.results.map((result) => {
        const level = asLevel(result.level)!
        return (
          <span key={result.indicator} title={`${result.label}: ${level}`} className="flex">
            <Crumb level={level} />
            <span className="sr-only">
              {result.label} {level}
            </span>
          </span>
        )
      })}
    </span>
  )
}
