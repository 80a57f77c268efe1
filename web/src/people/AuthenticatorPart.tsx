import { useMutation, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { api, must } from '../api/client'
import type { NewAuthenticator } from '../api/schema'
import { queries } from '../queries/queries'
import { Button, Input, Labelled } from '../ui/controls'
import { faultOf, Refused } from './Refused'
import { PasswordEntry } from './PasswordEntry'

/** A second thing beside the password: codes of an authenticator on one's phone. */
export function AuthenticatorPart({ on }: { on: boolean }) {
  const [made, setMade] = useState<NewAuthenticator>()
  const [codes, setCodes] = useState<string[]>()
  const begin = useMutation({
    mutationFn: () => must(api.POST('/api/me/authenticator')),
    onSuccess: setMade,
  })
  return (
    <section aria-labelledby="authenticator" className="grid content-start gap-4">
      <h2 id="authenticator" className="text-2xl">
        Authenticator
      </h2>
      {codes ? (
        <Spares codes={codes} onKept={() => setCodes(undefined)} />
      ) : on ? (
        <Off />
      ) : made ? (
        <Proof
          made={made}
          onUsed={(spares) => {
            setMade(undefined)
            setCodes(spares)
          }}
        />
      ) : (
        <>
          <p className="max-w-prose text-soft">
            With one, signing in asks for six figures from your phone too, so that a password that got known
            is not enough.
          </p>
          <Button className="justify-self-start" disabled={begin.isPending} onClick={() => begin.mutate()}>
            Set one up
          </Button>
          <Refused error={begin.error} />
        </>
      )}
    </section>
  )
}

function useSessionAnew() {
  const client = useQueryClient()
  return () => {
    void client.invalidateQueries({ queryKey: queries.session().queryKey })
    void client.invalidateQueries({ queryKey: queries.sessions().queryKey })
  }
}

function Proof({ made, onUsed }: { made: NewAuthenticator; onUsed: (spares: string[]) => void }) {
  const anew = useSessionAnew()
  const [code, setCode] = useState('')
  const [password, setPassword] = useState('')
  const use = useMutation({
    mutationFn: (body: { secret: string; code: string; password: string }) =>
      must(api.PUT('/api/me/authenticator', { body })),
    onSuccess: (answer) => {
      onUsed(answer.codes)
      anew()
    },
  })
  return (
    <form
      className="grid max-w-md gap-4"
      onSubmit={(event) => {
        event.preventDefault()
        use.mutate({ secret: made.secret, code, password })
      }}
    >
      <p>Scan this with the authenticator on your phone, or type the letters below into it.</p>
      <img
        src={`data:image/svg+xml;utf8,${encodeURIComponent(made.drawing)}`}
        alt="A code to scan"
        width={180}
        height={180}
        className="border border-rule"
      />
      <code className="text-[15px] tracking-wide break-all">{made.secret.match(/.{1,4}/g)!.join(' ')}</code>
      <Labelled label="Six figures that it shows now" error={faultOf(use.error, 'code')}>
        {(aria) => (
          <Input
            {...aria}
            inputMode="numeric"
            autoComplete="one-time-code"
            maxLength={8}
            value={code}
            onChange={(event) => setCode(event.target.value)}
          />
        )}
      </Labelled>
      <PasswordEntry
        label="Your password"
        error={faultOf(use.error, 'password')}
        value={password}
        onChange={setPassword}
      />
      <Button
        type="submit"
        kind="primary"
        className="justify-self-start"
        disabled={code === '' || password === '' || use.isPending}
      >
        Use it from now on
      </Button>
      <Refused error={use.error} entries={['code', 'password']} />
    </form>
  )
}

function Spares({ codes, onKept }: { codes: string[]; onKept: () => void }) {
  return (
    <div role="status" className="grid gap-3 border-l-3 border-robust pl-4">
      <p className="font-semibold">
        It is in use. Keep these codes on paper: each signs you in once, should the phone be lost. They are
        shown this once.
      </p>
      <ul aria-label="Codes for when it is lost" className="grid grid-cols-2 gap-x-6 gap-y-1 font-mono">
        {codes.map((code) => (
          <li key={code}>{code}</li>
        ))}
      </ul>
      <div className="no-print flex gap-3">
        <Button onClick={() => window.print()}>Print</Button>
        <Button onClick={onKept}>I have kept them</Button>
      </div>
    </div>
  )
}

function Off() {
  const anew = useSessionAnew()
  const [password, setPassword] = useState('')
  const off = useMutation({
    mutationFn: (body: { password: string }) => must(api.POST('/api/me/authenticator/off', { body })),
    onSuccess: anew,
  })
  return (
    <form
      className="grid max-w-md gap-3"
      onSubmit={(event) => {
        event.preventDefault()
        off.mutate({ password })
      }}
    >
      <p>Signing in asks for a code of your authenticator.</p>
      <PasswordEntry
        label="Your password, to do without it"
        error={faultOf(off.error, 'password')}
        value={password}
        onChange={setPassword}
      />
      <Button type="submit" className="justify-self-start" disabled={password === '' || off.isPending}>
        Do without it
      </Button>
      <Refused error={off.error} entries={['password']} />
    </form>
  )
}
