import { QueryClient } from '@tanstack/react-query'
import { readdirSync, readFileSync } from 'node:fs'
import { resolve } from 'node:path'
import { describe, expect, it } from 'vitest'
import { changed, SHOWN_BY } from './subjects'

const SOURCES = resolve(import.meta.dirname, '..')

const sources = readdirSync(SOURCES, { recursive: true, encoding: 'utf8' })
  .filter((file) => /\.tsx?$/.test(file) && !/\.test\.tsx?$/.test(file))
  .map((file) => ({ file, text: readFileSync(resolve(SOURCES, file), 'utf8') }))

describe('what has changed', () => {
  it('is read again wherever it shows, and nothing else is', async () => {
    const client = new QueryClient()
    const keys = ['limits', 'today', 'pictures']
    keys.forEach((key) => client.setQueryData([key, 'n1'], []))
    await changed(client, 'limits', 'events')
    expect(keys.filter((key) => client.getQueryState([key, 'n1'])?.isInvalidated)).toEqual(['limits', 'today'])
  })

  it('is shown by queries that there are', () => {
    const asked = new Set(
      sources.flatMap((source) => [...source.text.matchAll(/\[\s*'([\w-]+)'/g)].map((one) => one[1])),
    )
    const named = [...new Set(Object.values(SHOWN_BY).flat())]
    expect(named.filter((key) => !asked.has(key))).toEqual([])
  })

  it('is said in one place: no view names the queries of another', () => {
    const naming = sources.filter((source) => /invalidateQueries\(\{ queryKey: \['/.test(source.text))
    expect(naming.map((source) => source.file).sort()).toEqual(['api/queryClient.ts', 'instruments/usePresence.ts'])
  })
})
