import type { ReactNode } from 'react'
import { FindOrDo } from './FindOrDo'

/** A view: on top one line that says what now, with its one main button. */
export function Page({ say, actions, children }: { say: ReactNode; actions?: ReactNode; children: ReactNode }) {
  return (
    <div className="flex h-screen min-w-0 flex-1 flex-col">
      <header className="flex min-h-11 shrink-0 items-center gap-3 border-b border-rule2 px-4 py-1">
        <h1 className="min-w-0 flex-1 text-[15px]">{say}</h1>
        {actions}
        <FindOrDo />
      </header>
      <main className="min-h-0 flex-1">{children}</main>
    </div>
  )
}
