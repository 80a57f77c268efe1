import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useEffect, useState } from 'react'
import { Link } from 'react-router'
import { api, must } from '../api/client'
import type { OwnRule, OwnRules, RulesPreview } from '../api/schema'
import { queries } from '../queries/queries'
import { useMay } from '../queries/role'
import { Button } from '../ui/controls'
import { asLevel, LevelMark } from '../ui/levels'
import { Panel } from '../ui/Panel'
import { Failed, Loading } from '../ui/states'
import { showDay, words } from '../words/dates'
import { Refused } from './Refused'
import { RuleForm } from './RuleForm'
import { RuleShape } from './RuleShape'
import { Scatters } from './Scatters'
import { SettingsFrame } from './SettingsFrame'

const keyOf = (rule: OwnRule) => `${rule.kind} ${rule.id}`

/** Curves and bands by which figures are judged: those that ship, and a practice's own in their place. */
export function RulesPage() {
  const rules = useQuery(queries.ownRules())
  // outlives what was kept, which begins the page anew
  const [begun, setBegun] = useState<string>()
  if (rules.isPending) return <Loading what="the curves and bands" />
  if (rules.isError) return <Failed error={rules.error} retry={() => rules.refetch()} />
  return (
    <SettingsFrame
      title="Curves and bands"
      says="How a figure becomes a standing, or a class. Put your own in the place of any of them, and see first what it would change."
    >
      <Rules key={rules.data.version} rules={rules.data} begun={begun} onBegun={setBegun} />
      <Scatters />
    </SettingsFrame>
  )
}

function Rules({
  rules,
  begun,
  onBegun,
}: {
  rules: OwnRules
  begun: string | undefined
  onBegun: (job: string) => void
}) {
  const may = useMay()
  const [own, setOwn] = useState(() => new Map(rules.own.map((rule) => [keyOf(rule), rule])))
  const [open, setOpen] = useState<OwnRule>()
  const before = new Map(rules.own.map((rule) => [keyOf(rule), JSON.stringify(rule)]))
  const changed =
    own.size !== before.size || [...own].some(([key, rule]) => before.get(key) !== JSON.stringify(rule))
  const put = (key: string, rule: OwnRule | undefined) => {
    const next = new Map(own)
    if (rule) next.set(key, rule)
    else next.delete(key)
    setOwn(next)
    setOpen(undefined)
  }
  return (
    <>
      {(changed || rules.version > 0) && (
        <Keeping
          rules={[...own.values()]}
          version={rules.version}
          changed={changed}
          begun={begun}
          onBegun={onBegun}
        />
      )}
      {(['curve', 'bands'] as const).map((kind) => (
        <section key={kind} aria-labelledby={kind} className="grid gap-2">
          <h2 id={kind} className="text-2xl">
            {kind === 'curve' ? 'Curves' : 'Bands'}
          </h2>
          <ul className="grid gap-x-10 lg:grid-cols-2">
            {rules.shared
              .filter((rule) => rule.kind === kind)
              .map((shared) => {
                const mine = own.get(keyOf(shared))
                return (
                  <li key={shared.id} className="border-b border-rule">
                    <button
                      type="button"
                      disabled={!may.own}
                      onClick={() => setOpen(mine ?? shared)}
                      className="grid min-h-16 w-full grid-cols-[7rem_minmax(0,1fr)] items-center gap-x-5 py-2 text-left hover:bg-paper"
                    >
                      <RuleShape rule={mine ?? shared} beside={mine && shared} />
                      <span className="min-w-0">
                        <span className="font-semibold">{nameOf(shared)}</span>
                        {mine && <span className="ml-2 bg-ink px-1.5 text-sm text-paper">own</span>}
                        <span className="block text-[15px] leading-snug text-soft">
                          {(mine ?? shared).source}
                        </span>
                      </span>
                    </button>
                  </li>
                )
              })}
          </ul>
        </section>
      ))}
      <Panel title={open ? nameOf(open) : ''} open={open !== undefined} onClose={() => setOpen(undefined)}>
        {open && (
          <RuleForm
            key={keyOf(open)}
            rule={open}
            shipped={rules.shared.find((rule) => keyOf(rule) === keyOf(open))!}
            isOwn={own.has(keyOf(open))}
            onTake={(rule) => put(keyOf(open), rule)}
            onReset={() => put(keyOf(open), undefined)}
          />
        )}
      </Panel>
    </>
  )
}

export const nameOf = (rule: OwnRule) => {
  const text = rule.id.replaceAll('.', ', ').replaceAll('-', ' ')
  return text.charAt(0).toUpperCase() + text.slice(1)
}

/** What has been put in so far: looked at, then kept. */
function Keeping({
  rules,
  version,
  changed,
  begun,
  onBegun,
}: {
  rules: OwnRule[]
  version: number
  changed: boolean
  begun: string | undefined
  onBegun: (job: string) => void
}) {
  const client = useQueryClient()
  const jobs = useQuery({ ...queries.jobs(), enabled: begun !== undefined }).data ?? []
  const job = jobs.find((each) => each.id === begun)
  const body = { rules, version }
  const look = useMutation({
    mutationFn: (sent: { rules: OwnRule[]; version: number }) =>
      must(api.POST('/api/own-rules/preview', { body: sent })),
  })
  const keep = useMutation({
    mutationFn: (sent: { rules: OwnRule[]; version: number }) =>
      must(api.PUT('/api/own-rules', { body: sent })),
    onSuccess: async (started) => {
      onBegun(started.id)
      await client.invalidateQueries({ queryKey: queries.jobs().queryKey })
      // this page judges by them too, from now on
      await client.refetchQueries({ queryKey: queries.coreData().queryKey })
      await client.invalidateQueries({ queryKey: ['core'] })
      await client.invalidateQueries({ queryKey: queries.ownRules().queryKey })
    },
  })
  const ended = job !== undefined && job.state !== 'running'
  useEffect(() => {
    if (ended) void client.invalidateQueries()
  }, [ended, client])
  return (
    <section aria-label="Your changes" className="grid max-w-4xl gap-3 border-l-3 border-ink pl-4">
      {changed ? (
        <>
          <p>
            {rules.length === 0
              ? 'All are again as they ship, once you keep it.'
              : 'Your changes are on this page only until you keep them.'}
          </p>
          <div className="flex flex-wrap gap-3">
            <Button disabled={look.isPending} onClick={() => look.mutate(body)}>
              {look.isPending ? 'Looking …' : 'See what changes'}
            </Button>
            <Button kind="primary" disabled={keep.isPending} onClick={() => keep.mutate(body)}>
              Keep, and judge by them
            </Button>
          </div>
        </>
      ) : (
        <p role="status">
          {job?.state === 'running' || (begun && !job)
            ? `Judging all that was recorded anew … ${job && job.total > 0 ? `${Math.floor((100 * job.done) / job.total)} %` : ''}`
            : 'All findings are judged by these. What was recorded keeps how it was judged then, too.'}
        </p>
      )}
      {look.data && <Changes preview={look.data} />}
      <Refused error={look.error ?? keep.error} />
    </section>
  )
}

function Changes({ preview }: { preview: RulesPreview }) {
  return (
    <div className="grid gap-2" role="status">
      <p className="font-semibold">
        {preview.looked === 0
          ? 'Nothing is recorded yet that could change.'
          : preview.changed === 0
            ? `None of the newest ${preview.looked} tests would be judged otherwise.`
            : `${preview.changed} of the newest ${preview.looked} tests would be judged otherwise.`}
      </p>
      {preview.findings.length > 0 && (
        <ul aria-label="Findings that change" className="max-h-96 overflow-y-auto">
          {preview.findings.map((each, i) => (
            <li
              key={i}
              className="grid gap-x-5 border-b border-rule py-2 sm:grid-cols-[minmax(0,1fr)_minmax(0,1fr)]"
            >
              <span className="min-w-0">
                <Link to={`/measurements/${each.measurementId}`} className="font-semibold text-accent">
                  {each.field}, {each.stop}
                </Link>
                <span className="block text-[15px] text-soft">
                  {each.title}, {showDay(each.takenAt)}
                </span>
              </span>
              <span>
                {each.what}: <Judged code={each.before} levels={each.levels} /> →{' '}
                <Judged code={each.after} levels={each.levels} />
              </span>
            </li>
          ))}
        </ul>
      )}
      {preview.findings.length >= 100 && <p className="text-soft">The first hundred are shown.</p>}
    </div>
  )
}

function Judged({ code, levels }: { code: string | undefined; levels: boolean }) {
  const level = levels ? asLevel(code) : undefined
  return level ? <LevelMark level={level} /> : <span>{code ? words(code) : 'not judged'}</span>
}
