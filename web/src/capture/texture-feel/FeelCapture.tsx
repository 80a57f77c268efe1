import type { ReactNode } from 'react'
import { SavableChart } from '../../charts/SavePicture'
import { useKeys } from '../../ui/keys'
import type { MethodTypes } from '../../api/methodTypes'
import { useEntry } from '../frame/entry'
import { words } from '../../words/dates'
import { Button, Check, Choice, QuantityInput } from '../../ui/controls'
import { Notes } from '../../readings/Results'
import { FeelPicture, type FeelScene } from './FeelPicture'
import { counts, faultAt, type NamesOf, type ReadingsOf } from '../../api/readings'
import { PanelLayout, RecordButton, useRecord, type CaptureProps } from '../frame/panel'
import { Triangle } from '../../charts/Triangle'

type Readings = ReadingsOf<'texture-feel'>
type Step = keyof MethodTypes['texture-feel']['prompts']
type Question = { name: Step; scene: FeelScene; answer: ReactNode }

/** The feel key as a short path of questions, each with a picture; an answer leads to the next. */
export function FeelCapture(props: CaptureProps<'texture-feel'>) {
  const { draft } = props
  const entry = useEntry(props)
  const { readings, live, set } = entry
  const record = useRecord(props)
  // a reading that is declared for either key has the options of the key that is used
  const optionsOf = (name: 'feel' | 'ball' | 'cracks') =>
    entry.method.readings.find((each) => each.name === name && counts(each, readings, entry.method.readings))
      ?.options ?? []
  const yesNo = (name: NamesOf<Readings, boolean>, after: Step[]) => (
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
  const pick = (name: 'feel' | 'ball' | 'cracks', after: Step[]) => (
    <Choice
      label=""
      options={optionsOf(name)}
      value={readings[name]}
      onChange={(code) => set({ ...cleared(after), [name]: code })}
    />
  )
  const questions: Question[] =
    readings.key === 'ribbon'
      ? [
          {
            name: 'formsBall' as const,
            scene: 'ball' as const,
            answer: yesNo('formsBall', ['formsRibbon', 'ribbonMm', 'feel']),
          },
          ...(readings.formsBall
            ? [
                {
                  name: 'formsRibbon' as const,
                  scene: 'ribbon' as const,
                  answer: yesNo('formsRibbon', ['ribbonMm', 'feel']),
                },
              ]
            : []),
          ...(readings.formsBall && readings.formsRibbon
            ? [
                {
                  name: 'ribbonMm' as const,
                  scene: 'length' as const,
                  answer: (
                    <div className="grid gap-3">
                      <QuantityInput
                        big
                        {...entry.quantity('ribbonMm')}
                        error={
                          readings.ribbonMm === undefined ? undefined : faultAt(live?.faults, 'ribbonMm')
                        }
                      />
                    </div>
                  ),
                },
                {
                  name: 'feel' as const,
                  scene: 'rub' as const,
                  answer: pick('feel', []),
                },
              ]
            : []),
        ]
      : [
          {
            name: 'ball' as const,
            scene: 'ball' as const,
            answer: pick('ball', ['cracks', 'feel']),
          },
          ...(readings.ball === 'firm'
            ? [
                {
                  name: 'cracks' as const,
                  scene: 'cracks' as const,
                  answer: pick('cracks', []),
                },
              ]
            : []),
          ...(readings.ball === 'firm' || readings.ball === 'weak'
            ? [
                {
                  name: 'feel' as const,
                  scene: 'rub' as const,
                  answer: pick('feel', []),
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
      instruction={
        open ? entry.say(open.name) : `${capital(words(String(envelope?.classes.textureClass ?? '')))}.`
      }
      picture={
        <>
          <FeelPicture
            scene={open ? current.scene : 'done'}
            ribbonMm={readings.ribbonMm}
            feel={readings.feel}
          />
          <ol className="grid gap-3">
            {questions.map((question, i) => (
              <li key={question.name} className={question === open || !open ? '' : 'opacity-80'}>
                <span className="text-sm text-soft">
                  {i + 1}. {entry.say(question.name)}
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
            {...entry.choice('key')}
            onChange={(key) =>
              draft.change({ ...draft.content, readings: { key, darkOrganic: readings.darkOrganic } })
            }
          />
          <Check
            {...entry.flag('darkOrganic')}
            onChange={(dark) => set({ darkOrganic: dark || undefined })}
          />
          {envelope && !open && (
            <div className="grid gap-3 border-t border-rule pt-3">
              <span className="text-sm text-soft">texture class</span>
              <span className="text-3xl font-bold">{words(String(envelope.classes.textureClass))}</span>
              <SavableChart title="Texture by feel" unit="%">
                <Triangle envelope={envelope} />
              </SavableChart>
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
            readings={entry.sent}
            envelope={open ? undefined : envelope}
            correcting={draft.place.supersedes !== undefined}
          />
        </>
      }
    />
  )
}

function cleared(names: Step[]): Readings {
  return Object.fromEntries(names.map((name) => [name, undefined]))
}

function capital(text: string) {
  return text.charAt(0).toUpperCase() + text.slice(1)
}
