// @vitest-environment node
import { existsSync, readdirSync, readFileSync } from 'node:fs'
import { resolve } from 'node:path'
import { gzipSync } from 'node:zlib'
import { describe, expect, it } from 'vitest'

const DIST = resolve(import.meta.dirname, '../../dist')
const MOST_BYTES = 200_000

/**
 * What a browser fetches before the first room shows: what the page names, the room, the language, and all that these
 * import at once.
 */
function fetched(room: string, language = 'de'): string[] {
  const page = readFileSync(resolve(DIST, 'index.html'), 'utf8')
  const first = [...page.matchAll(/(?:src|href)="\/assets\/([^"]+\.(?:js|css))"/g)].map((one) => one[1] ?? '')
  const own = readdirSync(resolve(DIST, 'assets')).filter(
    (file) => (file.startsWith(`${room}-`) || file.startsWith(`${language}-`)) && file.endsWith('.js'),
  )
  expect(own, 'the room and the language are files of their own').toHaveLength(2)
  const all = new Set<string>()
  const wanted = [...first, ...own]
  for (let file = wanted.pop(); file; file = wanted.pop()) {
    if (!all.has(file)) {
      all.add(file)
      const text = file.endsWith('.js') ? readFileSync(resolve(DIST, 'assets', file), 'utf8') : ''
      wanted.push(...[...text.matchAll(/(?:from|import)\s?"\.\/([^"]+\.js)"/g)].map((one) => one[1] ?? ''))
    }
  }
  return [...all]
}

function bytes(files: string[]) {
  return files.reduce((sum, file) => sum + gzipSync(readFileSync(resolve(DIST, 'assets', file))).length, 0)
}

describe('the first load', () => {
  it('is small enough for a slow line in a plant', () => {
    expect(existsSync(resolve(DIST, 'index.html')), 'the front end is built before it is measured').toBe(true)
    const files = fetched('TodayView')
    expect(files.length).toBeGreaterThan(4)
    expect(bytes(files)).toBeLessThan(MOST_BYTES)
  })

  it('holds no room but the one that is wanted', () => {
    expect(fetched('TodayView').join(' ')).not.toMatch(/PlantView|InstrumentsView|drawOver/)
  })
})
