import { useQueryClient } from '@tanstack/react-query'
import { Fragment, type ReactNode, useEffect, useRef } from 'react'
import { useTranslation } from 'react-i18next'

/**
 * What is shown is shown again when another language is chosen, and the page says which one it is in. What the server
 * worded is asked for again.
 */
export function Spoken({ children }: { children: ReactNode }) {
  const { i18n } = useTranslation()
  const client = useQueryClient()
  const before = useRef(i18n.language)
  useEffect(() => {
    document.documentElement.lang = i18n.language
    if (before.current === i18n.language) return
    before.current = i18n.language
    void client.invalidateQueries()
  }, [client, i18n.language])
  return <Fragment key={i18n.language}>{children}</Fragment>
}
