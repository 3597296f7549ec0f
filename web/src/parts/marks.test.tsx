import { cleanup, render, screen } from '@testing-library/react'
import { afterEach, describe, expect, it } from 'vitest'
import { problemOf } from '../api/client'
import { words } from '../words/en'
import { VerdictMark } from './VerdictMark'

afterEach(cleanup)

describe('verdicts', () => {
  it.each(['PASS', 'WATCH', 'FAIL', 'NOT_JUDGED'] as const)('%s has a word and a shape of its own', (verdict) => {
    const { container } = render(<VerdictMark verdict={verdict} reason="because" />)
    expect(screen.getByTitle('because').textContent).toBe(words.verdict[verdict])
    const shape = container.querySelector('svg')?.innerHTML
    cleanup()
    const others = (['PASS', 'WATCH', 'FAIL', 'NOT_JUDGED'] as const).filter((other) => other !== verdict)
    for (const other of others) {
      expect(render(<VerdictMark verdict={other} />).container.querySelector('svg')?.innerHTML).not.toBe(shape)
      cleanup()
    }
  })
})

describe('problems', () => {
  it('say what the server says, and otherwise that it does not answer', () => {
    expect(problemOf(409, { code: 'stale', detail: 'Look again.' })).toMatchObject({ code: 'stale', message: 'Look again.' })
    expect(problemOf(502, '<html>').message).toBe(words.common.offline)
  })
})
