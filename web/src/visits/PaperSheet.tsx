import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { queries } from '../queries/queries'
import { Button, buttonLook, Check } from '../ui/controls'
import { Panel } from '../ui/Panel'

/** A blank sheet for a day on paper, for any set of tests. */
export function PaperSheet() {
  const methods = useQuery(queries.methods()).data ?? []
  const [open, setOpen] = useState(false)
  const usual = useQuery(queries.testSets()).data?.[0]?.methods ?? []
  const [chosen, setWanted] = useState<string[]>()
  const wanted = chosen ?? usual
  return (
    <>
      <Button kind="quiet" onClick={() => setOpen(true)}>
        Blank sheet for paper
      </Button>
      <Panel title="Blank sheet for paper" open={open} onClose={() => setOpen(false)}>
        <p className="mb-2 text-soft">Which tests should it have room for?</p>
        <div className="grid">
          {methods.map((method) => (
            <Check
              key={method.id}
              label={method.title}
              checked={wanted.includes(method.id)}
              onChange={(on) =>
                setWanted(on ? [...wanted, method.id] : wanted.filter((each) => each !== method.id))
              }
            />
          ))}
        </div>
        {wanted.length > 0 && (
          <a
            href={`/api/blank-sheet.pdf?tests=${methods
              .filter((method) => wanted.includes(method.id))
              .map((method) => method.id)
              .join(',')}`}
            target="_blank"
            rel="noreferrer"
            className={`${buttonLook('primary')} mt-4 w-full`}
          >
            Open the sheet
          </a>
        )}
      </Panel>
    </>
  )
}
