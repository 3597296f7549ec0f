import { Dialog as Radix } from 'radix-ui'
import type { ReactNode } from 'react'

/** A small sheet over the page. Escape and a click outside close it. */
export function Dialog({
  title,
  open,
  onClose,
  wide = false,
  children,
}: {
  title: string
  open: boolean
  onClose: () => void
  wide?: boolean
  children: ReactNode
}) {
  return (
    <Radix.Root open={open} onOpenChange={(next) => !next && onClose()}>
      <Radix.Portal>
        <Radix.Overlay className="fixed inset-0 z-20 bg-ink/25" />
        <Radix.Content
          aria-describedby={undefined}
          className={`fixed left-1/2 z-30 max-w-[94vw] ${wide ? 'top-[6vh] max-h-[88vh] w-[900px]' : 'top-[14vh] max-h-[76vh] w-[460px]'} -translate-x-1/2 overflow-auto border border-rule2 bg-paper p-5 shadow-[0_6px_24px_rgba(0,0,0,0.18)]`}
        >
          <Radix.Title className="mb-3 text-[16px] font-semibold">{title}</Radix.Title>
          {children}
        </Radix.Content>
      </Radix.Portal>
    </Radix.Root>
  )
}
