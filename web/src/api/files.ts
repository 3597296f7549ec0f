import { Problem, problemOf } from './client'
import { t } from '../words/t'

/** Lets the browser keep something as a file. */
export function keep(name: string, content: Blob) {
  const link = document.createElement('a')
  link.href = URL.createObjectURL(content)
  link.download = name
  link.click()
  URL.revokeObjectURL(link.href)
}

/** Fetches a file and keeps it; what goes wrong is thrown as a sentence. */
export async function fetchFile(address: string, name: string) {
  const answer = await fetch(address).catch(() => {
    throw new Problem(0, 'offline', t('common:offline'))
  })
  if (!answer.ok) throw problemOf(answer.status, await answer.json().catch(() => undefined))
  keep(name, await answer.blob())
}
