import i18next from 'i18next'
import createClient from 'openapi-fetch'
import { t } from '../words/t'
import type { paths } from './schema'

/** One thing of one node that two people changed. */
export interface Clash {
  node: string
  label: string
  facet: string
  theirs: string
  yours: string
  theirsSaid: string
  yoursSaid: string
  by: string
  at: string
}

/** An answer that says what went wrong, in a sentence for people. */
export class Problem extends Error {
  constructor(
    readonly status: number,
    readonly code: string,
    sentence: string,
    readonly clashes: Clash[] = [],
  ) {
    super(sentence)
  }
}

function csrfToken(): string {
  const token = /(?:^|; )(?:__Host-)?XSRF-TOKEN=([^;]*)/.exec(document.cookie)?.[1]
  return token ? decodeURIComponent(token) : ''
}

let onSignedOut: () => void = () => undefined

/** What is to happen when the server no longer knows who is signed in. */
export function whenSignedOut(act: () => void) {
  onSignedOut = act
}

export const api = createClient<paths>({ baseUrl: '/' })

api.use({
  onRequest({ request }) {
    request.headers.set('Accept-Language', i18next.language)
    if (request.method !== 'GET') {
      request.headers.set('X-XSRF-TOKEN', csrfToken())
    }
    return request
  },
  async onResponse({ request, response }) {
    if (response.ok) {
      return response
    }
    if (response.status === 401 && !request.url.endsWith('/api/session')) {
      onSignedOut()
    }
    const body: unknown = await response
      .clone()
      .json()
      .catch(() => undefined)
    throw problemOf(response.status, body)
  },
  onError() {
    return new Problem(0, 'offline', t('common:offline'))
  },
})

export function problemOf(status: number, body: unknown): Problem {
  const fields = typeof body === 'object' && body !== null ? (body as Record<string, unknown>) : {}
  const code = typeof fields.code === 'string' ? fields.code : String(status)
  const sentence = typeof fields.detail === 'string' ? fields.detail : t('common:offline')
  return new Problem(status, code, sentence, Array.isArray(fields.clashes) ? (fields.clashes as Clash[]) : [])
}

/** The data of an answer; errors were thrown before. */
export async function data<T>(answer: Promise<{ data?: T }>): Promise<T> {
  return (await answer).data as T
}
