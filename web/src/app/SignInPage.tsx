import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { useForm } from 'react-hook-form'
import { useLocation, useNavigate } from 'react-router'
import { CodeNeeded, signIn } from '../api/client'
import { forgetRead } from '../device/device'
import type { StartStep } from '../api/schema'
import { queries } from '../queries/queries'
import { Button, Input, Labelled } from '../ui/controls'
import { CrumbShape, LEVELS } from '../ui/levels'

const POLL_MS = 1000

type Entry = { email: string; password: string; code?: string }

export function SignInPage() {
  const client = useQueryClient()
  const navigate = useNavigate()
  const from = (useLocation().state as { from?: string } | null)?.from ?? '/'
  const form = useForm<Entry>()
  // once it was asked for it stays
  const [coded, setCoded] = useState(false)
  const enter = useMutation({
    mutationFn: ({ email, password, code }: Entry) => signIn(email, password, code?.trim() || undefined),
    onError: (error) => error instanceof CodeNeeded && setCoded(true),
    onSuccess: async () => {
      // nothing that somebody else read here is shown to whoever comes next
      await forgetRead()
      await client.resetQueries()
      await client.fetchQuery({ ...queries.session(), staleTime: 0 })
      void navigate(from, { replace: true })
    },
  })
  const { errors } = form.formState
  const starting = useQuery({
    ...queries.session(),
    // a server that has just been started says how far it is
    refetchInterval: (query) => (query.state.data?.starting ? POLL_MS : false),
  }).data?.starting
  return (
    <main className="grid min-h-dvh md:grid-cols-[1fr_minmax(24rem,32rem)]">
      <Profile />
      {starting ? (
        <Begins step={starting} />
      ) : (
        <form
          noValidate
          className="flex flex-col justify-center gap-5 bg-paper p-8 sm:p-14"
          onSubmit={form.handleSubmit((entry) => enter.mutate(entry))}
        >
          <h1 className="text-3xl">Morphotera</h1>
          <p className="mb-2 text-soft">
            The tests you make in the field, worked out, kept, and read again years later.
          </p>
          <Labelled label="E-mail" error={errors.email?.message}>
            {(aria) => (
              <Input
                {...aria}
                type="email"
                autoComplete="username"
                autoFocus
                {...form.register('email', { required: 'Give the address you sign in with.' })}
              />
            )}
          </Labelled>
          <Labelled label="Password" error={errors.password?.message}>
            {(aria) => (
              <Input
                {...aria}
                type="password"
                autoComplete="current-password"
                {...form.register('password', { required: 'Give your password.' })}
              />
            )}
          </Labelled>
          {coded && (
            <Labelled
              label="Code"
              help="Six figures from your authenticator, or one of the codes you kept for when it is lost."
            >
              {(aria) => (
                <Input
                  {...aria}
                  inputMode="text"
                  autoComplete="one-time-code"
                  autoFocus
                  maxLength={20}
                  {...form.register('code')}
                />
              )}
            </Labelled>
          )}
          {enter.isError && (
            <p role="alert" className="text-failing">
              {enter.error.message}
            </p>
          )}
          <Button kind="primary" type="submit" disabled={enter.isPending}>
            {enter.isPending ? 'Signing in …' : 'Sign in'}
          </Button>
        </form>
      )}
    </main>
  )
}

/** What the server still does before anybody can sign in; the form comes by itself. */
function Begins({ step }: { step: StartStep }) {
  return (
    <div className="flex flex-col justify-center gap-5 bg-paper p-8 sm:p-14" role="status">
      <h1 className="text-3xl">Morphotera</h1>
      <p>
        {step.what}: {step.done} of {step.of}.
      </p>
      <progress
        className="h-2 w-full accent-(--accent)"
        value={step.done}
        max={step.of}
        aria-label={step.what}
      />
      <p className="text-soft">This happens once. You can sign in when it is done.</p>
    </div>
  )
}

/** Ground from the sky down, with the four crumbs lying in it. */
function Profile() {
  return (
    <svg
      viewBox="0 0 700 800"
      preserveAspectRatio="xMidYMid slice"
      className="hidden h-full w-full md:block"
      role="img"
      aria-label="A soil profile with crumbs"
    >
      <rect width="700" height="150" fill="var(--stone)" />
      {['--soil-1', '--soil-2', '--soil-3', '--soil-4', '--soil-5'].map((soil, i) => (
        <path
          key={soil}
          fill={`var(${soil})`}
          d={`M0 ${150 + i * 130} q 175 ${i % 2 ? 22 : -14} 350 0 t 350 ${i % 2 ? -8 : 12} V 800 H 0 Z`}
        />
      ))}
      {Array.from({ length: 26 }, (_, i) => (
        <path
          key={i}
          d={`M${14 + i * 27} 152 q ${(i % 5) - 2} -26 ${((i * 7) % 15) - 7} -${26 + ((i * 13) % 30)}`}
          stroke="#3f6b34"
          strokeWidth="3"
          fill="none"
        />
      ))}
      {[...LEVELS].reverse().map((level, i) => (
        <g
          key={level}
          transform={`translate(${120 + i * 120} ${205 + i * 140}) scale(3.4)`}
          fill="var(--soil-pale)"
        >
          <CrumbShape level={level} />
        </g>
      ))}
    </svg>
  )
}
