import { useQueryClient } from '@tanstack/react-query'
import { queries } from '../queries/queries'
import { PasswordForm } from './PasswordForm'

/** In place of every page, until somebody whose password was made up for them chose one. */
export function OwnPasswordFirst() {
  const client = useQueryClient()
  return (
    <main className="mx-auto grid w-full max-w-lg gap-5 px-6 py-14">
      <h1 className="text-3xl">A password of your own</h1>
      <p className="text-soft">
        The one you signed in with was made up for you, and others may have seen it. Choose another; then the
        work begins.
      </p>
      <PasswordForm onChanged={() => void client.refetchQueries({ queryKey: queries.session().queryKey })} />
    </main>
  )
}
