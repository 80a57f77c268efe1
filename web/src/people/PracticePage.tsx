import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { Link } from 'react-router'
import { api, must } from '../api/client'
import type { NewPracticeWrite, OpenInvitation, PracticeSettings, PracticeSettingsWrite } from '../api/schema'
import { queries } from '../queries/queries'
import { Button, Choice, Input, Labelled } from '../ui/controls'
import { Failed, Loading } from '../ui/states'
import { AddressOnce } from './AddressOnce'
import { faultOf, Refused } from './Refused'
import { PasswordEntry } from './PasswordEntry'
import { SettingsFrame } from './SettingsFrame'

const SCHOOLS = [
  { code: 'flags', label: 'Flags' },
  { code: 'points', label: 'Points' },
  { code: 'average', label: 'Average of stops' },
]

const HEMISPHERES = [
  { code: 'north', label: 'Northern' },
  { code: 'south', label: 'Southern' },
]

/** How the practice works: its name, its habits, and its end. */
export function PracticePage() {
  const practice = useQuery(queries.practice())
  if (practice.isPending) return <Loading what="the practice" />
  if (practice.isError) return <Failed error={practice.error} retry={() => practice.refetch()} />
  return (
    <SettingsFrame title="This practice" says="What holds for everybody who works here.">
      <SettingsForm key={practice.data.version} settings={practice.data} />
      <section aria-labelledby="elsewhere" className="grid gap-1">
        <h2 id="elsewhere" className="text-2xl">
          Set where they are used
        </h2>
        <ul className="max-w-2xl">
          {[
            ['/laboratory', 'Laboratories', 'who gets your bags, prices, how their results are read'],
            ['/products', 'Products', 'what the practice buys, for amounts'],
            ['/exchange', 'Archives', 'one now, or every night by itself'],
          ].map(([to, name, says]) => (
            <li key={to} className="border-b border-rule">
              <Link
                to={to!}
                className="grid min-h-12 items-baseline gap-x-6 py-2 hover:bg-paper sm:grid-cols-[10rem_minmax(0,1fr)]"
              >
                <span className="font-semibold text-accent">{name}</span>
                <span className="text-[15px] text-soft">{says}</span>
              </Link>
            </li>
          ))}
          <li className="py-2 text-[15px] text-soft">
            Sets of tests are kept at a visit, beside the tests that are chosen for it.
          </li>
        </ul>
      </section>
      <div className="grid items-start gap-8 lg:grid-cols-2">
        <NewPractice />
        <Closing name={practice.data.name} />
      </div>
    </SettingsFrame>
  )
}

function SettingsForm({ settings }: { settings: PracticeSettings }) {
  const client = useQueryClient()
  const [name, setName] = useState(settings.name)
  const [sheetSchool, setSchool] = useState(settings.sheetSchool)
  const [hemisphere, setHemisphere] = useState(settings.hemisphere)
  const [currency, setCurrency] = useState(settings.currency ?? '')
  const keep = useMutation({
    mutationFn: (body: PracticeSettingsWrite) => must(api.PUT('/api/practice', { body })),
    onSuccess: (kept) => {
      client.setQueryData(queries.practice().queryKey, kept)
      void client.invalidateQueries({ queryKey: queries.session().queryKey })
    },
  })
  return (
    <form
      className="grid max-w-2xl gap-5"
      onSubmit={(event) => {
        event.preventDefault()
        keep.mutate({
          name,
          sheetSchool,
          hemisphere,
          currency: currency.trim() || undefined,
          version: settings.version,
        })
      }}
    >
      <Labelled label="Name" error={faultOf(keep.error, 'name')} help="As reports and labels carry it.">
        {(aria) => (
          <Input {...aria} maxLength={200} value={name} onChange={(event) => setName(event.target.value)} />
        )}
      </Labelled>
      <Choice label="A sheet opens with" options={SCHOOLS} value={sheetSchool} onChange={setSchool} />
      <div className="grid gap-1">
        <Choice label="Hemisphere" options={HEMISPHERES} value={hemisphere} onChange={setHemisphere} />
        <p className="text-sm text-soft">
          Seasons go by the positions of your stops; this holds while no stop has one.
        </p>
      </div>
      <div className="max-w-40">
        <Labelled label="Currency" error={faultOf(keep.error, 'currency')} help="Before costs and prices.">
          {(aria) => (
            <Input
              {...aria}
              maxLength={8}
              placeholder="€"
              value={currency}
              onChange={(event) => setCurrency(event.target.value)}
            />
          )}
        </Labelled>
      </div>
      <Button
        type="submit"
        kind="primary"
        className="justify-self-start"
        disabled={name.trim() === '' || keep.isPending}
      >
        Keep
      </Button>
      {keep.isSuccess && <p role="status">Kept.</p>}
      <Refused error={keep.error} entries={['name', 'currency']} />
    </form>
  )
}

function NewPractice() {
  const [entry, setEntry] = useState<NewPracticeWrite>({ name: '', ownerName: '', ownerEmail: '' })
  const [made, setMade] = useState<OpenInvitation>()
  const make = useMutation({
    mutationFn: (body: NewPracticeWrite) => must(api.POST('/api/practices', { body })),
    onSuccess: (practice) => {
      setMade(practice.owner)
      setEntry({ name: '', ownerName: '', ownerEmail: '' })
    },
  })
  const field = (key: keyof NewPracticeWrite, label: string, type = 'text') => (
    <Labelled label={label} error={faultOf(make.error, key)}>
      {(aria) => (
        <Input
          {...aria}
          type={type}
          maxLength={200}
          value={entry[key]}
          onChange={(event) => setEntry({ ...entry, [key]: event.target.value })}
        />
      )}
    </Labelled>
  )
  return (
    <section aria-labelledby="another" className="grid content-start gap-3 border-t border-strong-rule pt-3">
      <h2 id="another" className="text-xl">
        Another practice
      </h2>
      <p className="text-[15px] text-soft">
        On this server, with an owner, fields and people of its own. Neither sees anything of the other.
      </p>
      {made && <AddressOnce invitation={made} />}
      <form
        noValidate
        className="grid max-w-md gap-3"
        onSubmit={(event) => {
          event.preventDefault()
          make.mutate(entry)
        }}
      >
        {field('name', 'Its name')}
        {field('ownerName', 'Its owner')}
        {field('ownerEmail', 'E-mail of its owner', 'email')}
        <Button
          type="submit"
          className="justify-self-start"
          disabled={Object.values(entry).some((text) => text.trim() === '') || make.isPending}
        >
          Make it
        </Button>
        <Refused error={make.error} entries={['name', 'ownerName', 'ownerEmail']} />
      </form>
    </section>
  )
}

function Closing({ name }: { name: string }) {
  const [typed, setTyped] = useState('')
  const [password, setPassword] = useState('')
  const close = useMutation({
    mutationFn: (body: { name: string; password: string }) =>
      must(api.POST('/api/practice/closed', { body })),
    onSuccess: () => location.assign('/sign-in'),
  })
  return (
    <section aria-labelledby="close" className="grid content-start gap-3 border-t border-strong-rule pt-3">
      <h2 id="close" className="text-xl">
        Close the practice
      </h2>
      <p className="text-[15px] text-soft">
        Everybody is signed out and nobody signs in any more. Make an archive first: the data stay on the
        server only until whoever looks after it takes them away.
      </p>
      <form
        className="grid max-w-md gap-3"
        onSubmit={(event) => {
          event.preventDefault()
          close.mutate({ name: typed, password })
        }}
      >
        <Labelled label={`Type “${name}”`} error={faultOf(close.error, 'name')}>
          {(aria) => (
            <Input
              {...aria}
              autoComplete="off"
              value={typed}
              onChange={(event) => setTyped(event.target.value)}
            />
          )}
        </Labelled>
        <PasswordEntry
          label="Your password"
          error={faultOf(close.error, 'password')}
          value={password}
          onChange={setPassword}
        />
        <Button
          type="submit"
          className="justify-self-start"
          disabled={typed.trim() !== name || password === '' || close.isPending}
        >
          Close it for everybody
        </Button>
        <Refused error={close.error} entries={['name', 'password']} />
      </form>
    </section>
  )
}
