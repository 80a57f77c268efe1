import { useMutation, useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { Link, useNavigate, useParams } from 'react-router'
import { api, must, signIn } from '../api/client'
import { Button, Input, Labelled } from '../ui/controls'
import { Loading } from '../ui/states'
import { faultOf, Refused } from './Refused'
import { PasswordEntry } from './PasswordEntry'
import { roleLabel } from './words'

/** Where an invitation, or a forgotten password, is taken up. */
export function InvitedPage() {
  const secret = useParams().secret!
  const navigate = useNavigate()
  const invitation = useQuery({
    queryKey: ['invited', secret],
    queryFn: () => must(api.GET('/api/invited/{secret}', { params: { path: { secret } } })),
    retry: false,
    staleTime: Infinity,
  })
  const [name, setName] = useState<string>()
  const [password, setPassword] = useState('')
  const take = useMutation({
    mutationFn: async (body: { name: string; password: string; email: string }) => {
      await must(
        api.POST('/api/invited/{secret}', {
          params: { path: { secret } },
          body: { name: body.name, password: body.password },
        }),
      )
      await signIn(body.email, body.password)
    },
    // what somebody else read here is gone with a page that is loaded anew
    onSuccess: () => location.assign('/'),
    onError: (error) => {
      if ('status' in error && error.status === 401) void navigate('/sign-in')
    },
  })
  if (invitation.isPending) return <Loading what="the invitation" />
  if (invitation.isError)
    return (
      <main className="mx-auto grid w-full max-w-lg gap-4 px-6 py-14">
        <h1 className="text-3xl">This address opens nothing</h1>
        <p className="text-soft">
          It works once, for seven days. Whoever looks after the practice can send you another.
        </p>
        <Link to="/sign-in" className="min-h-11 content-center text-accent underline">
          Sign in
        </Link>
      </main>
    )
  const said = invitation.data
  const called = name ?? said.name
  return (
    <main className="mx-auto grid w-full max-w-lg gap-5 px-6 py-14">
      <h1 className="text-3xl">{said.newPassword ? 'A new password' : said.practice}</h1>
      <p className="text-soft">
        {said.newPassword
          ? `For ${said.email} at ${said.practice}.`
          : `You are invited to work here as ${article(roleLabel(said.role))}. You will sign in with ${said.email}.`}
      </p>
      <form
        className="grid gap-4"
        onSubmit={(event) => {
          event.preventDefault()
          take.mutate({ name: called, password, email: said.email })
        }}
      >
        {!said.newPassword && (
          <Labelled label="Your name" error={faultOf(take.error, 'name')}>
            {(aria) => (
              <Input
                {...aria}
                autoComplete="name"
                maxLength={200}
                value={called}
                onChange={(event) => setName(event.target.value)}
              />
            )}
          </Labelled>
        )}
        <PasswordEntry
          label="A password of your own"
          error={faultOf(take.error, 'password')}
          chosen
          value={password}
          onChange={setPassword}
        />
        <Button
          type="submit"
          kind="primary"
          disabled={password === '' || called.trim() === '' || take.isPending}
        >
          {take.isPending ? 'A moment …' : said.newPassword ? 'Use this password' : 'Begin'}
        </Button>
        <Refused error={take.error} entries={['name', 'password']} />
      </form>
    </main>
  )
}

const article = (word: string) => `${/^[AO]/.test(word) ? 'an' : 'a'} ${word.toLowerCase()}`
