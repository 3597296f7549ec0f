/**
 * What the server reads of somebody's choice wherever the browser asks by itself, for a stream or a file that is saved,
 * with no header of ours: the language, and the pattern of days. Blank takes it back.
 */
export function tellServer(what: 'language' | 'days', choice: string) {
  const secure = location.protocol === 'https:' ? '; Secure' : ''
  const age = choice ? 31_536_000 : 0
  document.cookie = `${what}=${choice}; Path=/; Max-Age=${age}; SameSite=Lax${secure}`
}
