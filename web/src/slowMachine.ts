import { configure } from '@testing-library/react'
import english from './words/en'
import { speak } from './words/i18n'

// What a test waits for comes at once on a quiet machine, and far later where it shares its cores with others: a test
// says what comes, not how fast.
configure({ asyncUtilTimeout: 20_000 })

await speak('en', english)
