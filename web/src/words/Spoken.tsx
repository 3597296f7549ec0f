import { Fragment, type ReactNode } from 'react'
import { useTranslation } from 'react-i18next'

/** What is shown is shown again when another language is chosen. */
export function Spoken({ children }: { children: ReactNode }) {
  const { i18n } = useTranslation()
  return <Fragment key={i18n.language}>{children}</Fragment>
}
