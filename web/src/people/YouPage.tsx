import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { api, must } from '../api/client'
import type { Settings } from '../api/schema'
import { queries } from '../queries/queries'
import { Button, Choice } from '../ui/controls'
import { Failed, Loading } from '../ui/states'
import { showClock, showDay } from '../words/dates'
import { AuthenticatorPart } from './AuthenticatorPart'
import { Refused } from './Refused'
import { PasswordForm } from './PasswordForm'
import { SettingsFrame } from './SettingsFrame'
import { deviceWords, roleLabel } from './words'

const UNITS = [
  { code: 'metric', label: 'mm · kPa · °C' },
  { code: 'us', label: 'in · psi · °F' },
] as const

const THEMES = [
  { code: 'desk', label: 'Desk: for indoors' },
  { code: 'daylight', label: 'Daylight: for bright sun' },
] as const

/** Oneself: how figures are shown, how one signs in, and where one is signed in. */
export function YouPage() {
  const client = useQueryClient()
  const me = useQuery(queries.session()).data?.me
  const change = useMutation({
    mutationFn: (body: Settings) => must(api.PUT('/api/me/settings', { body })),
    onSuccess: (now) => client.setQueryData(queries.session().queryKey, { me: now }),
  })
  if (!me) return null
  const settings = { units: me.units, theme: me.theme }
  return (
    <SettingsFrame
      title="You"
      says={`${me.name}, ${me.email}: ${roleLabel(me.role).toLowerCase()} of ${me.practice}.`}
    >
      <section aria-labelledby="shown" className="grid gap-4">
        <h2 id="shown" className="text-2xl">
          How it is shown to you
        </h2>
        <div className="flex flex-wrap gap-x-10 gap-y-4">
          <Choice
            label="Units"
            options={[...UNITS]}
            value={me.units as 'metric' | 'us'}
            onChange={(units) => change.mutate({ ...settings, units })}
          />
          <Choice
            label="Light"
            options={[...THEMES]}
            value={me.theme as 'desk' | 'daylight'}
            onChange={(theme) => change.mutate({ ...settings, theme })}
          />
        </div>
        <Refused error={change.error} />
      </section>
      <div className="grid items-start gap-8 lg:grid-cols-2">
        <section aria-labelledby="password" className="grid gap-4">
          <h2 id="password" className="text-2xl">
            Password
          </h2>
          <PasswordForm
            onChanged={() => void client.invalidateQueries({ queryKey: queries.sessions().queryKey })}
          />
        </section>
        <AuthenticatorPart on={me.authenticator} />
      </div>
      <OpenSessions />
    </SettingsFrame>
  )
}

function OpenSessions() {
  const client = useQueryClient()
  const sessions = useQuery(queries.sessions())
  const refresh = () => client.invalidateQueries({ queryKey: queries.sessions().queryKey })
  const end = useMutation({
    mutationFn: (id: string) => must(api.DELETE('/api/sessions/{id}', { params: { path: { id } } })),
    onSettled: refresh,
  })
  const endOthers = useMutation({
    mutationFn: () => must(api.DELETE('/api/sessions')),
    onSettled: refresh,
  })
  if (sessions.isPending) return <Loading what="where you are signed in" />
  if (sessions.isError) return <Failed error={sessions.error} retry={() => sessions.refetch()} />
  return (
    <section aria-labelledby="where" className="grid max-w-3xl gap-3">
      <h2 id="where" className="text-2xl">
        Where you are signed in
      </h2>
      <ul aria-label="Sessions">
        {sessions.data.map((each) => (
          <li
            key={each.id}
            className="flex min-h-12 flex-wrap items-center justify-between gap-x-6 border-b border-rule py-1"
          >
            <span>
              <span className="font-semibold">{deviceWords(each.device)}</span>
              {each.own && ' · this one'}
              <span className="block text-[15px] text-soft">
                since {showDay(each.since)}, last used {showDay(each.lastUsed)}, {showClock(each.lastUsed)}
                {each.address && ` · from ${each.address}`}
              </span>
            </span>
            {!each.own && (
              <Button
                kind="quiet"
                aria-label={`End ${deviceWords(each.device)}, last used ${showDay(each.lastUsed)}`}
                disabled={end.isPending}
                onClick={() => end.mutate(each.id)}
              >
                End
              </Button>
            )}
          </li>
        ))}
      </ul>
      {sessions.data.length > 1 && (
        <Button
          className="justify-self-start"
          disabled={endOthers.isPending}
          onClick={() => endOthers.mutate()}
        >
          Sign out everywhere else
        </Button>
      )}
      <Refused error={end.error ?? endOthers.error} />
    </section>
  )
}
