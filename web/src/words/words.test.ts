// @vitest-environment node
import { readdirSync, readFileSync } from 'node:fs'
import { resolve } from 'node:path'
import i18next from 'i18next'
import { IntlMessageFormat } from 'intl-messageformat'
import ts from 'typescript'
import { describe, expect, it } from 'vitest'
import english from './en'
import { type Wording, languages, speak } from './i18n'
import { t } from './t'

type Texts = { [key: string]: string | Texts }

const SOURCE = resolve(import.meta.dirname, '..')

function flat(texts: Texts, before = ''): [string, string][] {
  return Object.entries(texts).flatMap(([key, text]) =>
    typeof text === 'string' ? [[before + key, text] as [string, string]] : flat(text, `${before}${key}.`),
  )
}

function keyed(wording: Wording): Map<string, string> {
  return new Map(
    Object.entries(wording).flatMap(([namespace, texts]) =>
      flat(texts as Texts).map(([key, text]) => [`${namespace}:${key}`, text] as [string, string]),
    ),
  )
}

/** What a sentence is to be filled with, e.g. n in "{n, plural, …}". */
function names(text: string): string {
  const found = new Set<string>()
  const walk = (parts: ReturnType<IntlMessageFormat['getAst']>) =>
    parts.forEach((part) => {
      if ('value' in part && part.type !== 0) found.add(part.value)
      if ('options' in part) Object.values(part.options).forEach((option) => walk(option.value))
    })
  walk(new IntlMessageFormat(text, 'en').getAst())
  return [...found].sort().join(' ')
}

function sources(): { file: string; text: string }[] {
  return readdirSync(SOURCE, { recursive: true, encoding: 'utf8' })
    .filter((file) => /\.tsx?$/.test(file) && !/\.test\.|^words.(?:en|de).|^test\b|^test\/|\.d\.ts$/.test(file))
    .map((file) => ({ file, text: readFileSync(resolve(SOURCE, file), 'utf8') }))
}

const SHOWN = /^(aria-label|title|placeholder|alt|label|said|say)$/
// Signs of a unit, a file format, a digest or a key are the same in every language.
const SIGNS = /^(SHA-256|PNG|SVG|PDF|Ctrl K|h|min|s|ms|Hz)$/

/** Text that somebody would read and nobody could translate. */
function literals({ file, text }: { file: string; text: string }): string[] {
  const found: string[] = []
  const note = (words: string) => {
    const plain = words.replace(/&\w+;/g, '').trim()
    if (/[A-Za-z]{2}/.test(plain) && !SIGNS.test(plain)) found.push(`${file}: ${plain}`)
  }
  const walk = (node: ts.Node, isShown: boolean): void => {
    // What is thrown is worded by whoever catches it.
    if (ts.isNewExpression(node) && node.expression.getText() === 'Error') return
    if (ts.isJsxText(node)) note(node.text)
    if (isShown && ts.isStringLiteral(node) && !/:/.test(node.text)) note(node.text)
    if (isShown && ts.isTemplateExpression(node)) {
      ;[node.head, ...node.templateSpans.map((span) => span.literal)].forEach((part) => note(part.text))
    }
    if (ts.isStringLiteral(node) && /^[A-Z][a-z]+ [a-z]+ .*[.!?]$/.test(node.text)) note(node.text)
    const isAsked = ts.isCallExpression(node) || ts.isBinaryExpression(node) || ts.isConditionalExpression(node)
    ts.forEachChild(node, (child) =>
      walk(child, ts.isJsxAttribute(node) ? SHOWN.test(node.name.getText()) : isShown && !isAsked),
    )
  }
  walk(ts.createSourceFile(file, text, ts.ScriptTarget.Latest, true), false)
  return found
}

const every = keyed(english)

describe('wording', () => {
  it.each(Object.keys(languages))('is whole in %s, and asks for the same', async (language) => {
    const { default: wording } = await languages[language as keyof typeof languages].wording()
    const other = keyed(wording)
    expect([...other.keys()].sort()).toEqual([...every.keys()].sort())
    for (const [key, text] of every) {
      expect(names(other.get(key) ?? ''), key).toBe(names(text))
      expect(other.get(key) === '', key).toBe(text === '')
    }
  })

  it('has no key that nobody shows', () => {
    const text = sources()
      .map((one) => one.text)
      .join('\n')
    const asked = new Set([...text.matchAll(/'(\w+:[\w.]+)'/g)].map((one) => one[1]))
    const patterns = [...text.matchAll(/`(\w+:[\w.]*\$\{[^`]+)`/g)].map(
      (one) => new RegExp(`^${(one[1] ?? '').replace(/\./g, '\\.').replace(/\$\{(?:[^{}]|\{[^{}]*\})*\}/g, '[^.]+')}$`),
    )
    expect(asked.size).toBeGreaterThan(500)
    const unused = [...every.keys()].filter((key) => !asked.has(key) && !patterns.some((pattern) => pattern.test(key)))
    expect(unused).toEqual([])
  })

  it('has no text in a component', () => {
    expect(sources().flatMap(literals)).toEqual([])
  })

  it('needs nothing but files for another language', async () => {
    const shouted = (texts: Texts): Texts =>
      Object.fromEntries(
        Object.entries(texts).map(([key, text]) => [key, typeof text === 'string' ? `⟦${text}⟧` : shouted(text)]),
      )
    await speak('eo', shouted(english as unknown as Texts) as unknown as Wording)
    expect(t('today:wants', { n: 3 })).toBe('⟦3 items need attention⟧')
    await speak('en', english)
    expect(i18next.language).toBe('en')
    expect(t('today:wants', { n: 3 })).toBe('3 items need attention')
  })
})
