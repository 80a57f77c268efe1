import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import clsx from 'clsx'
import { lazy, Suspense, useEffect, useState } from 'react'
import { NavLink, Navigate, Outlet, useLocation, useNavigate } from 'react-router'
import { api, ApiError, must, signOut } from '../api/client'
import { queries } from '../queries/queries'
import type { Settings } from '../api/schema'
import { emptyDevice, ownDevice, useUnsent } from '../device/device'
import { startSending } from '../device/outbox'
import { mayOf, type May } from '../queries/role'
import { ClockTray } from '../timers/ClockTray'
import { Button } from '../ui/controls'
import { Panel } from '../ui/Panel'
import { Failed, Loading } from '../ui/states'
import { KEYS, useKeys } from '../ui/keys'

const OwnPasswordFirst = lazy(() =>
  import('../people/OwnPasswordFirst').then((m) => ({ default: m.OwnPasswordFirst })),
)

/** The frame of every page: where to go, how figures are shown, the clocks at the foot. */
export function Shell() {
  const session = useQuery(queries.session())
  const location = useLocation()
  const theme = session.data?.me?.theme ?? 'desk'
  useEffect(() => {
    document.documentElement.dataset.theme = theme
  }, [theme])
  const me = session.data?.me?.id
  useSending(me)
  if (session.isPending) return <Loading what="your practice" />
  if (session.isError) return <Failed error={session.error} retry={() => session.refetch()} />
  if (!session.data.me) return <Navigate to="/sign-in" state={{ from: location.pathname }} replace />
  const may = mayOf(session.data.me.role)
  if (session.data.me.mustChange)
    return (
      <Suspense fallback={<Loading what="your practice" />}>
        <OwnPasswordFirst />
      </Suspense>
    )
  return (
    <div className="flex min-h-dvh flex-col">
      <a href="#page" className="sr-only focus:not-sr-only focus:absolute focus:bg-paper focus:p-3">
        Skip to the page
      </a>
      <Head
        settings={{ units: session.data.me.units, theme }}
        practice={session.data.me.practice}
        may={may}
      />
      <main id="page" className="flex grow flex-col">
        <Outlet />
      </main>
      {may.record && <ClockTray />}
    </div>
  )
}

/** Sends what this device has kept while somebody is signed in, and shows what came of it. */
function useSending(person: string | undefined) {
  const client = useQueryClient()
  useEffect(() => {
    if (!person) {
      void ownDevice(undefined)
      return
    }
    return startSending(person, (job) => {
      void client.invalidateQueries({
        queryKey: job.kind.startsWith('timer') || job.kind === 'step' ? ['timers'] : undefined,
      })
    })
  }, [person, client])
}

function Head({ settings, practice, may }: { settings: Settings; practice: string; may: May }) {
  const navigate = useNavigate()
  const client = useQueryClient()
  const [keysOpen, setKeysOpen] = useState(false)
  const [menuOpen, setMenuOpen] = useState(false)
  useKeys({
    '?': () => setKeysOpen(true),
    'Shift+?': () => setKeysOpen(true),
    'g t': () => navigate('/today'),
    'g y': () => navigate('/year'),
    'g f': () => navigate('/fields'),
    'g b': () => navigate('/bench'),
    'g p': () => navigate('/products'),
    'g c': () => navigate('/clocks'),
    'g l': () => navigate('/laboratory'),
    'g e': () => navigate('/exchange'),
    'g r': () => navigate('/training'),
    'g s': () => navigate('/settings'),
  })
  const change = useMutation({
    mutationFn: (next: Settings) => must(api.PUT('/api/me/settings', { body: next })),
    onSuccess: (me) => client.setQueryData(queries.session().queryKey, { me }),
  })
  const leave = useMutation({
    mutationFn: signOut,
    onSuccess: async () => {
      await emptyDevice()
      client.clear()
      void navigate('/sign-in')
    },
  })
  const unsent = useUnsent()
  const [leaving, setLeaving] = useState(false)
  const link = ({ isActive }: { isActive: boolean }) =>
    clsx('flex min-h-11 items-center', isActive ? 'font-bold' : 'text-soft hover:text-ink')
  const quiet = 'min-h-11 px-1 text-soft hover:text-ink'
  const { units, theme } = settings
  const actions = [
    {
      label: units === 'metric' ? 'mm · kPa · °C' : 'in · psi · °F',
      name: units === 'metric' ? 'Show US customary units' : 'Show metric units',
      act: () => change.mutate({ theme, units: units === 'metric' ? 'us' : 'metric' }),
    },
    {
      label: theme === 'desk' ? 'Daylight' : 'Desk',
      name: theme === 'desk' ? 'Daylight: for bright sun' : 'Desk: for indoors',
      act: () => change.mutate({ units, theme: theme === 'desk' ? 'daylight' : 'desk' }),
    },
    may.work && {
      label: 'Laboratory',
      name: 'Laboratory: bags, labels and results',
      act: () => navigate('/laboratory'),
    },
    may.work && {
      label: 'Exchange',
      name: 'Exchange: files, calendar and archive',
      act: () => navigate('/exchange'),
    },
    {
      label: 'Training',
      name: 'Training ground: made-up soils, and scoring with others',
      act: () => navigate('/training'),
    },
    may.work && {
      label: 'Products',
      name: 'Products: what the practice buys',
      act: () => navigate('/products'),
    },
    { label: 'Settings', name: 'Settings: you, people and the practice', act: () => navigate('/settings') },
    { label: '?', name: 'Keys', act: () => setKeysOpen(true) },
    { label: 'Sign out', act: () => (unsent > 0 ? setLeaving(true) : leave.mutate()) },
  ].filter((action) => action !== false)
  return (
    <header className="no-print flex flex-wrap items-center gap-x-5 border-b border-rule bg-paper px-5 sm:gap-x-7 sm:px-7">
      <NavLink
        to={may.work ? '/today' : '/fields'}
        className="flex min-h-12 items-center gap-2.5 text-lg font-bold"
      >
        <svg width="18" height="18" viewBox="0 0 20 20" fill="currentColor" aria-hidden>
          <path d="M6.6 1.6 13.2 1.2 18 5.4 18.8 11.6 15.4 17.2 9 18.8 3.2 16.2 1.2 9.8 2.8 4.4Z" />
        </svg>
        <span className="sr-only sm:not-sr-only">Morphotera</span>
      </NavLink>
      <nav className="flex gap-5 sm:gap-6" aria-label="Pages">
        {may.work && (
          <NavLink to="/today" className={link}>
            Today
          </NavLink>
        )}
        <NavLink to="/fields" className={link}>
          Fields
        </NavLink>
        {may.record && (
          <NavLink to="/bench" className={link}>
            Bench
          </NavLink>
        )}
      </nav>
      <div className="ml-auto hidden items-center gap-5 text-[15px] md:flex">
        <span className="hidden text-soft 2xl:inline">{practice}</span>
        {actions.map((action) => (
          <button
            key={action.label}
            type="button"
            className={quiet}
            aria-label={action.name}
            onClick={action.act}
          >
            {action.label}
          </button>
        ))}
      </div>
      <button type="button" className={clsx(quiet, 'ml-auto md:hidden')} onClick={() => setMenuOpen(true)}>
        Menu
      </button>
      <Panel title={practice} open={menuOpen} onClose={() => setMenuOpen(false)}>
        <ul className="grid">
          {actions.map((action) => (
            <li key={action.label} className="border-t border-rule">
              <button
                type="button"
                className="min-h-12 w-full text-left"
                onClick={() => {
                  setMenuOpen(false)
                  action.act()
                }}
              >
                {action.name ?? action.label}
              </button>
            </li>
          ))}
        </ul>
      </Panel>
      {change.isError && (
        <p role="alert" className="basis-full pb-2 text-sm text-failing">
          {change.error instanceof ApiError ? change.error.message : 'The setting was not kept.'}
        </p>
      )}
      <Panel title="Not everything is sent" open={leaving} onClose={() => setLeaving(false)}>
        <p className="mb-4">
          {unsent} {unsent === 1 ? 'change is' : 'changes are'} kept on this device only. Signing out now
          would lose {unsent === 1 ? 'it' : 'them'}; wait for signal and {unsent === 1 ? 'it is' : 'they are'}{' '}
          sent.
        </p>
        <div className="flex gap-3">
          <Button kind="primary" onClick={() => setLeaving(false)}>
            Stay
          </Button>
          <Button onClick={() => leave.mutate()}>Sign out and lose {unsent === 1 ? 'it' : 'them'}</Button>
        </div>
      </Panel>
      {leave.isError && (
        <p role="alert" className="basis-full pb-2 text-sm text-failing">
          Signing out needs the server, and it was not reached.
        </p>
      )}
      <Panel title="Keys" open={keysOpen} onClose={() => setKeysOpen(false)}>
        <dl className="grid grid-cols-[6rem_1fr] gap-y-2">
          {KEYS.map(([key, what]) => (
            <div key={key} className="contents">
              <dt>
                <kbd className="rounded-sm border border-strong-rule px-2 py-0.5 font-sans font-semibold">
                  {key}
                </kbd>
              </dt>
              <dd>{what}</dd>
            </div>
          ))}
        </dl>
      </Panel>
    </header>
  )
}
