import { answering, changes, forget, Refusal } from '../test/fakeServer'
import { cleanup, fireEvent, screen, waitFor } from '@testing-library/react'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import type { LimitForm, LimitLine, LimitPreview, LimitRevision } from '../api/types'
import { showUnits } from '../units/shown'
import { limitOf, rule } from '../test/limits'
import { show } from '../test/show'
import { LimitDialog } from './LimitDialog'
import { freshLimit, limitOf as limitTyped } from './ruleForm'

const line = (more: Partial<LimitLine>): LimitLine => ({
  technique: 'vibration',
  resultId: 'velocity.rms',
  name: 'velocity RMS',
  unit: 'mm/s',
  sense: 'HIGHER_IS_WORSE',
  limit: null,
  originId: null,
  originName: '',
  revisions: [],
  checks: 1,
  unlimited: 1,
  proposals: [],
  wanting: '',
  ...more,
})

const above = (watch: number, fail: number) => limitOf('mm/s', rule('ABOVE', { watch, fail }))

const revision = (limit: LimitForm | null, isInherited = false): LimitRevision => ({
  number: 1,
  saidAt: '2026-11-02T08:00:00Z',
  from: null,
  until: null,
  isInherited,
  limit,
  isInForce: true,
})

const preview: LimitPreview = {
  checks: 1,
  left: 0,
  keeping: 0,
  without: 0,
  changed: 4,
  watchNow: 0,
  failNow: 0,
  watchThen: 3,
  failThen: 1,
  readings: 12,
  watch: 3,
  fail: 1,
  notJudged: 0,
  shown: [],
  repairs: [{ place: 'P-101 Drive end', repairedAt: '2026-05-01T08:00:00Z', words: 'bearing', daysBefore: 41 }],
}

const path = '/api/nodes/v/limits/vibration/velocity.rms'

beforeEach(() => {
  answering('POST', `${path}/preview`, () => preview)
  answering('PUT', path, () => ({ changeId: null, sentence: '', added: [] }))
})
afterEach(() => {
  cleanup()
  forget()
  showUnits([])
})

describe('a limit', () => {
  it('is set for all readings where there was none, and the history says what it would have caught', async () => {
    answering('GET', '/api/nodes/v/limits', () => [line({})])
    const onClose = vi.fn()
    show(<LimitDialog nodeId="v" name="Drive end" onClose={onClose} />)
    fireEvent.change(await screen.findByLabelText('Watch'), { target: { value: '2,8' } })
    fireEvent.change(screen.getByLabelText('Fail'), { target: { value: '4.5' } })
    expect(await screen.findByText('3 watch and 1 fail of 12 readings on 1 check')).toBeTruthy()
    expect(screen.getByText('would have warned 41 days earlier')).toBeTruthy()
    expect(screen.getByText('4 readings get another verdict: then 3 watch and 1 fail.')).toBeTruthy()
    fireEvent.click(screen.getByText('Set limit'))
    await waitFor(() => expect(onClose).toHaveBeenCalled())
    const put = changes().find((change) => change.method === 'PUT')?.body as {
      limit: { rules: { watch: number; fail: number }[] }
      from: string | null
    }
    expect(put.from).toBeNull()
    expect(put.limit.rules[0]).toMatchObject({ watch: 2.8, fail: 4.5 })
  })

  it('that is changed holds from now on, unless history is to be judged again', async () => {
    answering('GET', '/api/nodes/v/limits', () => [line({ limit: above(2.8, 4.5), originId: 'v', unlimited: 0 })])
    const onClose = vi.fn()
    show(<LimitDialog nodeId="v" name="Drive end" onClose={onClose} />)
    fireEvent.change(await screen.findByLabelText('Fail'), { target: { value: '5' } })
    fireEvent.click(screen.getByText('Set limit'))
    await waitFor(() => expect(onClose).toHaveBeenCalled())
    const put = changes().find((change) => change.method === 'PUT')?.body as { from: string | null }
    expect(Math.abs(new Date(put.from ?? '').getTime() - Date.now())).toBeLessThan(60_000)
  })

  it('tells an inherited one from none in what was said over time', async () => {
    answering('GET', '/api/nodes/v/limits', () => [
      line({ revisions: [revision(null), { ...revision(null, true), number: 2 }], unlimited: 0 }),
    ])
    show(<LimitDialog nodeId="v" name="Drive end" onClose={vi.fn()} />)
    const revisions = await screen.findByLabelText('Revisions')
    expect([...revisions.querySelectorAll('tbody tr')].map((row) => row.children[3]?.textContent)).toEqual([
      'none',
      'inherited',
    ])
  })

  it('that is refused keeps what was typed and says why', async () => {
    answering('GET', '/api/nodes/v/limits', () => [line({})])
    answering('PUT', path, () => new Refusal(422, 'invalid', 'The watch boundary must be reached first.'))
    const onClose = vi.fn()
    show(<LimitDialog nodeId="v" name="Drive end" onClose={onClose} />)
    fireEvent.change(await screen.findByLabelText('Fail'), { target: { value: '1' } })
    fireEvent.click(screen.getByText('Set limit'))
    expect(await screen.findByText('The watch boundary must be reached first.')).toBeTruthy()
    expect(onClose).not.toHaveBeenCalled()
    expect((screen.getByLabelText('Fail') as HTMLInputElement).value).toBe('1')
  })

  it('is shown in the chosen unit, and the same to the last digit when nothing of it is changed', async () => {
    showUnits([{ stored: 'mm/s', unit: 'in/s', factor: 1 / 25.4, offset: 0, decimals: null }])
    answering('GET', '/api/nodes/v/limits', () => [
      line({ limit: above(2.8, 4.5), revisions: [revision(above(2.8, 4.5))], originId: 'v', unlimited: 0 }),
    ])
    answering('GET', '/api/units/read', () => ({ value: 0.2, unit: 'in/s' }))
    const onClose = vi.fn()
    show(<LimitDialog nodeId="v" name="Drive end" onClose={onClose} />)
    const watch: HTMLInputElement = await screen.findByLabelText('Watch')
    expect(watch.value).toBe('0.110236')
    expect(screen.getAllByText(/^0\.1102 \/ 0\.1772 in\/s$/)).toHaveLength(2)
    fireEvent.change(screen.getByLabelText('Fail'), { target: { value: '5.08 mm/s' } })
    fireEvent.blur(screen.getByLabelText('Fail'))
    await waitFor(() => expect((screen.getByLabelText('Fail') as HTMLInputElement).value).toBe('0.2'))
    fireEvent.click(screen.getByText('Set limit'))
    await waitFor(() => expect(onClose).toHaveBeenCalled())
    const put = changes().find((change) => change.method === 'PUT')?.body as { limit: LimitForm }
    expect(put.limit.unit).toBe('in/s')
    expect(put.limit.rules[0]?.watch).toBeCloseTo(2.8 / 25.4, 15)
    expect(put.limit.rules[0]?.fail).toBe(0.2)
  })

  it('says why a unit is not one, and keeps what was typed', async () => {
    answering('GET', '/api/nodes/v/limits', () => [line({})])
    answering('GET', '/api/units/read', () => new Refusal(422, 'invalid', 'No unit is written "furlong".'))
    show(<LimitDialog nodeId="v" name="Drive end" onClose={vi.fn()} />)
    const watch: HTMLInputElement = await screen.findByLabelText('Watch')
    fireEvent.change(watch, { target: { value: '5 furlong' } })
    fireEvent.blur(watch)
    expect(await screen.findByText('No unit is written "furlong".')).toBeTruthy()
    expect(watch.value).toBe('5 furlong')
  })

  it('says nothing before a boundary is typed', () => {
    expect(limitTyped(freshLimit('ABOVE', 'mm/s'))).toBeNull()
    const target = freshLimit('TARGET', 'mm/s')
    expect(limitTyped({ ...target, rules: target.rules.map((one) => ({ ...one, fail: '0.4' })) })).toBeNull()
    expect(
      limitTyped({ ...target, rules: target.rules.map((one) => ({ ...one, fail: '0.4', target: '6' })) })?.rules[0],
    ).toMatchObject({ target: 6, fail: 0.4, side: 'BOTH' })
  })
})

describe('many checks', () => {
  it('get each their own in one action', async () => {
    answering('GET', '/api/nodes/v/limits', () => [line({ checks: 8, unlimited: 5 })])
    answering('POST', `${path}/proposals`, () => ({ checks: 4, without: 1, changeId: 'c' }))
    show(<LimitDialog nodeId="v" name="Wellfield" onClose={vi.fn()} />)
    expect(await screen.findByText('5 of 8 checks without')).toBeTruthy()
    expect(screen.getByText('set on 3 of 8 checks')).toBeTruthy()
    const mine = {
      checkId: 'a',
      place: 'P-101 Drive end, Velocity',
      limit: above(2.8, 4.5),
      watch: 0,
      fail: 1,
      readings: [],
    }
    answering('POST', `${path}/proposals/preview`, () => ({ ...preview, checks: 4, without: 1, shown: [mine] }))
    fireEvent.click(screen.getByText('Set each to the limit of its standard'))
    expect(await screen.findByText('2.80 / 4.50 mm/s')).toBeTruthy()
    expect(screen.getByText('No proposal for 1 check.')).toBeTruthy()
    expect(changes().some((change) => change.path === `${path}/proposals`)).toBe(false)
    fireEvent.click(screen.getByText('Set 4 limits'))
    await waitFor(() =>
      expect(changes().find((change) => change.path === `${path}/proposals`)?.body).toEqual({
        source: 'STANDARD',
        from: null,
      }),
    )
  })
})
