/** A server for tests of views: answers by method and path, and remembers what it was asked. */
export interface Asked {
  method: string
  path: string
  body: unknown
}

type Answer = (asked: Asked) => unknown

const answers = new Map<string, Answer>()
export const asked: Asked[] = []

/** A refusal, as the server words it. */
export class Refusal {
  constructor(
    readonly status: number,
    readonly code: string,
    readonly detail: string,
    readonly more: Record<string, unknown> = {},
  ) {}
}

export function answering(method: string, path: string, answer: Answer) {
  answers.set(`${method} ${path}`, answer)
}

export function forget() {
  answers.clear()
  asked.length = 0
}

/** What was to be changed; the plant's outline is only read, though by POST. */
export const changes = () =>
  asked.filter((request) => request.method !== 'GET' && !request.path.startsWith('/api/outline'))

globalThis.fetch = async (input: RequestInfo | URL, init?: RequestInit) => {
  const request = input instanceof Request ? input : new Request(input, init)
  const isJson = request.headers.get('Content-Type')?.includes('json') ?? false
  const text = isJson ? await request.text() : ''
  const entry = {
    method: request.method,
    path: new URL(request.url).pathname,
    body: text ? (JSON.parse(text) as unknown) : undefined,
  }
  asked.push(entry)
  const answer = answers.get(`${entry.method} ${entry.path}`)
  const body = answer
    ? await answer(entry)
    : new Refusal(404, 'not-found', `nothing answers ${entry.method} ${entry.path}`)
  const status = body instanceof Refusal ? body.status : body === undefined ? 204 : 200
  const headers = { 'Content-Type': 'application/json' }
  return new Response(
    status === 204
      ? null
      : JSON.stringify(body instanceof Refusal ? { code: body.code, detail: body.detail, ...body.more } : body),
    status === 204 ? { status } : { status, headers },
  )
}
