import i18next from 'i18next'
import ICU from 'i18next-icu'
import { initReactI18next } from 'react-i18next'
import type english from './en'

export type Wording = typeof english

/** Each language is a file of its own that is fetched when somebody reads it. A new one is added here and nowhere else. */
export const languages = {
  en: { name: 'English', wording: () => import('./en') },
} satisfies Record<string, { name: string; wording: () => Promise<{ default: Wording }> }>

export type Language = keyof typeof languages

/** Begins to speak, with wording that is there already. */
export function speak(language: string, wording: Wording) {
  return i18next
    .use(ICU)
    .use(initReactI18next)
    .init({
      lng: language,
      resources: { [language]: wording },
      fallbackLng: false,
      defaultNS: 'common',
      ns: Object.keys(wording),
      returnNull: false,
      interpolation: { escapeValue: false },
      initAsync: false,
    })
}
