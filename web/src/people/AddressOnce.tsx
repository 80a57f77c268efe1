import { useState } from 'react'
import type { OpenInvitation } from '../api/schema'
import { Button } from '../ui/controls'
import { showDay } from '../words/dates'

/** The address of an invitation, which is told this once. */
export function AddressOnce({ invitation }: { invitation: OpenInvitation }) {
  const [copied, setCopied] = useState(false)
  const address = `${location.origin}${invitation.address}`
  return (
    <div role="status" className="grid gap-2 border-l-3 border-robust pl-3">
      <p className="font-semibold">
        Send this to {invitation.name}. It works once, until {showDay(invitation.expiresAt)}, and is shown
        only now:
      </p>
      <code className="text-[15px] break-all">{address}</code>
      <Button
        className="justify-self-start"
        onClick={() => void navigator.clipboard.writeText(address).then(() => setCopied(true))}
      >
        {copied ? 'Copied' : 'Copy'}
      </Button>
    </div>
  )
}
