import i18next from 'i18next'
import type { Wording } from './i18n'

type Leaves<T> = {
  [K in keyof T & string]: T[K] extends string ? K : `${K}.${Leaves<T[K]>}`
}[keyof T & string]

/** `namespace:key`, with dots where keys are nested. */
export type WordingKey = { [N in keyof Wording & string]: `${N}:${Leaves<Wording[N]>}` }[keyof Wording & string]

/** What a sentence is filled with, by the names in it. */
export type Values = Record<string, string | number | boolean | null | undefined>

/**
 * The wording of a key in the language that is spoken now. To be asked while something is shown, not when a module is
 * loaded: only then is it known who reads it.
 */
export function t(key: WordingKey, values?: Values): string {
  return i18next.t(key, values as Record<string, unknown>)
}

/** The wording of a key that comes from elsewhere; what came where there is none. */
export function tOr(key: string, otherwise: string): string {
  return i18next.exists(key) ? i18next.t(key) : otherwise
}
