import { Fragment, type ReactNode, useEffect } from 'react'
import { useTranslation } from 'react-i18next'

/** What is shown is shown again when another language is chosen, and the page says which one it is in. */
export function Spoken({ children }: { children: ReactNode }) {
  const { i18n } = useTranslation()
  useEffect(() => {
    document.documentElement.lang = i18n.language
  }, [i18n.language])
  return <Fragment key={i18n.language}>{children}</Fragment>
}
