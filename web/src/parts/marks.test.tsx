import { cleanup, render, screen } from '@testing-library/react'
import { afterEach, describe, expect, it } from 'vitest'
import { problemOf } from '../api/client'
import { t } from '../words/t'
import { RollUpMark } from './RollUpMark'
import { VerdictMark } from './VerdictMark'

afterEach(cleanup)

describe('verdicts', () => {
  it.each(['PASS', 'WATCH', 'FAIL', 'NOT_JUDGED'] as const)('%s has a word and a shape of its own', (verdict) => {
    const { container } = render(<VerdictMark verdict={verdict} reason="because" />)
    expect(screen.getByTitle('because').textContent).toBe(t(`common:verdict.${verdict}`))
    const shape = container.querySelector('svg')?.innerHTML
    cleanup()
    const others = (['PASS', 'WATCH', 'FAIL', 'NOT_JUDGED'] as const).filter((other) => other !== verdict)
    for (const other of others) {
      expect(render(<VerdictMark verdict={other} />).container.querySelector('svg')?.innerHTML).not.toBe(shape)
      cleanup()
    }
  })
})

describe('many together', () => {
  const shown = (worst: 'PASS' | 'FAIL' | 'NOT_JUDGED', pass: number, notJudged: number) => {
    const { container } = render(<RollUpMark counted={{ worst, pass, notJudged }} />)
    const seen = { text: container.textContent, shape: container.querySelector('svg')?.innerHTML }
    cleanup()
    return seen
  }

  it('of which one passed and the rest was not judged look neither passed nor not judged', () => {
    const partly = shown('PASS', 1, 213)
    expect(partly.text).toBe('1 of 214 pass')
    expect(partly.shape).not.toBe(shown('PASS', 214, 0).shape)
    expect(partly.shape).not.toBe(shown('NOT_JUDGED', 0, 214).shape)
    expect(shown('PASS', 213, 1).shape).not.toBe(partly.shape)
  })

  it('say the worst, and what was not judged beside it', () => {
    expect(shown('PASS', 12, 0).text).toBe('Pass')
    expect(shown('FAIL', 3, 2).text).toBe('Fail+2 ◌')
    expect(shown('NOT_JUDGED', 0, 2).text).toBe('Not judged')
  })
})

describe('problems', () => {
  it('say what the server says, and otherwise that it does not answer', () => {
    expect(problemOf(409, { code: 'stale', detail: 'Look again.' })).toMatchObject({
      code: 'stale',
      message: 'Look again.',
    })
    expect(problemOf(502, '<html>').message).toBe(t('common:offline'))
  })
})
