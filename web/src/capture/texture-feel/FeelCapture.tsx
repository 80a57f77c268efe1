import type { ReactNode } from 'react'
import { useKeys } from '../../ui/keys'
import type { Readings } from '../../api/readings'
import { useLive } from '../../core/core'
import { words } from '../../words/dates'
import { Button, Check, Choice, QuantityInput } from '../../ui/controls'
import { Notes } from '../../readings/Results'
import { FeelPicture, type FeelScene } from './FeelPicture'
import { faultAt } from '../../api/readings'
import { PanelLayout, RecordButton, useRecord, type CaptureProps } from '../frame/panel'
import { Triangle } from '../../charts/Triangle'

type Question = { name: string; ask: string; scene: FeelScene; answer: ReactNode }

/** The feel key as a short path of questions, each with a picture; an answer leads to the next. */
export function FeelCapture(props: CaptureProps) {
  const { draft, method, context } = props
  const readings: Readings = { key: 'ribbon', ...draft.content.readings }
  const live = useLive(method.id, readings, context)
  const record = useRecord(props)
  const set = (changed: Readings) => draft.change({ ...draft.content, readings: { ...readings, ...changed } })
  const options = (name: string, index = 0) =>
    method.readings.filter((each) => each.name === name)[index]?.options ?? []
  const yesNo = (name: string, after: string[]) => (
    <Choice
      label=""
      options={[
        { code: 'yes', label: 'Yes' },
        { code: 'no', label: 'No' },
      ]}
      value={readings[name] === undefined ? undefined : readings[name] ? 'yes' : 'no'}
      onChange={(code) => set({ ...cleared(after), [name]: code === 'yes' })}
    />
  )
  const pick = (name: string, index: number, after: string[]) => (
    <Choice
      label=""
      options={options(name, index)}
      value={readings[name] as string | undefined}
      onChange={(code) => set({ ...cleared(after), [name]: code })}
    />
  )
  const questions: Question[] =
    readings.key === 'ribbon'
      ? [
          {
            name: 'formsBall',
            ask: 'Squeeze a moist handful. Does it hold as a ball?',
            scene: 'ball',
            answer: yesNo('formsBall', ['formsRibbon', 'ribbonMm', 'feel']),
          },
          ...(readings.formsBall
            ? [
                {
                  name: 'formsRibbon',
                  ask: 'Press it out between thumb and finger. Does it make a ribbon?',
                  scene: 'ribbon' as const,
                  answer: yesNo('formsRibbon', ['ribbonMm', 'feel']),
                },
              ]
            : []),
          ...(readings.formsBall && readings.formsRibbon
            ? [
                {
                  name: 'ribbonMm',
                  ask: 'How long is the ribbon when it breaks?',
                  scene: 'length' as const,
                  answer: (
                    <div className="grid gap-3">
                      <QuantityInput
                        big
                        label="Ribbon breaks at"
                        unit="mm"
                        value={readings.ribbonMm as number | undefined}
                        onChange={(mm) => set({ ribbonMm: mm })}
                        error={
                          readings.ribbonMm === undefined ? undefined : faultAt(live?.faults, 'ribbonMm')
                        }
                      />
                    </div>
                  ),
                },
                {
                  name: 'feel',
                  ask: 'Wet a pinch in the palm and rub it. How does it feel?',
                  scene: 'rub' as const,
                  answer: pick('feel', 0, []),
                },
              ]
            : []),
        ]
      : [
          {
            name: 'ball',
            ask: 'Press a moist ball flat. What does it do?',
            scene: 'ball',
            answer: pick('ball', 0, ['cracks', 'feel']),
          },
          ...(readings.ball === 'firm'
            ? [
                {
                  name: 'cracks',
                  ask: 'Look at its rim. How many cracks?',
                  scene: 'cracks' as const,
                  answer: pick('cracks', 0, []),
                },
              ]
            : []),
          ...(readings.ball === 'firm' || readings.ball === 'weak'
            ? [
                {
                  name: 'feel',
                  ask: 'Wet a pinch and rub it. How does it feel?',
                  scene: 'rub' as const,
                  answer: pick('feel', 1, []),
                },
              ]
            : []),
        ]
  const open = questions.find((question) => readings[question.name] === undefined)
  const current = open ?? questions.at(-1)!
  const envelope = live?.envelope
  useKeys({ u: () => draft.undo?.() })
  return (
    <PanelLayout
      instruction={open ? open.ask : `${capital(words(String(envelope?.classes.textureClass ?? '')))}.`}
      picture={
        <>
          <FeelPicture
            scene={open ? current.scene : 'done'}
            ribbonMm={readings.ribbonMm as number | undefined}
            feel={readings.feel as string | undefined}
          />
          <ol className="grid gap-3">
            {questions.map((question, i) => (
              <li key={question.name} className={question === open || !open ? '' : 'opacity-80'}>
                <span className="text-sm text-soft">
                  {i + 1}. {question.ask}
                </span>
                {question.answer}
              </li>
            ))}
          </ol>
        </>
      }
      side={
        <>
          <Choice
            label="Key"
            options={options('key')}
            value={readings.key as string}
            onChange={(key) =>
              draft.change({ ...draft.content, readings: { key, darkOrganic: readings.darkOrganic } })
            }
          />
          <Check
            label="Dark with organic matter"
            checked={readings.darkOrganic === true}
            onChange={(dark) => set({ darkOrganic: dark || undefined })}
          />
          {envelope && !open && (
            <div className="grid gap-3 border-t border-rule pt-3">
              <span className="text-sm text-soft">texture class</span>
              <span className="text-3xl font-bold">{words(String(envelope.classes.textureClass))}</span>
              <Triangle envelope={envelope} />
              <Notes envelope={envelope} />
            </div>
          )}
        </>
      }
      foot={
        <>
          <Button className="min-h-13" disabled={!draft.undo} onClick={draft.undo}>
            Undo
          </Button>
          <RecordButton
            record={record}
            readings={readings}
            envelope={open ? undefined : envelope}
            correcting={draft.place.supersedes !== undefined}
          />
        </>
      }
    />
  )
}

function cleared(names: string[]): Readings {
  return Object.fromEntries(names.map((name) => [name, undefined]))
}

function capital(text: string) {
  return text.charAt(0).toUpperCase() + text.slice(1)
}
