/** The files of a language by their names, which are the namespaces. That they say all there is to say is tested. */
export function whole(files: Record<string, unknown>): Record<string, unknown> {
  return Object.fromEntries(Object.entries(files).map(([path, texts]) => [path.replace(/^.*\/|\.json$/g, ''), texts]))
}
