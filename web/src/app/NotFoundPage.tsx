import { Link } from 'react-router'

export function NotFoundPage() {
  return (
    <div className="grid max-w-lg gap-3 p-7">
      <h1 className="text-2xl">There is no such page</h1>
      <p className="text-soft">
        Go back, or to the{' '}
        <Link to="/fields" className="text-accent underline">
          fields
        </Link>
        .
      </p>
    </div>
  )
}
