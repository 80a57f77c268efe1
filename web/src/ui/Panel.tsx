import { X } from 'lucide-react'
import { Dialog } from 'radix-ui'
import type { ReactNode } from 'react'

/** A sheet over the page, from the right on a desk and from below on a phone. */
export function Panel({
  title,
  open,
  onClose,
  children,
}: {
  title: string
  open: boolean
  onClose: () => void
  children: ReactNode
}) {
  return (
    <Dialog.Root open={open} onOpenChange={(next) => !next && onClose()}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-ink/40" />
        <Dialog.Content
          aria-describedby={undefined}
          className="fixed inset-x-0 bottom-0 z-50 max-h-[88dvh] overflow-y-auto bg-paper p-6 shadow-xl sm:inset-y-0 sm:right-0 sm:left-auto sm:max-h-none sm:w-[30rem]"
        >
          <div className="mb-4 flex items-start justify-between gap-4">
            <Dialog.Title className="text-xl">{title}</Dialog.Title>
            <Dialog.Close
              aria-label="Close"
              className="-m-2 flex size-11 cursor-pointer items-center justify-center rounded-sm"
            >
              <X size={20} aria-hidden />
            </Dialog.Close>
          </div>
          {children}
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  )
}
