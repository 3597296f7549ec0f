import i18next from 'i18next'
import ICU from 'i18next-icu'
import { initReactI18next } from 'react-i18next'
import { tellServer } from '../api/tellServer'
import type english from './en'

export type Wording = typeof english

/** Each language is a file of its own that is fetched when somebody reads it. A new one is added here and nowhere else. */
export const languages = {
  en: { name: 'English', wording: () => import('./en') },
  de: { name: 'Deutsch', wording: () => import('./de') },
} satisfies Record<string, { name: string; wording: () => Promise<{ default: Wording }> }>

export type Language = keyof typeof languages

function isSpoken(language: string): language is Language {
  return Object.hasOwn(languages, language)
}

const KEPT = 'rovek.language'

/** What this browser was told last; else what it prefers and Rovek speaks; else English. */
export function chosenLanguage(): Language {
  const wanted = [localStorage.getItem(KEPT) ?? '', ...navigator.languages].map((one) => one.slice(0, 2))
  return wanted.find(isSpoken) ?? 'en'
}

/** Speaks another language from now on, in this browser. */
export async function choose(language: Language) {
  const { default: wording } = await languages[language].wording()
  for (const [namespace, texts] of Object.entries(wording)) i18next.addResourceBundle(language, namespace, texts)
  await i18next.changeLanguage(language)
  localStorage.setItem(KEPT, language)
  tellServer('language', language)
}

/** Speaks the language that a person chose, where it is another one and Rovek speaks it. */
export async function spoken(language: string) {
  if (language !== i18next.language && isSpoken(language)) await choose(language)
}

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
